package markturn.survey.propagate;

import java.util.Set;

/**
 * An instrument in its place, and what its errors are made of.
 *
 * @param setup name of its setup
 * @param plan north and east of the instrument (metres), and the orientation (radians)
 * @param axis elevation of its axis, metres
 * @param shared true names of the targets that stood there for more than one purpose: their centring and height are one source each
 */
public record Pose(String setup, Lineage plan, Lineage axis, Set<String> shared) {
    /** How far a target stands north and east of its mark, in units of its deviation: the same over all sets of a setup. */
    public Lineage centring(String mark) {
        return Lineage.source(setup + " centring of " + mark, 2, new double[] {1, 0, 0, 1});
    }

    /** How much too high a target's height is booked, in units of its deviation: the same over all sets of a setup. */
    public Lineage height(String mark) {
        return Lineage.source(setup + " height of " + mark, 1, new double[] {1});
    }

    /** Variance of the orientation, square radians. */
    public double orientationVariance(Propagation propagation) {
        double[] variance = propagation.variance(plan);
        return variance.length == 0 ? 0 : variance[8];
    }
}
