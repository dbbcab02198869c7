package markturn.simulator;

import markturn.survey.job.Earth;

/** The bent line between two places: the reduction of a slope (practice, 4), turned round. */
final class LineOfSight {
    private static final int SOLVE_STEPS = 8;

    private LineOfSight() {}

    /** Horizontal and vertical parts of the slope whose reduction gives this ground distance and rise, metres. */
    static double[] parts(Earth earth, double horizontal, double rise) {
        if (!earth.curvature()) {
            return new double[] {horizontal, rise};
        }
        double across = horizontal;
        double up = rise;
        for (int step = 0; step < SOLVE_STEPS; step++) {
            up = rise - (1 - earth.refraction()) * across * across / (2 * earth.radius());
            across = horizontal + (1 - earth.refraction() / 2) * up * across / earth.radius();
        }
        return new double[] {across, up};
    }
}
