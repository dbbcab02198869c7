package markturn.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Dissection;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.adjust.SparseNormalEquations;
import org.ejml.data.DMatrixSparseCSC;
import org.ejml.data.DMatrixSparseTriplet;
import org.ejml.ops.DConvertMatrixStruct;
import org.ejml.sparse.csc.CommonOps_DSCC;
import org.ejml.sparse.csc.decomposition.chol.CholeskyUpLooking_DSCC;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposer;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.ConvergenceChecker;
import org.hipparchus.optim.nonlinear.vector.leastsquares.GaussNewtonOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresProblem.Evaluation;
import org.hipparchus.util.Pair;

/**
 * How long the whole adjustment of a network takes: ordering, steps, residuals, redundancy of every observation, ellipse of every mark.
 * Beside it, in the same run, what the machine would need for the multiplications and additions of its steps and its inverse (a packed
 * dense product in one thread), one bare sparse factorisation of the same matrix in the same ordering (EJML), and a general optimiser
 * (Hipparchus) where it can follow. The heap is what the virtual machine was given: a network that does not fit ends the run.
 */
public final class NetworkBench {
    private static final int[] SIDES = {10, 20, 40, 80, 160};
    private static final int OPTIMISER_UP_TO = 400;
    private static final int STEPS = 2;
    private static final int SEED = 20;

    private NetworkBench() {}

    /** No arguments. */
    public static void main(String[] arguments) throws RankDefect, NotConverging {
        for (int i = 0; i < 12; i++) {
            whole(new StrewnNetwork(20, i));
            factorisation(new StrewnNetwork(20, i));
        }
        System.out.printf(
                Locale.ROOT,
                "networks, 6 directions and 3 distances from each station; heap of at most %.1f GB%n",
                Runtime.getRuntime().maxMemory() / 1e9);
        double rate = PackedProduct.rate();
        System.out.printf(Locale.ROOT, "  a packed dense product does %.1f GFLOP/s in one thread%n", rate / 1e9);
        System.out.println(
                "  stations   unknowns   whole, ms   peak, MB   machine, ms   ratio   factor, ms   ratio   optimiser, ms   ratio");
        double[] times = new double[SIDES.length];
        for (int i = 0; i < SIDES.length; i++) {
            StrewnNetwork network = new StrewnNetwork(SIDES[i], SEED + i);
            int rounds = network.stations() > 10_000 ? 1 : network.stations() > 1_000 ? 3 : 9;
            double peak = peak(network);
            double[] own = new double[rounds];
            double[] bare = new double[rounds];
            for (int round = 0; round < rounds; round++) {
                own[round] = whole(network);
                bare[round] = factorisation(network);
            }
            times[i] = median(own);
            Dissection order = network.dissection();
            double machine = 1e3 * (STEPS * order.operationsOfFactor() + order.operationsOfInverse()) / rate;
            System.out.printf(
                    Locale.ROOT,
                    "  %8d   %8d   %9.1f   %8.0f   %11.1f   %5.2f   %10.1f   %5.2f",
                    network.stations(),
                    network.start().length,
                    times[i],
                    peak,
                    machine,
                    times[i] / machine,
                    median(bare),
                    times[i] / median(bare));
            if (network.stations() <= OPTIMISER_UP_TO) {
                double slow = optimiser(network);
                System.out.printf(Locale.ROOT, "   %13.0f   %5.0f", slow, slow / times[i]);
            }
            System.out.println();
        }
        System.out.printf(
                Locale.ROOT,
                "  growth from 1 600 to 25 600 stations: exponent %.2f%n",
                Math.log(times[4] / times[2]) / Math.log(16));
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    /** Milliseconds. */
    private static double whole(StrewnNetwork network) throws RankDefect, NotConverging {
        long began = System.nanoTime();
        Dissection dissection = network.dissection();
        Adjustment adjustment = LeastSquares.adjust(
                network.observations(), network.start(), () -> new SparseNormalEquations(dissection));
        double sum = 0;
        for (int i = 0; i < network.observations().size(); i++) {
            double redundancy = adjustment.redundancyBlock(i)[0][0];
            sum += Math.abs(adjustment.residual(i)) / (adjustment.stdDev(i) * Math.sqrt(redundancy));
        }
        double largest = 0;
        for (int i = 0; i < network.stations(); i++) {
            NumberedPlace place = network.place(i);
            if (place.north() != NumberedPlace.HELD) {
                double nn = adjustment.covariance(place.north(), place.north());
                double ee = adjustment.covariance(place.east(), place.east());
                double ne = adjustment.covariance(place.north(), place.east());
                largest = Math.max(largest, (nn + ee) / 2 + Math.hypot((nn - ee) / 2, ne));
            }
        }
        double time = (System.nanoTime() - began) / 1e6;
        double mean = sum / network.observations().size();
        // A standardised residual's mean size is the square root of 2/π: were it not, something would have been left
        // out.
        if (Math.abs(mean - Math.sqrt(2 / Math.PI)) > 0.1 || !(largest > 0)) {
            throw new IllegalStateException("the adjustment is wrong: mean standardised residual " + mean);
        }
        return time;
    }

    private static double peak(StrewnNetwork network) throws RankDefect, NotConverging {
        List<MemoryPoolMXBean> pools = ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP)
                .toList();
        System.gc();
        pools.forEach(MemoryPoolMXBean::resetPeakUsage);
        whole(network);
        return pools.stream().mapToDouble(pool -> pool.getPeakUsage().getUsed()).sum() / 1e6;
    }

    /** The time of one bare factorisation, milliseconds; the matrix stands ready. */
    private static double factorisation(StrewnNetwork network) {
        int[] position = network.dissection().positions();
        DMatrixSparseTriplet triplets =
                new DMatrixSparseTriplet(position.length, position.length, 40 * position.length);
        for (Observed observed : network.observations()) {
            int[] unknowns = new int[8];
            double[] partials = new double[8];
            int[] count = new int[1];
            observed.partials(network.start(), (unknown, derivative) -> {
                unknowns[count[0]] = position[unknown];
                partials[count[0]++] = derivative / observed.stdDev();
            });
            for (int i = 0; i < count[0]; i++) {
                for (int j = 0; j < count[0]; j++) {
                    triplets.addItem(unknowns[i], unknowns[j], partials[i] * partials[j]);
                }
            }
        }
        DMatrixSparseCSC matrix = DConvertMatrixStruct.convert(triplets, (DMatrixSparseCSC) null);
        matrix.sortIndices(null);
        CommonOps_DSCC.duplicatesAdd(matrix, null);
        CholeskyUpLooking_DSCC cholesky = new CholeskyUpLooking_DSCC();
        long began = System.nanoTime();
        if (!cholesky.decompose(matrix)) {
            throw new IllegalStateException("the library could not factor the matrix");
        }
        return (System.nanoTime() - began) / 1e6;
    }

    /** One run of the optimiser from the same start, milliseconds: as many steps as ours takes, so that the run ends. */
    private static double optimiser(StrewnNetwork network) {
        List<Observed> observations = network.observations();
        int rows = observations.size();
        int columns = network.start().length;
        int[] steps = new int[1];
        ConvergenceChecker<Evaluation> still = (step, before, after) -> ++steps[0] == STEPS;
        long began = System.nanoTime();
        new GaussNewtonOptimizer(new CholeskyDecomposer(0, 0), true)
                .optimize(new LeastSquaresBuilder()
                        .start(network.start())
                        .target(new double[rows])
                        .model(point -> model(observations, point, rows, columns))
                        .maxEvaluations(10)
                        .maxIterations(10)
                        .checker(still)
                        .build());
        return (System.nanoTime() - began) / 1e6;
    }

    private static Pair<RealVector, RealMatrix> model(
            List<Observed> observations, RealVector point, int rows, int columns) {
        double[] values = point.toArray();
        RealVector residuals = new ArrayRealVector(rows);
        RealMatrix jacobian = new Array2DRowRealMatrix(rows, columns);
        for (int i = 0; i < rows; i++) {
            int row = i;
            Observed observed = observations.get(i);
            residuals.setEntry(i, -observed.misclosure(values) / observed.stdDev());
            observed.partials(
                    values, (unknown, derivative) -> jacobian.setEntry(row, unknown, derivative / observed.stdDev()));
        }
        return new Pair<>(residuals, jacobian);
    }
}
