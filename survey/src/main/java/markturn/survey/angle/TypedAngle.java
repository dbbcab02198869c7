package markturn.survey.angle;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An angle as a person typed it, and as it was understood.
 *
 * <p>Degrees, minutes and seconds may be parted by blanks, dashes, colons or their own signs, or run together: seven digits or more fill
 * degrees, minutes, seconds from the right ({@code 1230405.6}); one to three are degrees; four to six could mean several things and
 * are refused with an example. Packed {@code 123.04056} is read only where the job says so. Decimal comma and point are one.
 *
 * @param radians in [0, 2 pi)
 * @param written the same angle as files hold it, keeping every digit that was typed
 */
public record TypedAngle(double radians, String written) {
    private static final Pattern PARTED = Pattern.compile(
            "(\\d{1,3})\\s*(?:°|d|-|:|\\s)\\s*(\\d{1,3})\\s*(?:'|′|m|-|:|\\s)\\s*(\\d{1,3}(?:[.,]\\d*)?)\\s*(?:\"|″|''|s)?");
    private static final Pattern DEGREES_AND_MINUTES =
            Pattern.compile("(\\d{1,3})\\s*(?:°|d|-|:|\\s)\\s*(\\d{1,3})\\s*(?:'|′|m)?");
    private static final Pattern DIGITS = Pattern.compile("(\\d+)(?:[.,](\\d*))?");
    private static final int LONGEST_TEXT = 40;

    /** A typed angle that cannot be read: which characters are at fault, and what was expected there. */
    public static final class Fault extends IllegalArgumentException {
        private static final long serialVersionUID = 1;
        private final int from;
        private final int to;

        Fault(String message, int from, int to) {
            super(message);
            this.from = from;
            this.to = to;
        }

        /** Index of the first faulty character. */
        public int from() {
            return from;
        }

        /** Index behind the last faulty character. */
        public int to() {
            return to;
        }
    }

    /**
     * Reads a typed angle.
     *
     * @param typed what stands in the field
     * @param unit the job's unit
     * @param packed whether {@code 123.0405} means 123 degrees 4 minutes 5 seconds in this job
     * @throws Fault naming the characters at fault and what was expected
     */
    public static TypedAngle read(String typed, AngleUnit unit, boolean packed) {
        String text = typed.strip();
        int shift = typed.indexOf(text);
        if (text.isEmpty()) {
            throw new Fault("Nothing typed: " + unit.expected(), 0, typed.length());
        }
        if (text.length() > LONGEST_TEXT) {
            throw new Fault("Too long for an angle: " + unit.expected(), 0, typed.length());
        }
        return unit == AngleUnit.DMS ? sexagesimal(text, shift, packed) : decimal(text, shift, unit);
    }

    private static TypedAngle decimal(String text, int shift, AngleUnit unit) {
        Matcher digits = DIGITS.matcher(text);
        if (!digits.matches()) {
            throw whole("Not a number: expected " + unit.expected(), text, shift);
        }
        String fraction = digits.group(2) == null || digits.group(2).isEmpty() ? "" : "." + digits.group(2);
        return written(unit, digits.group(1) + fraction, text, shift);
    }

    private static TypedAngle sexagesimal(String text, int shift, boolean packed) {
        Matcher parted = PARTED.matcher(text);
        if (parted.matches()) {
            return assemble(text, shift, parted, 1, 2, 3);
        }
        Matcher twoParts = DEGREES_AND_MINUTES.matcher(text);
        if (twoParts.matches()) {
            return assemble(text, shift, twoParts, 1, 2, 0);
        }
        Matcher digits = DIGITS.matcher(text);
        if (!digits.matches()) {
            throw whole("Not an angle: type it as 123 04 05.6 or 1230405.6", text, shift);
        }
        return runTogether(text, shift, digits.group(1), digits.group(2) == null ? "" : digits.group(2), packed);
    }

    private static TypedAngle runTogether(String text, int shift, String whole, String fraction, boolean packed) {
        if (packed && whole.length() <= 3 && !fraction.isEmpty()) {
            String filled = (fraction + "0000").substring(0, Math.max(4, fraction.length()));
            String seconds = filled.substring(2, 4) + (filled.length() > 4 ? "." + filled.substring(4) : "");
            return sixty(whole, filled.substring(0, 2), seconds, text, shift, whole.length() + 1, whole.length() + 3);
        }
        if (whole.length() <= 3) {
            if (!fraction.isEmpty()) {
                throw whole(
                        "Decimal degrees in a job in degrees, minutes and seconds: type " + whole + " 04 05.6",
                        text,
                        shift);
            }
            return written(AngleUnit.DMS, Integer.parseInt(whole) + "-00-00", text, shift);
        }
        if (whole.length() < 7) {
            throw whole(
                    "%d digits can be read in several ways: part them as 12 34 56, or type seven, 0123456"
                            .formatted(whole.length()),
                    text,
                    shift);
        }
        if (whole.length() > 7) {
            throw whole(
                    "%d digits are too many: three for degrees, two for minutes, two for seconds"
                            .formatted(whole.length()),
                    text,
                    shift);
        }
        String seconds = whole.substring(5) + (fraction.isEmpty() ? "" : "." + fraction);
        return sixty(whole.substring(0, 3), whole.substring(3, 5), seconds, text, shift, 3, 5);
    }

    private static TypedAngle assemble(String text, int shift, Matcher parts, int degrees, int minutes, int seconds) {
        String restOfSeconds = seconds == 0 ? "00" : parts.group(seconds).replace(',', '.');
        if (restOfSeconds.endsWith(".")) {
            restOfSeconds = restOfSeconds.substring(0, restOfSeconds.length() - 1);
        }
        return sixty(
                parts.group(degrees),
                parts.group(minutes),
                restOfSeconds,
                text,
                shift,
                parts.start(minutes),
                parts.end(minutes));
    }

    private static TypedAngle sixty(
            String degrees, String minutes, String seconds, String text, int shift, int minutesFrom, int minutesTo) {
        if (Integer.parseInt(minutes) > 59) {
            int to = Math.min(minutesTo, text.length());
            throw new Fault("Minutes " + minutes + ": they end at 59", shift + Math.min(minutesFrom, to), shift + to);
        }
        if (Double.parseDouble(seconds) >= 60) {
            int from = text.lastIndexOf(seconds.substring(0, 2));
            throw new Fault("Seconds " + seconds + ": they end below 60", shift + from, shift + text.length());
        }
        String twoDigitSeconds = seconds.length() == 1 || seconds.charAt(1) == '.' ? "0" + seconds : seconds;
        return written(
                AngleUnit.DMS,
                "%d-%02d-%s".formatted(Integer.parseInt(degrees), Integer.parseInt(minutes), twoDigitSeconds),
                text,
                shift);
    }

    private static TypedAngle written(AngleUnit unit, String written, String text, int shift) {
        try {
            return new TypedAngle(unit.read(written), written);
        } catch (IllegalArgumentException beyond) {
            String turn = unit == AngleUnit.GON ? "400 gon" : "360 degrees";
            throw whole("A circle ends at " + turn + ": " + written + " is beyond it", text, shift);
        }
    }

    private static Fault whole(String message, String text, int shift) {
        return new Fault(message, shift, shift + text.length());
    }
}
