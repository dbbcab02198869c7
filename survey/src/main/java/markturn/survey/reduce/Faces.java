package markturn.survey.reduce;

import java.util.List;
import markturn.survey.angle.Angles;

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

    /** The zenith angle of a pair, {@code (zL + 360° − zR)/2}. */
    public static double zenith(double left, double right) {
        return (left + Angles.TURN - right) / 2;
    }

    /** The vertical index of a pair, {@code (zL + zR − 360°)/2}. */
    public static double index(double left, double right) {
        return (left + right - Angles.TURN) / 2;
    }
}
