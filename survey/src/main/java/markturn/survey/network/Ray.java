package markturn.survey.network;

import java.util.OptionalDouble;

/**
 * What was measured from a setup to a mark; true names. Radians and metres.
 *
 * @param setup its place in the job's list
 * @param centring of the instrument over its mark, one sigma; 0 where it stands free
 * @param directionStdDev one sigma without the instrument's centring, where there is a direction; so for the others
 * @param heightStdDev of the instrument's taped height, the same for all sights of the setup
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
        double centring,
        OptionalDouble direction,
        double directionStdDev,
        OptionalDouble distance,
        double distanceStdDev,
        boolean scaled,
        OptionalDouble rise,
        double riseStdDev,
        double heightStdDev) {
    /** Whether it helps to find a place in the plan. */
    int inPlan() {
        return (direction.isPresent() ? 1 : 0) + (distance.isPresent() ? 1 : 0);
    }
}
