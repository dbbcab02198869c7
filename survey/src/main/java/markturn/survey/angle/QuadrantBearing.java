package markturn.survey.angle;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An azimuth as many write it: from north or south, whichever is nearer, towards east or west, {@code N 45-30-20 E}. The four quadrants of the
 * textbook.
 */
public final class QuadrantBearing {
    private static final Pattern WRITTEN = Pattern.compile("\\s*([NSns])\\s*(\\S.*?)\\s*([EWew])\\s*", Pattern.DOTALL);

    private QuadrantBearing() {}

    /** Whether a text is meant as a bearing by quadrant. */
    public static boolean isMeant(String typed) {
        return WRITTEN.matcher(typed).matches();
    }

    /**
     * Reads a bearing.
     *
     * @param typed north or south, an angle of the unit from 0 to a quarter turn, east or west
     * @return the azimuth; empty where the text is none
     * @throws TypedAngle.Fault where the angle between the letters cannot be read, or is more than a quarter turn
     */
    public static Optional<TypedAngle> read(String typed, AngleUnit unit) {
        Matcher parts = WRITTEN.matcher(typed);
        if (!parts.matches()) {
            return Optional.empty();
        }
        double angle;
        try {
            angle = TypedAngle.read(parts.group(2), unit, false).radians();
        } catch (TypedAngle.Fault wrong) {
            throw new TypedAngle.Fault(wrong.getMessage(), wrong.from() + parts.start(2), wrong.to() + parts.start(2));
        }
        if (angle > Math.PI / 2 + 1e-12) {
            throw new TypedAngle.Fault(
                    "Beyond a quarter turn: expected an angle from north or south of at most "
                            + unit.write(Math.PI / 2, 0),
                    parts.start(2),
                    parts.end(2));
        }
        boolean south = parts.group(1).toUpperCase(Locale.ROOT).equals("S");
        boolean west = parts.group(3).toUpperCase(Locale.ROOT).equals("W");
        double from = south ? Math.PI : 0;
        double azimuth = Angles.onCircle(south == west ? from + angle : from - angle);
        return Optional.of(new TypedAngle(azimuth, unit.write(azimuth, 6)));
    }

    /**
     * Writes an azimuth, its angle in a unit.
     *
     * @param azimuth radians from grid north, clockwise
     * @param decimals as for {@link AngleUnit#write}
     */
    public static String write(double azimuth, AngleUnit unit, int decimals) {
        return write(azimuth, angle -> unit.write(angle, decimals));
    }

    /**
     * Writes an azimuth.
     *
     * @param azimuth radians, any turn
     * @param angle writes an angle from 0 to a quarter turn, radians
     */
    public static String write(double azimuth, java.util.function.DoubleFunction<String> angle) {
        double turned = Angles.onCircle(azimuth);
        boolean south = turned > Math.PI / 2 && turned < 3 * Math.PI / 2;
        boolean west = turned > Math.PI;
        double from = Math.abs(Angles.shortWay(turned - (south ? Math.PI : 0)));
        return "%s %s %s".formatted(south ? "S" : "N", angle.apply(from), west ? "W" : "E");
    }
}
