package markturn.survey.finding.words;

import java.util.List;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.angle.Halves;
import markturn.survey.angle.QuadrantBearing;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;

/** Numbers in sentences, in the units of the job. */
public record Words(Units units) {
    private static final double SMALLEST_ROUND = 10;
    /** From here on an angle is written in whole units, radians. */
    private static final double LARGE = Math.toRadians(0.1);

    /** A small angle (radians): {@code 12"} or {@code 3.7 mgon}. */
    public String small(double radians) {
        double amount = Math.abs(radians) / units.angle().small();
        return number(amount, amount < SMALLEST_ROUND ? 1 : 0) + units.angle().smallSign();
    }

    /** An angle's size (radians): a large one reads better in the job's own unit than in seconds. */
    public String size(double radians) {
        return Math.abs(radians) > LARGE ? angle(Math.abs(radians)) : small(radians);
    }

    /** A difference beyond this is no measure of anything, metres. */
    private static final double BEYOND_REASON = 1e6;

    /** A difference of lengths (metres): {@code 12 mm}, or in feet to the thousandth. */
    public String difference(double metres) {
        if (!(Math.abs(metres) < BEYOND_REASON)) {
            return "more than " + number(BEYOND_REASON / units.length().metres(), 0) + " "
                    + units.length().sign();
        }
        if (units.length() == LengthUnit.METRE) {
            double millimetres = Math.abs(metres) * 1000;
            return millimetres >= 10000
                    ? number(millimetres / 1000, 2) + " m"
                    : number(millimetres, millimetres < SMALLEST_ROUND ? 1 : 0) + " mm";
        }
        return number(Math.abs(metres) / units.length().metres(), 3) + " "
                + units.length().sign();
    }

    /** How far something lies from what is known (metres): {@code 12 mm longer}; {@code as known} where no digit that is shown says otherwise. */
    public String besideKnown(double metres, String more, String less) {
        return difference(metres).equals(difference(0))
                ? "as known"
                : difference(metres) + " " + (metres > 0 ? more : less);
    }

    /** A line's length (metres) for orientation only: {@code 142 m}. */
    public String line(double metres) {
        if (!(Math.abs(metres) < BEYOND_REASON)) {
            return difference(metres);
        }
        double amount = metres / units.length().metres();
        return number(amount, amount < SMALLEST_ROUND ? 1 : 0) + " "
                + units.length().sign();
    }

    /** A height (metres) to the millimetre, or to the thousandth of a foot. */
    public String height(double metres) {
        return number(metres / units.length().metres(), 3) + " "
                + units.length().sign();
    }

    /** An angle of any size (radians), with its sign dropped: {@code 180°10'02"}, or in the job's decimal unit. */
    public String angle(double radians) {
        if (units.angle() != AngleUnit.DMS) {
            return units.angle().write(radians, 4) + (units.angle() == AngleUnit.GON ? " gon" : "°");
        }
        String[] parts = AngleUnit.DMS.write(Angles.onCircle(radians), 0).split("-");
        return parts[0] + "°" + parts[1] + "'" + parts[2] + "\"";
    }

    /** An azimuth (radians) to turn to, to the degree: {@code azimuth about 233°}, or {@code bearing about S 53° W}. */
    public String about(double azimuth) {
        return units.bearings() == Units.Bearings.QUADRANT
                ? "bearing about " + QuadrantBearing.write(azimuth, angle -> Math.round(Math.toDegrees(angle)) + "°")
                : "azimuth about %d°".formatted(Math.round(Math.toDegrees(azimuth)) % 360);
    }

    /** The point of the compass that an azimuth (radians) lies nearest to. */
    public static String compass(double azimuth) {
        String[] points = {"north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"};
        return points[(int) Math.round(Angles.onCircle(azimuth) / (Math.PI / 4)) % 8];
    }

    /** How often something happens, in words.
     *
     * @param probability above 0, at most 1
     */
    public static String often(double probability) {
        if (probability > 0.5) {
            return Math.round(10 * probability) + " of 10";
        }
        return "1 of " + Math.round(1 / probability);
    }

    /** A finite number with that many decimals and a point; what rounds to zero has no sign. */
    public static String number(double amount, int decimals) {
        return Halves.written(amount, decimals);
    }

    /** An azimuth to the whole degree. */
    public static String degrees(double azimuth) {
        return "" + Math.round(Math.toDegrees(azimuth)) % 360;
    }

    /** Names as they are counted up in a sentence. */
    public static String names(List<String> targets) {
        return targets.size() < 2
                ? String.join("", targets)
                : String.join(", ", targets.subList(0, targets.size() - 1)) + " and " + targets.get(targets.size() - 1);
    }
}
