package markturn.survey.adjust;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * Normal equations for few unknowns. They are scaled to a unit diagonal before the Cholesky factor is taken, so that metres and radians
 * count alike when it is asked whether they are determined.
 */
public final class DenseNormalEquations implements NormalEquations {
    /** Below this the scaled equations are as good as singular: half the digits of a double are gone. */
    private static final double SINGULAR = 1e-13;

    private final int size;
    private final DMatrixRMaj matrix;
    private final DMatrixRMaj right;
    private final double[] scale;
    private DMatrixRMaj inverse;

    public DenseNormalEquations(int size) {
        this.size = size;
        this.matrix = new DMatrixRMaj(size, size);
        this.right = new DMatrixRMaj(size, 1);
        this.scale = new double[size];
    }

    @Override
    public void add(int[] unknowns, double[] partials, int count, double weight, double misclosure) {
        for (int i = 0; i < count; i++) {
            right.add(unknowns[i], 0, weight * partials[i] * misclosure);
            for (int j = 0; j < count; j++) {
                matrix.add(unknowns[i], unknowns[j], weight * partials[i] * partials[j]);
            }
        }
    }

    @Override
    public double[] solve() throws RankDefect {
        for (int i = 0; i < size; i++) {
            double diagonal = matrix.get(i, i);
            if (!(diagonal > 0) || Double.isInfinite(diagonal)) {
                throw new RankDefect("unknown " + i + " is not observed");
            }
            scale[i] = 1 / Math.sqrt(diagonal);
        }
        DMatrixRMaj scaled = new DMatrixRMaj(size, size);
        for (int i = 0; i < size; i++) {
            for (int j = 0; j < size; j++) {
                scaled.set(i, j, matrix.get(i, j) * scale[i] * scale[j]);
            }
        }
        LinearSolverDense<DMatrixRMaj> cholesky = LinearSolverFactory_DDRM.chol(size);
        if (!cholesky.setA(scaled.copy())) {
            throw new RankDefect("the unknowns are not determined");
        }
        inverse = new DMatrixRMaj(size, size);
        cholesky.invert(inverse);
        if (1 / (CommonOps_DDRM.elementMaxAbs(inverse) * size) < SINGULAR) {
            throw new RankDefect("the unknowns are hardly determined");
        }
        for (int i = 0; i < size; i++) {
            for (int j = 0; j < size; j++) {
                inverse.set(i, j, inverse.get(i, j) * scale[i] * scale[j]);
            }
        }
        return inverseTimes(right.getData());
    }

    @Override
    public double[] inverseTimes(double[] vector) {
        DMatrixRMaj product = new DMatrixRMaj(size, 1);
        CommonOps_DDRM.mult(inverse, DMatrixRMaj.wrap(size, 1, vector), product);
        return product.getData();
    }

    @Override
    public double cofactor(int row, int column) {
        return inverse.get(row, column);
    }
}
