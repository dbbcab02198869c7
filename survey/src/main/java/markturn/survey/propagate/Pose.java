package markturn.survey.propagate;

/**
 * An instrument in its place, and what its errors are made of.
 *
 * @param setup name of its setup
 * @param plan north and east of the instrument (metres), and the orientation (radians)
 * @param axis elevation of its axis, metres
 * @param targets what stood around it for more than one purpose
 */
public record Pose(String setup, Lineage plan, Lineage axis, Targets targets) {
    /** Variance of the orientation, square radians. */
    public double orientationVariance(Propagation propagation) {
        double[] variance = propagation.variance(plan);
        return variance.length == 0 ? 0 : variance[8];
    }
}
