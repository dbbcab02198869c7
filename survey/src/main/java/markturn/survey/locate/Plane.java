package markturn.survey.locate;

/**
 * Turns, crossings and areas in the plane. A place is {northing, easting}, metres; clockwise, as azimuths run, is positive. The tests hold
 * them against a general-purpose geometry library, which the core itself does without.
 */
final class Plane {
    private Plane() {}

    /** Twice the signed area of a triangle, square metres: above 0 where the third place lies to the right of the line; 0 on it. */
    static double turn(double[] from, double[] to, double[] third) {
        return (to[0] - from[0]) * (third[1] - from[1]) - (to[1] - from[1]) * (third[0] - from[0]);
    }

    /** The signed area of a closed figure, square metres: above 0 where it runs clockwise; 0 for fewer than three corners. */
    static double area(double[][] corners) {
        double twice = 0;
        for (int i = 1; i + 1 < corners.length; i++) {
            twice += turn(corners[0], corners[i], corners[i + 1]);
        }
        return twice / 2;
    }

    /** Whether two lines cross between their ends; lines that only touch do not. */
    static boolean cross(double[] from, double[] to, double[] otherFrom, double[] otherTo) {
        return turn(from, to, otherFrom) * turn(from, to, otherTo) < 0
                && turn(otherFrom, otherTo, from) * turn(otherFrom, otherTo, to) < 0;
    }
}
