package markturn.survey.adjust;

/**
 * What of the inverse of solved equations lies in their fronts, from the top of the tree down (K. Takahashi and others, 1973, in blocks): of
 * each part the rows of its pivots, as long as its front.
 */
final class PartOfInverse {
    private final Dissection dissection;
    private final double[][][] factor;
    private final double[][][] rows;

    /** @param factor of each part the factor's rows, as long as its front */
    PartOfInverse(Dissection dissection, double[][][] factor) {
        this.dissection = dissection;
        this.factor = factor;
        this.rows = new double[factor.length][][];
        AtOnce.each(dissection.tops(), true, top -> invert(top, new double[0][]));
    }

    /** The element of two positions that meet in a front, the earlier one first; NaN of two that do not. */
    double element(int one, int other) {
        Dissection.Part part = dissection.partAt(one);
        int index = part.indexOf(other);
        return index < 0 ? Double.NaN : rows[part.number()][one - part.first()][index];
    }

    /** The inverse of the scaled equations between all unknowns of a front, row by row: what a right side in it does there. */
    double[][] ofFront(Dissection.Part part) {
        int size = part.size();
        int pivots = part.pivots();
        double[][] whole = new double[size][];
        for (int i = 0; i < pivots; i++) {
            whole[i] = rows[part.number()][i];
        }
        int[] boundary = part.boundary();
        for (int i = pivots; i < size; i++) {
            whole[i] = new double[size];
        }
        for (int j = 0; j < pivots; j++) {
            double[] row = whole[j];
            for (int i = pivots; i < size; i++) {
                whole[i][j] = row[i];
            }
        }
        for (int i = 0; i < boundary.length; i++) {
            // The unknowns of a boundary stand together in the front of the one that is eliminated first.
            Dissection.Part its = dissection.partAt(boundary[i]);
            double[] row = rows[its.number()][boundary[i] - its.first()];
            int behind = 0;
            for (int j = i; j < boundary.length; j++) {
                int index = boundary[j] - its.first();
                if (index >= its.pivots()) {
                    while (its.boundary()[behind] < boundary[j]) {
                        behind++;
                    }
                    index = its.pivots() + behind;
                }
                whole[pivots + i][pivots + j] = row[index];
                whole[pivots + j][pivots + i] = row[index];
            }
        }
        return whole;
    }

    /**
     * With the factor's rows {@code R = [R₁ R₂]} of a part and the inverse of its boundary: {@code Z₁₂ = −R₁⁻¹ R₂ Z₂₂} and
     * {@code Z₁₁ = R₁⁻¹ R₁⁻ᵀ − Z₁₂ (R₁⁻¹ R₂)ᵀ}. Then the parts under it, with what of this is their boundary.
     */
    private void invert(Dissection.Part part, double[][] ofBoundary) {
        int pivots = part.pivots();
        int size = part.size();
        int outside = size - pivots;
        double[][] r = factor[part.number()];
        double[][] solved = new double[pivots][size];
        for (int i = 0; i < pivots; i++) {
            System.arraycopy(r[i], pivots, solved[i], 0, outside);
            solved[i][outside + i] = 1;
        }
        DenseRows.backward(r, pivots, solved, size);
        double[][] across = new double[pivots][outside];
        DenseRows.takeProduct(across, solved, 0, ofBoundary, outside);
        double[][] own = new double[pivots][pivots];
        for (int i = 0; i < pivots; i++) {
            for (int j = 0; j <= i; j++) {
                own[i][j] = dot(solved[i], solved[j], outside + i, size);
                own[j][i] = own[i][j];
            }
        }
        DenseRows.takeProduct(own, across, 0, DenseRows.transposed(solved, 0, outside), pivots);
        double[][] inFront = solved;
        for (int i = 0; i < pivots; i++) {
            System.arraycopy(own[i], 0, inFront[i], 0, pivots);
            System.arraycopy(across[i], 0, inFront[i], pivots, outside);
        }
        rows[part.number()] = inFront;
        AtOnce.each(part.under(), part.isLarge(), under -> {
            int[] index = part.indicesOf(under.boundary());
            double[][] its = new double[index.length][index.length];
            for (int i = 0; i < index.length; i++) {
                double[] row = index[i] < pivots ? inFront[index[i]] : null;
                for (int j = i; j < index.length; j++) {
                    its[i][j] = row != null ? row[index[j]] : ofBoundary[index[i] - pivots][index[j] - pivots];
                    its[j][i] = its[i][j];
                }
            }
            invert(under, its);
        });
    }

    private static double dot(double[] one, double[] other, int begin, int end) {
        double even = 0;
        double odd = 0;
        int i = begin;
        for (; i + 1 < end; i += 2) {
            even += one[i] * other[i];
            odd += one[i + 1] * other[i + 1];
        }
        return i < end ? even + odd + one[i] * other[i] : even + odd;
    }
}
