package markturn.survey.reduce;

import java.util.List;
import markturn.survey.angle.Angles;
import markturn.survey.job.Reading;

/**
 * The two faces of one line. Source: textbook practice of plane surveying (reduction of a face-left, face-right pair); radians.
 */
public final class Faces {
    private Faces() {}

    /** A face-right circle brought to face left, in [0, 2 pi). */
    public static double rightAsLeft(double right) {
        return Angles.onCircle(right - Math.PI);
    }

    /** The mean direction of a pair, {@code mean(L, R ± 180°)}, in [0, 2 pi). */
    public static double direction(double left, double right) {
        return Angles.mean(List.of(left, rightAsLeft(right)));
    }

    /** Collimation as the pair shows it, {@code (L − (R ± 180°))/2}, within a quarter turn. It holds c/sin z and i·cot z together. */
    public static double collimation(double left, double right) {
        return Angles.shortWay(left - rightAsLeft(right)) / 2;
    }

    /** Index and pointing take a plumb sight past the end of the circle by less than this, radians. */
    private static final double PAST_THE_END = Math.toRadians(1);

    /**
     * A zenith circle as its face continues it: straight up, face right may show 0°00'03" for 360°00'03", and face left 359°59'58" for
     * -2".
     */
    public static double zenithAsRead(Reading.Face face, double shown) {
        if (face == Reading.Face.RIGHT && shown < PAST_THE_END) {
            return shown + Angles.TURN;
        }
        return face == Reading.Face.LEFT && shown > Angles.TURN - PAST_THE_END ? shown - Angles.TURN : shown;
    }

    /** Whether a zenith circle cannot have been read on that face: beyond plumb by more than index and pointing. */
    public static boolean contradicts(Reading.Face face, double shown) {
        double read = zenithAsRead(face, shown);
        return face == Reading.Face.LEFT ? read > Math.PI + PAST_THE_END : read < Math.PI - PAST_THE_END;
    }

    /** The zenith angle of a pair, {@code (zL + 360° − zR)/2}. */
    public static double zenith(double left, double right) {
        return (left + Angles.TURN - right) / 2;
    }

    /** The vertical index of a pair, {@code (zL + zR − 360°)/2}. */
    public static double index(double left, double right) {
        return (left + right - Angles.TURN) / 2;
    }
}
