package markturn.survey.adjust;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The fronts of solved equations as vectors go through them: eliminated on their way up, answered in a front, followed on their way down. */
final class Fronts {
    /** So many numbers are no burden. */
    private static final int KEPT = 4_000_000;

    private static final int NONE = -1;

    private final SparseNormalEquations normal;
    private final List<Dissection.Part> parts;
    private final int[] above;
    /** Of each part but those on top: where its boundary stands in the front above it. */
    private final int[][] fromAbove;

    private final boolean areKept;
    private final Inverse[] inverses;
    private final double[][][] ways;

    Fronts(SparseNormalEquations normal) {
        this.normal = normal;
        this.parts = normal.dissection().parts();
        this.above = new int[parts.size()];
        this.fromAbove = new int[parts.size()][];
        this.inverses = new Inverse[parts.size()];
        this.ways = new double[parts.size()][][];
        this.areKept = parts.stream()
                        .mapToLong(part -> (long) part.size() * part.size())
                        .sum()
                < KEPT;
        Arrays.fill(above, NONE);
        parts.forEach(part -> part.under().forEach(under -> {
            above[under.number()] = part.number();
            fromAbove[under.number()] = part.indicesOf(under.boundary());
        }));
    }

    /** The parts, each after those under it. */
    List<Dissection.Part> parts() {
        return parts;
    }

    boolean isOnTop(int part) {
        return above[part] == NONE;
    }

    /** The number of the part above one that is not on top. */
    int above(int part) {
        return above[part];
    }

    /** Where the boundary of a part that is not on top stands in the front above it. */
    int[] fromAbove(Dissection.Part part) {
        return fromAbove[part.number()];
    }

    /** A vector's elements as they are left in a front, and the square of what was taken of it. */
    record Eliminated(double[][] left, double taken) {}

    /** Takes the pivots of a part from vectors that have elements at some indices of its front. */
    Eliminated eliminated(Dissection.Part part, int[] indices, double[][] sides) {
        double[][] left = new double[sides.length][];
        double taken = 0;
        for (int way = 0; way < sides.length; way++) {
            double[] row = new double[part.size()];
            for (int i = 0; i < indices.length; i++) {
                row[indices[i]] = sides[way][i];
            }
            taken += DenseVectors.forward(normal.factor(part), row);
            left[way] = Arrays.copyOfRange(row, part.pivots(), part.size());
        }
        return new Eliminated(left, taken);
    }

    /** The inverse of a front. */
    static final class Inverse {
        private final double[][] rows;
        /** Of each part under it, by its number: the columns where the boundary of that stands. */
        private final Map<Integer, double[][]> columns = new HashMap<>();

        private Inverse(double[][] rows) {
            this.rows = rows;
        }

        /** What right sides are answered with in the front, that have elements at some indices of it. */
        double[][] answers(int[] indices, double[][] sides) {
            double[][] some = new double[indices.length][];
            for (int i = 0; i < some.length; i++) {
                some[i] = rows[indices[i]];
            }
            return DenseVectors.sums(some, sides);
        }

        /** The same of right sides that come from a part under it. */
        double[][] answers(Dissection.Part under, double[][] sides) {
            double[][] answers = new double[sides.length][rows.length];
            DenseVectors.times(columns.get(under.number()), sides, answers);
            return answers;
        }
    }

    /** The inverse of a front; made anew each time it is asked for where all of them together were a burden. */
    Inverse inverse(Dissection.Part part) {
        Inverse inverse = inverses[part.number()];
        if (inverse == null) {
            inverse = new Inverse(normal.inverseOfFront(part));
            for (Dissection.Part under : part.under()) {
                inverse.columns.put(under.number(), DenseRows.columns(inverse.rows, fromAbove(under)));
            }
            inverses[part.number()] = areKept ? inverse : null;
        }
        return inverse;
    }

    /** The answers in a part's front, of those in the front above it. */
    double[][] followed(Dissection.Part part, double[][] answersAbove) {
        int[] indices = fromAbove[part.number()];
        double[][] ofBoundary = new double[answersAbove.length][indices.length];
        for (int way = 0; way < ofBoundary.length; way++) {
            for (int i = 0; i < indices.length; i++) {
                ofBoundary[way][i] = answersAbove[way][indices[i]];
            }
        }
        double[][] answers = new double[answersAbove.length][part.size()];
        DenseVectors.times(ways(part), ofBoundary, answers);
        for (int way = 0; way < answers.length; way++) {
            System.arraycopy(ofBoundary[way], 0, answers[way], part.pivots(), indices.length);
        }
        return answers;
    }

    private double[][] ways(Dissection.Part part) {
        if (ways[part.number()] == null) {
            ways[part.number()] = normal.ways(part);
        }
        return ways[part.number()];
    }
}
