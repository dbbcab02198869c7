package markturn.survey.network;

import java.util.OptionalDouble;
import markturn.survey.reduce.Weights;

/**
 * What was measured from a setup to a mark; true names. Radians and metres.
 *
 * @param setup its place in the job's list
 * @param directionStdDev one sigma, where there is a direction; so for the others
 * @param scaled whether the setup's distances have a scale of their own
 */
record Ray(
        int setup,
        String setupName,
        String from,
        String to,
        String instrument,
        String reflector,
        boolean backsight,
        OptionalDouble direction,
        double directionStdDev,
        OptionalDouble distance,
        double distanceStdDev,
        boolean scaled,
        OptionalDouble rise,
        double riseStdDev) {
    /** Whether it helps to find a place in the plan. */
    int inPlan() {
        return (direction.isPresent() ? 1 : 0) + (distance.isPresent() ? 1 : 0);
    }

    static double riseStdDev(Weights weights, double ofRay) {
        double height = weights.instrument().heightStdDev();
        return Math.sqrt(height * height + ofRay);
    }
}
