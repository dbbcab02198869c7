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
    private final double[][] factor;
    private double[][] inverse;

    public SparseNormalEquations(Dissection dissection) {
        this.dissection = dissection;
        this.rows = new ObservationRows(dissection.parts().size());
        this.right = new double[dissection.size()];
        this.scale = new double[dissection.size()];
        this.factor = new double[dissection.parts().size()][];
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
        double[][] left = new double[factor.length][];
        for (Dissection.Part part : dissection.parts()) {
            eliminate(part, left);
        }
        return inPlace(right.clone());
    }

    /** What the parts under it left, and its own observations, make its front; what it leaves goes to the part above. */
    private void eliminate(Dissection.Part part, double[][] left) throws RankDefect {
        int size = part.size();
        int pivots = part.pivots();
        double[] front = new double[size * size];
        assemble(part, front);
        for (Dissection.Part under : part.under()) {
            collect(part, front, under, left[under.number()]);
            left[under.number()] = null;
        }
        factor[part.number()] = DenseRows.eliminate(front, size, pivots);
        int outside = size - pivots;
        double[] rest = new double[outside * outside];
        for (int i = 0; i < outside; i++) {
            System.arraycopy(front, (pivots + i) * size + pivots, rest, i * outside, i + 1);
        }
        left[part.number()] = rest;
    }

    private void assemble(Dissection.Part part, double[] front) {
        int size = part.size();
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
                    if (index[j] <= index[i]) {
                        front[index[i] * size + index[j]] += value[i] * value[j];
                    }
                }
            }
        }
    }

    private static void collect(Dissection.Part part, double[] front, Dissection.Part under, double[] left) {
        int size = part.size();
        int[] index = indices(part, under);
        for (int i = 0; i < index.length; i++) {
            int from = i * index.length;
            int to = index[i] * size;
            for (int j = 0; j <= i; j++) {
                front[to + index[j]] += left[from + j];
            }
        }
    }

    /** Where the boundary of a part lies in the front of the part above it; ascending as it is. */
    private static int[] indices(Dissection.Part part, Dissection.Part under) {
        int[] index = new int[under.boundary().length];
        for (int i = 0; i < index.length; i++) {
            index[i] = part.indexOf(under.boundary()[i]);
        }
        return index;
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
        double[] r = factor[part.number()];
        int size = part.size();
        for (int i = 0; i < part.pivots(); i++) {
            double value = x[part.first() + i] / r[i * size + i];
            x[part.first() + i] = value;
            if (value != 0) {
                for (int j = i + 1; j < part.pivots(); j++) {
                    x[part.first() + j] -= r[i * size + j] * value;
                }
                for (int j = part.pivots(); j < size; j++) {
                    x[part.boundary()[j - part.pivots()]] -= r[i * size + j] * value;
                }
            }
        }
    }

    private void backward(Dissection.Part part, double[] x) {
        double[] r = factor[part.number()];
        int size = part.size();
        for (int i = part.pivots() - 1; i >= 0; i--) {
            double value = x[part.first() + i];
            for (int j = i + 1; j < part.pivots(); j++) {
                value -= r[i * size + j] * x[part.first() + j];
            }
            for (int j = part.pivots(); j < size; j++) {
                value -= r[i * size + j] * x[part.boundary()[j - part.pivots()]];
            }
            x[part.first() + i] = value / r[i * size + i];
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
    public double[] inverseTimesEach(int[][] unknowns, double[][] values, int size) {
        int many = unknowns.length;
        double[] side = new double[size * many];
        for (int k = 0; k < many; k++) {
            for (int i = 0; i < unknowns[k].length; i++) {
                int position = dissection.position(unknowns[k][i]);
                side[position * many + k] = values[k][i] * scale[position];
            }
        }
        dissection.parts().forEach(part -> forwardEach(part, side, many));
        for (int number = factor.length - 1; number >= 0; number--) {
            backwardEach(dissection.parts().get(number), side, many);
        }
        double[] answers = new double[size * many];
        for (int unknown = 0; unknown < size; unknown++) {
            int position = dissection.position(unknown);
            double by = scale[position];
            int from = position * many;
            int to = unknown * many;
            for (int k = 0; k < many; k++) {
                answers[to + k] = side[from + k] * by;
            }
        }
        return answers;
    }

    /** What nothing touched stays as it is: a fault here and there leaves most parts alone. */
    private void forwardEach(Dissection.Part part, double[] x, int many) {
        int pivots = part.pivots();
        if (isNothing(x, part.first() * many, pivots * many)) {
            return;
        }
        double[] local = gathered(part, x, many);
        DenseRows.forward(factor[part.number()], part.size(), pivots, local, many);
        System.arraycopy(local, 0, x, part.first() * many, pivots * many);
        for (int j = pivots; j < part.size(); j++) {
            System.arraycopy(local, j * many, x, part.boundary()[j - pivots] * many, many);
        }
    }

    private void backwardEach(Dissection.Part part, double[] x, int many) {
        int pivots = part.pivots();
        double[] local = gathered(part, x, many);
        double[] r = factor[part.number()];
        double[] outside = Arrays.copyOfRange(local, pivots * many, local.length);
        DenseRows.takeProduct(local, many, r, part.size(), pivots, outside, pivots, part.size() - pivots, many);
        DenseRows.backward(r, part.size(), pivots, local, many);
        System.arraycopy(local, 0, x, part.first() * many, pivots * many);
    }

    /** The rows of a part's front, those of its pivots first. */
    private static double[] gathered(Dissection.Part part, double[] x, int many) {
        int pivots = part.pivots();
        double[] local = new double[part.size() * many];
        System.arraycopy(x, part.first() * many, local, 0, pivots * many);
        for (int j = pivots; j < part.size(); j++) {
            System.arraycopy(x, part.boundary()[j - pivots] * many, local, j * many, many);
        }
        return local;
    }

    private static boolean isNothing(double[] x, int from, int count) {
        for (int i = from; i < from + count; i++) {
            if (x[i] != 0) {
                return false;
            }
        }
        return true;
    }

    /**
     * The inverse's element, where two unknowns meet in a front.
     *
     * @throws IllegalArgumentException for two unknowns that no elimination brought together: {@link #inverseTimes} has those
     */
    @Override
    public double cofactor(int row, int column) {
        if (inverse == null) {
            inverse = new double[factor.length][];
            for (int number = factor.length - 1; number >= 0; number--) {
                Dissection.Part part = dissection.parts().get(number);
                if (part.boundary().length == 0) {
                    invert(part, new double[0]);
                }
            }
        }
        int one = Math.min(dissection.position(row), dissection.position(column));
        int other = Math.max(dissection.position(row), dissection.position(column));
        Dissection.Part part = dissection.partAt(one);
        int index = part.indexOf(other);
        if (index < 0) {
            throw new IllegalArgumentException("unknowns " + row + " and " + column + " never meet");
        }
        return inverse[part.number()][(one - part.first()) * part.size() + index] * scale[one] * scale[other];
    }

    /**
     * With the factor's rows {@code R = [R₁ R₂]} of a part and the inverse of its boundary: {@code Z₁₂ = −R₁⁻¹ R₂ Z₂₂} and
     * {@code Z₁₁ = R₁⁻¹ R₁⁻ᵀ − Z₁₂ (R₁⁻¹ R₂)ᵀ}. Then the parts under it, with what of this is their boundary.
     */
    private void invert(Dissection.Part part, double[] ofBoundary) {
        int pivots = part.pivots();
        int size = part.size();
        int outside = size - pivots;
        double[] r = factor[part.number()];
        double[] solved = new double[pivots * size];
        for (int i = 0; i < pivots; i++) {
            System.arraycopy(r, i * size + pivots, solved, i * size, outside);
            solved[i * size + outside + i] = 1;
        }
        DenseRows.backward(r, size, pivots, solved, size);
        double[] whole = new double[size * size];
        double[] rightPart = new double[pivots * outside];
        DenseRows.takeProduct(rightPart, outside, solved, size, 0, ofBoundary, pivots, outside, outside);
        for (int i = 0; i < pivots; i++) {
            System.arraycopy(rightPart, i * outside, whole, i * size + pivots, outside);
            for (int j = 0; j < outside; j++) {
                whole[(pivots + j) * size + i] = rightPart[i * outside + j];
            }
        }
        double[] across = new double[outside * pivots];
        for (int i = 0; i < pivots; i++) {
            for (int j = 0; j < outside; j++) {
                across[j * pivots + i] = solved[i * size + j];
            }
            for (int j = 0; j <= i; j++) {
                double own = dot(solved, i * size + outside, solved, j * size + outside, i, pivots);
                whole[i * size + j] = own;
                whole[j * size + i] = own;
            }
        }
        DenseRows.takeProduct(whole, size, rightPart, outside, 0, across, pivots, outside, pivots);
        for (int i = 0; i < outside; i++) {
            System.arraycopy(ofBoundary, i * outside, whole, (pivots + i) * size + pivots, outside);
        }
        inverse[part.number()] = Arrays.copyOf(whole, pivots * size);
        for (Dissection.Part under : part.under()) {
            int[] index = indices(part, under);
            double[] its = new double[index.length * index.length];
            for (int i = 0; i < index.length; i++) {
                for (int j = 0; j < index.length; j++) {
                    its[i * index.length + j] = whole[index[i] * size + index[j]];
                }
            }
            invert(under, its);
        }
    }

    private static double dot(double[] one, int first, double[] other, int second, int begin, int end) {
        double even = 0;
        double odd = 0;
        int i = begin;
        for (; i + 1 < end; i += 2) {
            even += one[first + i] * other[second + i];
            odd += one[first + i + 1] * other[second + i + 1];
        }
        return i < end ? even + odd + one[first + i] * other[second + i] : even + odd;
    }
}
