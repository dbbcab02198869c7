package markturn.survey.result;

import markturn.survey.result.SingleFault.What;

/**
 * One thing that, if it were wrong, would let a traverse close.
 *
 * @param size how much it would be wrong, as computed: taken off the reading it closes the figure; metres, or radians for an angle
 * @param stdDev one sigma of that
 * @param explains the share of the misfit that goes with it, 0 to 1
 * @param left the variance factor that would be left
 * @param enough whether what would be left is no more than chance leaves
 * @param likeness how much it looks like the best suspect in this figure, 0 to 1: the correlation of their tests
 */
public record Suspect(
        What what, double size, double stdDev, double explains, double left, boolean enough, double likeness) {
    /** From here on two suspects cannot be told apart. */
    public static final double ALIKE = 0.9;
}
