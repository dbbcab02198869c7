package markturn.survey.station;

import java.util.Arrays;
import java.util.OptionalDouble;
import markturn.survey.result.Observation;

/**
 * What the test of one mark can and cannot show: its observations together, after W. Baarda. With {@code ṽ = v/σ} and the mark's block R̃ of
 * the redundancy matrix the statistic is {@code T = ṽᵀ R̃⁻¹ ṽ}; a shift of the mark shows from noncentrality 4.43² on (two degrees of
 * freedom; 4.13² for one), α 0.1 %, power 80 %.
 */
final class Reliability {
    /** A block whose smallest eigenvalue is below this is singular: what it says of that direction is rounding. */
    private static final double SINGULAR = 1e-6;

    private final ResectionSolution solution;
    private final Sight sight;
    private final int[] numbers;
    private final double[][] block;
    private final double[][] effects = new double[3][];

    Reliability(ResectionSolution solution, int number) {
        this.solution = solution;
        this.sight = solution.sights().get(number);
        this.numbers = solution.observationsOf(number);
        this.block = solution.adjustment().redundancyBlock(numbers);
    }

    private double stdDev(int i) {
        return solution.stdDevOf(numbers[i]);
    }

    private double[] normalised() {
        return Arrays.stream(numbers)
                .mapToDouble(n -> solution.adjustment().residual(n) / solution.stdDevOf(n))
                .toArray();
    }

    private boolean isSingular() {
        return numbers.length == 0 || (numbers.length == 1 ? block[0][0] : Symmetric.smallest(block)) < SINGULAR;
    }

    /** The test of the mark; empty where its block is singular. */
    OptionalDouble statistic() {
        if (isSingular()) {
            return OptionalDouble.empty();
        }
        double[] v = normalised();
        double[] solved = Symmetric.solve(block, v);
        double sum = 0;
        for (int i = 0; i < v.length; i++) {
            sum += v[i] * solved[i];
        }
        return OptionalDouble.of(sum);
    }

    /** The smallest redundancy number of its observations; empty where it has none. */
    OptionalDouble redundancy() {
        double smallest = Double.MAX_VALUE;
        for (int i = 0; i < numbers.length; i++) {
            smallest = Math.min(smallest, block[i][i]);
        }
        return numbers.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(smallest);
    }

    /** What a shift of the mark by a metre north or east does to its observations, each over its standard deviation. */
    private double[][] shifts() {
        double north = sight.northing() - solution.north();
        double east = sight.easting() - solution.east();
        double length = Math.hypot(north, east);
        double[][] rows = new double[numbers.length][];
        for (int i = 0; i < numbers.length; i++) {
            boolean direction = solution.rows().get(numbers[i]).kind() == Observation.Kind.DIRECTION;
            rows[i] = direction
                    ? new double[] {-east / (length * length) / stdDev(i), north / (length * length) / stdDev(i)}
                    : new double[] {
                        north / length / solution.scale() / stdDev(i), east / length / solution.scale() / stdDev(i)
                    };
        }
        return rows;
    }

    /** {@code Bᵀ R̃ B}: how strongly a shift of the mark shows, by its components. */
    private double[][] visibility() {
        double[][] b = shifts();
        double[][] m = new double[2][2];
        for (int i = 0; i < numbers.length; i++) {
            for (int j = 0; j < numbers.length; j++) {
                for (int p = 0; p < 2; p++) {
                    for (int q = 0; q < 2; q++) {
                        m[p][q] += b[i][p] * block[i][j] * b[j][q];
                    }
                }
            }
        }
        return m;
    }

    /** The smallest shift that shows, in the mark's worst direction, metres; empty where some shift never shows. */
    OptionalDouble detectable() {
        if (isSingular()) {
            return OptionalDouble.empty();
        }
        if (numbers.length == 1) {
            double shift = Math.hypot(shifts()[0][0], shifts()[0][1]);
            return OptionalDouble.of(Observation.DETECTABLE_FACTOR / Math.sqrt(block[0][0]) / shift);
        }
        return OptionalDouble.of(Observation.DETECTABLE_IN_PLANE / Math.sqrt(Symmetric.smallest(visibility())));
    }

    /** What a shift of the mark by a metre does to an unknown. */
    private double[] effect(int unknown) {
        if (effects[unknown] == null) {
            effects[unknown] = computedEffect(unknown);
        }
        return effects[unknown];
    }

    private double[] computedEffect(int unknown) {
        double[][] b = shifts();
        double[] effect = new double[2];
        for (int i = 0; i < numbers.length; i++) {
            for (int p = 0; p < 2; p++) {
                effect[p] += solution.adjustment().effect(numbers[i], b[i][p] * stdDev(i), unknown);
            }
        }
        return effect;
    }

    /** How far the station moves for a metre of shift across the line; empty without observations. */
    OptionalDouble sideways() {
        if (numbers.length == 0) {
            return OptionalDouble.empty();
        }
        double north = sight.northing() - solution.north();
        double east = sight.easting() - solution.east();
        double length = Math.hypot(north, east);
        double[] n = effect(Resection.NORTHING);
        double[] e = effect(Resection.EASTING);
        return OptionalDouble.of(
                Math.hypot((n[0] * -east + n[1] * north) / length, (e[0] * -east + e[1] * north) / length));
    }

    /** How far an undetected shift of this mark can move the station, or with {@code ahead} metres a point that far away. */
    OptionalDouble hidden(double ahead) {
        if (numbers.length < 2 || isSingular()) {
            return OptionalDouble.empty();
        }
        double[][] visible = visibility();
        double largest = 0;
        double[] n = effect(Resection.NORTHING);
        double[] e = effect(Resection.EASTING);
        double[] o = effect(Resection.ORIENTATION);
        int directions = ahead == 0 ? 1 : 36;
        for (int step = 0; step < directions; step++) {
            double azimuth = 2 * Math.PI * step / directions;
            double[][] moved = new double[2][2];
            double[] north = new double[2];
            double[] east = new double[2];
            for (int p = 0; p < 2; p++) {
                north[p] = n[p] - ahead * Math.sin(azimuth) * o[p];
                east[p] = e[p] + ahead * Math.cos(azimuth) * o[p];
            }
            for (int p = 0; p < 2; p++) {
                for (int q = 0; q < 2; q++) {
                    moved[p][q] = north[p] * north[q] + east[p] * east[q];
                }
            }
            largest = Math.max(largest, Symmetric.largestRatio(moved, visible));
        }
        return OptionalDouble.of(Observation.DETECTABLE_IN_PLANE * Math.sqrt(largest));
    }

    /**
     * How far another mark's test explains what is seen if this one is at fault: the correlation of the two tests along the error that
     * this mark's residuals suggest, 0 to 1; 1 where either cannot be tested.
     */
    double correlation(Reliability other) {
        if (isSingular() || other.isSingular()) {
            return 1;
        }
        double[] error = Symmetric.solve(block, normalised());
        int[] both = new int[numbers.length + other.numbers.length];
        System.arraycopy(numbers, 0, both, 0, numbers.length);
        System.arraycopy(other.numbers, 0, both, numbers.length, other.numbers.length);
        double[][] joint = solution.adjustment().redundancyBlock(both);
        double own = 0;
        double[] seen = new double[other.numbers.length];
        for (int i = 0; i < numbers.length; i++) {
            for (int j = 0; j < numbers.length; j++) {
                own += error[i] * block[i][j] * error[j];
            }
            for (int j = 0; j < seen.length; j++) {
                seen[j] += joint[numbers.length + j][i] * error[i];
            }
        }
        double[] solved = Symmetric.solve(other.block, seen);
        double explained = 0;
        for (int j = 0; j < seen.length; j++) {
            explained += seen[j] * solved[j];
        }
        return own <= 0 ? 1 : Math.sqrt(Math.min(1, explained / own));
    }
}
