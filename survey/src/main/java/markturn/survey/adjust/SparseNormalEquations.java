package markturn.survey.adjust;

import java.util.Arrays;

/**
 * Normal equations for many unknowns of which each meets few others: a multifrontal Cholesky factor along the tree of a
 * {@link Dissection} (I. S. Duff and J. K. Reid, 1983). Each part has a small dense matrix of its own, its front. Of the inverse only the
 * elements are computed that lie in a front, from the top of the tree down (K. Takahashi and others, 1973, in blocks); every element that
 * an observation or a mark's ellipse needs is among them. The equations are scaled to a unit diagonal, so that metres and radians count
 * alike when it is asked whether they are determined.
 */
public final class SparseNormalEquations implements NormalEquations {
    private final Dissection dissection;
    private final ObservationRows rows;
    private final double[] right;
    private final double[] scale;
    /** Of each part the factor's rows, as long as its front. */
    private final double[][][] factor;

    private PartOfInverse inverse;

    public SparseNormalEquations(Dissection dissection) {
        this.dissection = dissection;
        this.rows = new ObservationRows(dissection.parts().size());
        this.right = new double[dissection.size()];
        this.scale = new double[dissection.size()];
        this.factor = new double[dissection.parts().size()][][];
    }

    @Override
    public void add(int[] unknowns, double[] partials, int count, double weight, double misclosure) {
        int[] positions = new int[count];
        int earliest = Integer.MAX_VALUE;
        for (int i = 0; i < count; i++) {
            positions[i] = dissection.position(unknowns[i]);
            right[positions[i]] += weight * partials[i] * misclosure;
            scale[positions[i]] += weight * partials[i] * partials[i];
            earliest = Math.min(earliest, positions[i]);
        }
        if (count > 0) {
            rows.add(dissection.partAt(earliest).number(), positions, partials, count, Math.sqrt(weight));
        }
    }

    @Override
    public double[] solve() throws RankDefect {
        for (int i = 0; i < scale.length; i++) {
            if (!(scale[i] > 0) || Double.isInfinite(scale[i])) {
                throw new RankDefect("an unknown is not observed");
            }
            scale[i] = 1 / Math.sqrt(scale[i]);
        }
        double[][][] left = new double[factor.length][][];
        RankDefect[] undetermined = new RankDefect[factor.length];
        AtOnce.each(dissection.tops(), true, top -> eliminateAll(top, left, undetermined));
        for (RankDefect defect : undetermined) {
            if (defect != null) {
                throw defect;
            }
        }
        return inPlace(right.clone());
    }

    /** Those under a part first, which know nothing of each other. */
    private void eliminateAll(Dissection.Part part, double[][][] left, RankDefect[] undetermined) {
        AtOnce.each(part.under(), part.isLarge(), under -> eliminateAll(under, left, undetermined));
        for (Dissection.Part under : part.under()) {
            if (undetermined[under.number()] != null) {
                undetermined[part.number()] = undetermined[under.number()];
                return;
            }
        }
        try {
            eliminate(part, left);
        } catch (RankDefect defect) {
            undetermined[part.number()] = defect;
        }
    }

    /** What the parts under it left, and its own observations, make its front; what it leaves goes to the part above. */
    private void eliminate(Dissection.Part part, double[][][] left) throws RankDefect {
        int size = part.size();
        int pivots = part.pivots();
        double[][] front = new double[size][size];
        assemble(part, front);
        for (Dissection.Part under : part.under()) {
            collect(part, front, under, left[under.number()]);
            left[under.number()] = null;
        }
        DenseRows.eliminate(front, pivots);
        factor[part.number()] = Arrays.copyOf(front, pivots);
        left[part.number()] = Arrays.copyOfRange(front, pivots, size);
    }

    private void assemble(Dissection.Part part, double[][] front) {
        for (int row = rows.last[part.number()]; row >= 0; row = rows.before[row]) {
            int begin = rows.begin[row];
            int end = rows.begin[row + 1];
            int[] index = new int[end - begin];
            double[] value = new double[end - begin];
            for (int i = begin; i < end; i++) {
                index[i - begin] = part.indexOf(rows.unknowns[i]);
                value[i - begin] = rows.values[i] * scale[rows.unknowns[i]];
            }
            for (int i = 0; i < index.length; i++) {
                for (int j = 0; j < index.length; j++) {
                    if (index[j] >= index[i]) {
                        front[index[i]][index[j]] += value[i] * value[j];
                    }
                }
            }
        }
    }

    /** A row that was left has the columns of the front that it was left from. */
    private static void collect(Dissection.Part part, double[][] front, Dissection.Part under, double[][] left) {
        int[] index = indices(part, under);
        for (int i = 0; i < index.length; i++) {
            double[] from = left[i];
            double[] to = front[index[i]];
            for (int j = i; j < index.length; j++) {
                to[index[j]] += from[under.pivots() + j];
            }
        }
    }

    /** Where the boundary of a part lies in the front of the part above it; ascending as it is. */
    private static int[] indices(Dissection.Part part, Dissection.Part under) {
        return part.indicesOf(under.boundary());
    }

    @Override
    public double[] inverseTimes(double[] vector) {
        double[] ordered = new double[vector.length];
        for (int unknown = 0; unknown < vector.length; unknown++) {
            ordered[dissection.position(unknown)] = vector[unknown];
        }
        return inPlace(ordered);
    }

    private double[] inPlace(double[] ordered) {
        for (int i = 0; i < ordered.length; i++) {
            ordered[i] *= scale[i];
        }
        dissection.parts().forEach(part -> forward(part, ordered));
        for (int number = factor.length - 1; number >= 0; number--) {
            backward(dissection.parts().get(number), ordered);
        }
        double[] answer = new double[ordered.length];
        for (int unknown = 0; unknown < answer.length; unknown++) {
            int position = dissection.position(unknown);
            answer[unknown] = ordered[position] * scale[position];
        }
        return answer;
    }

    private void forward(Dissection.Part part, double[] x) {
        double[][] r = factor[part.number()];
        int[] boundary = part.boundary();
        int pivots = part.pivots();
        for (int i = 0; i < pivots; i++) {
            double[] row = r[i];
            double value = x[part.first() + i] / row[i];
            x[part.first() + i] = value;
            if (value != 0) {
                for (int j = i + 1; j < pivots; j++) {
                    x[part.first() + j] -= row[j] * value;
                }
                for (int j = 0; j < boundary.length; j++) {
                    x[boundary[j]] -= row[pivots + j] * value;
                }
            }
        }
    }

    private void backward(Dissection.Part part, double[] x) {
        double[][] r = factor[part.number()];
        int[] boundary = part.boundary();
        int pivots = part.pivots();
        for (int i = pivots - 1; i >= 0; i--) {
            double[] row = r[i];
            double value = x[part.first() + i];
            for (int j = i + 1; j < pivots; j++) {
                value -= row[j] * x[part.first() + j];
            }
            for (int j = 0; j < boundary.length; j++) {
                value -= row[pivots + j] * x[boundary[j]];
            }
            x[part.first() + i] = value / row[i];
        }
    }

    @Override
    public boolean meet(int row, int column) {
        int one = Math.min(dissection.position(row), dissection.position(column));
        int other = Math.max(dissection.position(row), dissection.position(column));
        return dissection.partAt(one).indexOf(other) >= 0;
    }

    /** Side by side, so that the factor, which is far larger than any vector, is read once for all of them. */
    @Override
    public double[][] inverseTimesEach(int[][] unknowns, double[][] values, int size) {
        int many = unknowns.length;
        double[][] side = new double[size][many];
        for (int k = 0; k < many; k++) {
            for (int i = 0; i < unknowns[k].length; i++) {
                int position = dissection.position(unknowns[k][i]);
                side[position][k] = values[k][i] * scale[position];
            }
        }
        dissection.parts().forEach(part -> forwardEach(part, side, many));
        for (int number = factor.length - 1; number >= 0; number--) {
            backwardEach(dissection.parts().get(number), side, many);
        }
        double[][] answers = new double[size][];
        for (int unknown = 0; unknown < size; unknown++) {
            int position = dissection.position(unknown);
            answers[unknown] = side[position];
            for (int k = 0; k < many; k++) {
                answers[unknown][k] *= scale[position];
            }
        }
        return answers;
    }

    /** What nothing touched stays as it is: a fault here and there leaves most parts alone. */
    private void forwardEach(Dissection.Part part, double[][] side, int many) {
        double[][] local = local(part, side);
        for (int i = 0; i < part.pivots(); i++) {
            if (!isNothing(local[i])) {
                DenseRows.forward(factor[part.number()], local, many);
                return;
            }
        }
    }

    private void backwardEach(Dissection.Part part, double[][] side, int many) {
        int pivots = part.pivots();
        double[][] local = local(part, side);
        double[][] own = Arrays.copyOf(local, pivots);
        double[][] outside = Arrays.copyOfRange(local, pivots, local.length);
        DenseRows.takeProduct(own, factor[part.number()], pivots, outside, many);
        DenseRows.backward(factor[part.number()], pivots, own, many);
    }

    /** The rows of a part's front, those of its pivots first: the very ones. */
    private static double[][] local(Dissection.Part part, double[][] side) {
        double[][] local = new double[part.size()][];
        for (int index = 0; index < local.length; index++) {
            local[index] = side[part.positionOf(index)];
        }
        return local;
    }

    private static boolean isNothing(double[] row) {
        for (double value : row) {
            if (value != 0) {
                return false;
            }
        }
        return true;
    }

    Dissection dissection() {
        return dissection;
    }

    /** What an unknown is multiplied by in the equations as they were solved. */
    double scale(int position) {
        return scale[position];
    }

    /** The factor's rows of a part, each as long as its front. */
    double[][] factor(Dissection.Part part) {
        return factor[part.number()];
    }

    @Override
    public boolean standTogether(int[] unknowns) {
        int earliest = Integer.MAX_VALUE;
        for (int unknown : unknowns) {
            earliest = Math.min(earliest, dissection.position(unknown));
        }
        for (int unknown : unknowns) {
            if (dissection.partAt(earliest).indexOf(dissection.position(unknown)) < 0) {
                return false;
            }
        }
        return true;
    }

    /** The inverse of the scaled equations between all unknowns of a front, row by row: what a right side in it does there. */
    double[][] inverseOfFront(Dissection.Part part) {
        return inverse().ofFront(part);
    }

    /** What the unknowns of a part do as those of its boundary move: {@code −R₁⁻¹ R₂}, a column for each of the boundary's. */
    double[][] ways(Dissection.Part part) {
        int pivots = part.pivots();
        int outside = part.boundary().length;
        double[][] solved = DenseRows.columns(factor[part.number()], pivots, outside);
        DenseRows.backward(factor[part.number()], pivots, solved, outside);
        for (double[] row : solved) {
            for (int i = 0; i < outside; i++) {
                row[i] = -row[i];
            }
        }
        return solved;
    }

    /**
     * The inverse's element, where two unknowns meet in a front.
     *
     * @throws IllegalArgumentException for two unknowns that no elimination brought together: {@link #inverseTimes} has those
     */
    @Override
    public double cofactor(int row, int column) {
        int one = Math.min(dissection.position(row), dissection.position(column));
        int other = Math.max(dissection.position(row), dissection.position(column));
        double element = inverse().element(one, other);
        if (Double.isNaN(element)) {
            throw new IllegalArgumentException("unknowns " + row + " and " + column + " never meet");
        }
        return element * scale[one] * scale[other];
    }

    private PartOfInverse inverse() {
        if (inverse == null) {
            inverse = new PartOfInverse(dissection, factor);
        }
        return inverse;
    }
}
