package markturn.survey.angle;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a job writes its angles. Text is exact: decimal digits are read as they stand, and what is written is rounded once, in the
 * smallest unit, so that seconds never show as 60.
 */
public enum AngleUnit {
    /** Degrees, minutes and seconds: {@code 123-04-05.6}. Small angles are arc-seconds. */
    DMS("dms", "360", "a circle such as \"123-04-05.6\", below 360 degrees"),
    /** Gon, 400 to the turn, as a decimal. Small angles are milligon. */
    GON("gon", "400", "a circle in gon such as \"123.4567\", below 400"),
    /** Decimal degrees. Small angles are arc-seconds. */
    DEG("deg", "360", "a circle in degrees such as \"123.4567\", below 360");

    private static final Pattern DMS_TEXT = Pattern.compile("(\\d{1,3})-(\\d{1,2})-(\\d{1,2}(?:\\.\\d+)?)");
    private static final Pattern DECIMAL_TEXT = Pattern.compile("\\d{1,3}(?:\\.\\d+)?");
    private static final int LONGEST_TEXT = 40;
    private static final long MINUTES_OF_A_TURN = 360 * 60;

    private final String key;
    private final BigDecimal turn;
    private final String expected;

    AngleUnit(String key, String turn, String expected) {
        this.key = key;
        this.turn = new BigDecimal(turn);
        this.expected = expected;
    }

    /** The word for this unit in files: {@code dms}, {@code gon} or {@code deg}. */
    public String key() {
        return key;
    }

    /** What a file or field must hold, in words, for messages. */
    public String expected() {
        return expected;
    }

    /** One small angle in radians: the arc-second, or the milligon where the unit is gon. */
    public double small() {
        return this == GON ? Angles.MILLIGON : Angles.SECOND;
    }

    /** The sign of the small unit after a number: {@code "} or {@code mgon}. */
    public String smallSign() {
        return this == GON ? " mgon" : "\"";
    }

    /**
     * Reads an angle as files hold it.
     *
     * @return radians in [0, 2 pi); exactly one turn reads as 0
     * @throws IllegalArgumentException saying what is wrong, where the text is no angle of this unit
     */
    public double read(String text) {
        if (text.length() > LONGEST_TEXT) {
            throw new IllegalArgumentException("expected " + expected);
        }
        double usual = PlainDigits.amount(text, this == DMS);
        if (usual >= 0 && usual <= turn.doubleValue()) {
            return onCircle(usual);
        }
        BigDecimal amount = this == DMS ? degrees(text) : decimal(text);
        if (amount.compareTo(turn) > 0) {
            throw new IllegalArgumentException("expected " + expected);
        }
        return onCircle(amount.doubleValue());
    }

    private double onCircle(double amount) {
        return Angles.onCircle(amount / turn.doubleValue() * Angles.TURN);
    }

    private BigDecimal decimal(String text) {
        if (!DECIMAL_TEXT.matcher(text).matches()) {
            throw new IllegalArgumentException("expected " + expected);
        }
        return new BigDecimal(text);
    }

    private BigDecimal degrees(String text) {
        Matcher parts = DMS_TEXT.matcher(text);
        if (!parts.matches()) {
            throw new IllegalArgumentException("expected " + expected);
        }
        int minutes = Integer.parseInt(parts.group(2));
        BigDecimal seconds = new BigDecimal(parts.group(3));
        if (minutes > 59) {
            throw new IllegalArgumentException("minutes " + minutes + ": they end at 59");
        }
        if (seconds.compareTo(BigDecimal.valueOf(60)) >= 0) {
            throw new IllegalArgumentException("seconds " + parts.group(3) + ": they end below 60");
        }
        BigDecimal allSeconds = new BigDecimal(parts.group(1))
                .multiply(BigDecimal.valueOf(3600))
                .add(BigDecimal.valueOf(60L * minutes))
                .add(seconds);
        return allSeconds.divide(BigDecimal.valueOf(3600), 20, RoundingMode.HALF_EVEN);
    }

    /**
     * Writes a direction as files hold it, carried exactly at 60.
     *
     * @param radians any direction; it is brought onto the circle
     * @param decimals of a second for {@link #DMS}, of the unit otherwise, 0 to 12
     */
    public String write(double radians, int decimals) {
        double amount = Angles.onCircle(radians) / Angles.TURN * turn.doubleValue();
        if (this != DMS) {
            BigDecimal rounded = Halves.rounded(amount, decimals, RoundingMode.HALF_EVEN);
            return (rounded.compareTo(turn) >= 0 ? rounded.subtract(turn) : rounded).toPlainString();
        }
        // In last digits: tenths of a second with one decimal.
        long minute = BigDecimal.valueOf(60).scaleByPowerOfTen(decimals).longValueExact();
        long all = Halves.rounded(amount * 3600, decimals, RoundingMode.HALF_EVEN)
                        .unscaledValue()
                        .longValueExact()
                % (MINUTES_OF_A_TURN * minute);
        long minutes = all / minute;
        String seconds = BigDecimal.valueOf(all % minute, decimals).toPlainString();
        return minutes / 60
                + (minutes % 60 < 10 ? "-0" : "-")
                + minutes % 60
                + (all % minute < minute / 6 ? "-0" : "-")
                + seconds;
    }

    /** The unit of that key; empty where there is none. */
    public static java.util.Optional<AngleUnit> of(String key) {
        for (AngleUnit unit : values()) {
            if (unit.key.equals(key)) {
                return java.util.Optional.of(unit);
            }
        }
        return java.util.Optional.empty();
    }
}
