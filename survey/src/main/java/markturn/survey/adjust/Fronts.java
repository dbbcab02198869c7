package markturn.survey.adjust;

import java.util.List;

/**
 * The fronts of solved equations as right sides rise through them. What of {@code R⁻ᵀ b} lies in the parts from one up to the top stands in
 * one array, that of the top first: what two have in common, which meet at some part, is then the beginning of both.
 */
final class Fronts {
    private static final int NONE = -1;

    private final SparseNormalEquations normal;
    private final List<Dissection.Part> parts;
    /** The number of the part above each; {@link #NONE} on top. */
    private final int[] above;
    /** Of each part but those on top: where its boundary stands in the front above it. */
    private final int[][] fromAbove;
    /** How many parts stand above each. */
    private final int[] depth;
    /** How many unknowns the parts above each have. */
    private final int[] begin;

    Fronts(SparseNormalEquations normal) {
        this.normal = normal;
        this.parts = normal.dissection().parts();
        this.above = new int[parts.size()];
        this.fromAbove = new int[parts.size()][];
        this.depth = new int[parts.size()];
        this.begin = new int[parts.size()];
        for (int number = parts.size() - 1; number >= 0; number--) {
            Dissection.Part part = parts.get(number);
            if (fromAbove[number] == null) {
                above[number] = NONE;
            }
            for (Dissection.Part under : part.under()) {
                above[under.number()] = number;
                fromAbove[under.number()] = part.indicesOf(under.boundary());
                depth[under.number()] = depth[number] + 1;
                begin[under.number()] = end(part);
            }
        }
    }

    /** The parts, each after those under it. */
    List<Dissection.Part> parts() {
        return parts;
    }

    boolean isOnTop(Dissection.Part part) {
        return above[part.number()] == NONE;
    }

    /** The part above one that is not on top. */
    Dissection.Part above(Dissection.Part part) {
        return parts.get(above[part.number()]);
    }

    /** How many parts stand above it. */
    int depth(Dissection.Part part) {
        return depth[part.number()];
    }

    /** Where a part begins in what has risen through it. */
    int begin(Dissection.Part part) {
        return begin[part.number()];
    }

    /** Where it ends, and with it all that two have in common that meet in it. */
    int end(Dissection.Part part) {
        return begin[part.number()] + part.pivots();
    }

    /** The front of a part, with right sides at some indices of it. */
    static double[][] at(int[] indices, double[][] sides, Dissection.Part part) {
        double[][] rows = new double[sides.length][part.size()];
        for (int way = 0; way < sides.length; way++) {
            for (int i = 0; i < indices.length; i++) {
                rows[way][indices[i]] = sides[way][i];
            }
        }
        return rows;
    }

    /** Takes the pivots of a part from right sides: in their place stands what of {@code R⁻ᵀ b} lies there, behind them what is left. */
    void eliminate(Dissection.Part part, double[][] rows) {
        for (double[] row : rows) {
            DenseVectors.forward(normal.factor(part), row);
        }
    }

    /** The front of the part above one, with what was left behind its pivots. */
    double[][] handedOn(Dissection.Part part, double[][] rows) {
        int[] indices = fromAbove[part.number()];
        double[][] next = new double[rows.length][above(part).size()];
        for (int way = 0; way < rows.length; way++) {
            for (int i = 0; i < indices.length; i++) {
                next[way][indices[i]] = rows[way][part.pivots() + i];
            }
        }
        return next;
    }
}
