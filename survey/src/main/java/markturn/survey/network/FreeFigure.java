package markturn.survey.network;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Marks as sights alone give them, on a datum of no meaning: what lies between them is known, not where they lie.
 *
 * @param marks true names
 * @param dimension values of a mark: 2 in plan, northing before easting; 1 in elevation
 * @param values metres, mark after mark
 * @param covariance of all values, square metres; of a rank less by what the datum held
 */
public record FreeFigure(List<String> marks, int dimension, double[] values, double[][] covariance) {
    /** The same without some marks: what lies between the others stays as it is known. Empty where fewer than two are left. */
    public Optional<FreeFigure> without(Set<String> some) {
        int[] kept = IntStream.range(0, marks.size())
                .filter(i -> !some.contains(marks.get(i)))
                .toArray();
        if (kept.length < 2) {
            return Optional.empty();
        }
        int n = dimension * kept.length;
        double[] left = new double[n];
        double[][] block = new double[n][n];
        for (int i = 0; i < n; i++) {
            int row = dimension * kept[i / dimension] + i % dimension;
            left[i] = values[row];
            for (int j = 0; j < n; j++) {
                block[i][j] = covariance[row][dimension * kept[j / dimension] + j % dimension];
            }
        }
        return Optional.of(
                new FreeFigure(IntStream.of(kept).mapToObj(marks::get).toList(), dimension, left, block));
    }
}
