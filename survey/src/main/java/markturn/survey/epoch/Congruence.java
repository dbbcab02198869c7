package markturn.survey.epoch;

import java.util.List;
import markturn.survey.chance.Distributions;

/**
 * Whether marks kept their figure between two epochs: {@code dᵀ Q⁺ d}, which chance distributes as chi-square.
 *
 * @param marks that were tested among themselves
 * @param statistic the sum of squares
 * @param degrees of freedom: as many coordinates as they have, less what a datum takes
 * @param shares by mark, how much the sum loses when it is let go
 */
record Congruence(List<String> marks, double statistic, int degrees, double[] shares) {
    /** Whether chance exceeds that in fewer than so many cases. */
    boolean fails(double probability) {
        return degrees > 0 && statistic > Distributions.chiSquare(degrees, probability);
    }

    /** The mark with the largest share. */
    String suspect() {
        int largest = 0;
        for (int i = 1; i < shares.length; i++) {
            if (shares[i] > shares[largest]) {
                largest = i;
            }
        }
        return marks.get(largest);
    }

    /** Whether the rest would keep its figure without that mark. */
    boolean holdsWithout(String mark, int dimension, double probability) {
        int left = degrees - dimension;
        return left > 0 && statistic - shares[marks.indexOf(mark)] <= Distributions.chiSquare(left, probability);
    }
}
