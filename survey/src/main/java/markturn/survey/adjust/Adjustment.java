package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * An adjusted problem: unknowns, residuals, and what each observation was worth. A priori throughout (variance factor 1). Textbook least
 * squares; reliability after W. Baarda.
 */
public final class Adjustment {
    private final List<? extends Observed> observations;
    private final double[] unknowns;
    /** Where the equations were made: statistics and equations belong to one point. */
    private final double[] linearised;

    private final NormalEquations normal;

    Adjustment(List<? extends Observed> observations, double[] unknowns, double[] linearised, NormalEquations normal) {
        this.observations = List.copyOf(observations);
        this.unknowns = unknowns;
        this.linearised = linearised;
        this.normal = normal;
    }

    /** The adjusted value of an unknown. */
    public double unknown(int number) {
        return unknowns[number];
    }

    /** All adjusted values. */
    public double[] unknowns() {
        return unknowns.clone();
    }

    /** Covariance of two unknowns. */
    public double covariance(int one, int other) {
        if (normal.meet(one, other)) {
            return normal.cofactor(one, other);
        }
        return covariances(one)[other];
    }

    /** Covariance of an unknown with each of them. */
    public double[] covariances(int one) {
        double[] unit = new double[unknowns.length];
        unit[one] = 1;
        return normal.inverseTimes(unit);
    }

    /** How many observations more than unknowns. */
    public int redundancy() {
        return observations.size() - unknowns.length;
    }

    /** Adjusted minus observed. */
    public double residual(int observation) {
        return -observations.get(observation).misclosure(unknowns);
    }

    /** One sigma a priori of an observation. */
    public double stdDev(int observation) {
        return observations.get(observation).stdDev();
    }

    /** The weighted sum of squared residuals. */
    public double squares() {
        double sum = 0;
        for (int i = 0; i < observations.size(); i++) {
            sum += Math.pow(residual(i) / observations.get(i).stdDev(), 2);
        }
        return sum;
    }

    /**
     * The redundancy matrix of some observations, each divided by its standard deviation: {@code I − A Q Aᵀ}, symmetric. Its diagonal
     * holds their redundancy numbers. Of many unknowns (sparse equations) only for one observation, or for some that share their marks.
     */
    public double[][] redundancyBlock(int... some) {
        RowOfPartials[] rows = new RowOfPartials[some.length];
        for (int i = 0; i < some.length; i++) {
            rows[i] = new RowOfPartials();
            rows[i].of(observations.get(some[i]), linearised);
        }
        double[][] block = new double[some.length][some.length];
        for (int i = 0; i < some.length; i++) {
            for (int j = i; j < some.length; j++) {
                double value = (i == j ? 1 : 0) - product(rows[i], rows[j]) / (stdDev(some[i]) * stdDev(some[j]));
                block[i][j] = value;
                block[j][i] = value;
            }
        }
        return block;
    }

    private double product(RowOfPartials one, RowOfPartials other) {
        double sum = 0;
        for (int i = 0; i < one.count(); i++) {
            for (int j = 0; j < other.count(); j++) {
                sum += one.partials()[i]
                        * normal.cofactor(one.unknowns()[i], other.unknowns()[j])
                        * other.partials()[j];
            }
        }
        return sum;
    }

    /** What an error of one observation, undetected, does to an unknown: {@code Q Aᵀ P} times the error. */
    public double effect(int observation, double error, int unknown) {
        Observed observed = observations.get(observation);
        double[] sum = new double[1];
        observed.partials(linearised, (other, derivative) -> sum[0] += normal.cofactor(unknown, other) * derivative);
        return sum[0] * error / (observed.stdDev() * observed.stdDev());
    }

    /**
     * What a fault adds to the right side of the normal equations.
     *
     * @param ways of each way it may go
     */
    public RightSides rightSides(List<Shares> ways) {
        List<RowOfPartials[]> rows = new ArrayList<>();
        for (Shares way : ways) {
            boolean asBefore = !rows.isEmpty() && way.isOfTheSame(ways.get(0));
            rows.add(asBefore ? rows.get(0) : rows(way));
        }
        int[] unknowns = unknowns(rows);
        double[][] values = new double[ways.size()][unknowns.length];
        for (int way = 0; way < values.length; way++) {
            Shares shares = ways.get(way);
            for (int k = 0; k < shares.count(); k++) {
                double stdDev = stdDev(shares.observation(k));
                double weighed = shares.share(k) / (stdDev * stdDev);
                RowOfPartials row = rows.get(way)[k];
                for (int i = 0; i < row.count(); i++) {
                    values[way][Arrays.binarySearch(unknowns, row.unknowns()[i])] += weighed * row.partials()[i];
                }
            }
        }
        return new RightSides(unknowns, values);
    }

    /** Those that the rows have, each once, ascending. */
    private static int[] unknowns(List<RowOfPartials[]> ofWays) {
        int many = 0;
        for (RowOfPartials[] rows : ofWays) {
            for (RowOfPartials row : rows) {
                many += row.count();
            }
        }
        int[] all = new int[many];
        int next = 0;
        for (RowOfPartials[] rows : ofWays) {
            for (RowOfPartials row : rows) {
                System.arraycopy(row.unknowns(), 0, all, next, row.count());
                next += row.count();
            }
        }
        Arrays.sort(all);
        int distinct = 0;
        for (int i = 0; i < many; i++) {
            if (i == 0 || all[i] != all[i - 1]) {
                all[distinct++] = all[i];
            }
        }
        return Arrays.copyOf(all, distinct);
    }

    private RowOfPartials[] rows(Shares way) {
        RowOfPartials[] rows = new RowOfPartials[way.count()];
        for (int k = 0; k < rows.length; k++) {
            rows[k] = new RowOfPartials();
            rows[k].of(observations.get(way.observation(k)), linearised);
        }
        return rows;
    }

    /** Whether what a fault touches stands together, so that what the unknowns take up of it is at hand. */
    public boolean isNear(RightSides sides) {
        return normal.standTogether(sides.unknowns());
    }

    /**
     * The part of each way of a fault, with each other, that the unknowns take up, in units of the observations' deviations, squared; of a
     * fault that {@link #isNear}.
     */
    public double[][] takenUp(RightSides sides) {
        int[] unknowns = sides.unknowns();
        double[][] sums = new double[sides.ways()][sides.ways()];
        for (int i = 0; i < unknowns.length; i++) {
            for (int j = 0; j < unknowns.length; j++) {
                double cofactor = normal.cofactor(unknowns[i], unknowns[j]);
                for (int one = 0; one < sums.length; one++) {
                    for (int other = 0; other < sums.length; other++) {
                        sums[one][other] += sides.values()[one][i] * cofactor * sides.values()[other][j];
                    }
                }
            }
        }
        return sums;
    }

    /**
     * Seeks, of many faults that are near, the one that shifts each place farthest.
     *
     * @param places of each place the unknowns it moves by, one or two of one node; {@link NumberedPlace#HELD} moves nowhere
     * @throws IllegalStateException for other than sparse equations
     */
    public FarthestShift farthestShift(int[][] places) {
        if (normal instanceof SparseNormalEquations sparse) {
            return new FarthestShift(sparse, places);
        }
        throw new IllegalStateException("only sparse equations are searched");
    }

    /** What faults do, wherever they stand, each by itself and undetected. */
    public List<Responses> responses(List<RightSides> faults) {
        int many = faults.stream().mapToInt(RightSides::ways).sum();
        int[][] touched = new int[many][];
        double[][] sides = new double[many][];
        int next = 0;
        for (RightSides fault : faults) {
            for (double[] way : fault.values()) {
                touched[next] = fault.unknowns();
                sides[next++] = way;
            }
        }
        double[][] shifts = normal.inverseTimesEach(touched, sides, unknowns.length);
        List<Responses> responses = new ArrayList<>();
        int first = 0;
        for (RightSides fault : faults) {
            responses.add(new Responses(fault, shifts, first));
            first += fault.ways();
        }
        return responses;
    }

    /** What a fault of one unit does, in each of its ways. */
    public static final class Responses {
        private final RightSides sides;
        private final double[][] shifts;
        private final int first;

        /** Shifts are of many faults, side by side. */
        private Responses(RightSides sides, double[][] shifts, int first) {
            this.sides = sides;
            this.shifts = shifts;
            this.first = first;
        }

        /** How far it moves an unknown. */
        public double shift(int way, int unknown) {
            return shifts[unknown][first + way];
        }

        /** The part of each way of this fault, with each of another, that the unknowns take up: as of {@link Adjustment#takenUp}. */
        public double[][] takenUp(Responses other) {
            double[][] sums = new double[sides.ways()][other.sides.ways()];
            for (int one = 0; one < sums.length; one++) {
                for (int way = 0; way < sums[one].length; way++) {
                    for (int i = 0; i < sides.unknowns().length; i++) {
                        sums[one][way] += sides.values()[one][i] * other.shift(way, sides.unknowns()[i]);
                    }
                }
            }
            return sums;
        }
    }
}
