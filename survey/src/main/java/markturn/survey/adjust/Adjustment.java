package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;

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
     * What faults that show in several observations do, each by itself and undetected.
     *
     * @param faults by observation: how much of the fault each one takes
     */
    public List<Response> responses(List<Map<Integer, Double>> faults) {
        int many = faults.size();
        int[][] touched = new int[many][];
        double[][] sides = new double[many][];
        double[] side = new double[unknowns.length];
        for (int i = 0; i < many; i++) {
            Set<Integer> some = new TreeSet<>();
            faults.get(i).forEach((observation, share) -> {
                Observed observed = observations.get(observation);
                double weighed = share / (observed.stdDev() * observed.stdDev());
                observed.partials(linearised, (unknown, derivative) -> {
                    side[unknown] += weighed * derivative;
                    some.add(unknown);
                });
            });
            touched[i] = some.stream().mapToInt(Integer::intValue).toArray();
            sides[i] = IntStream.of(touched[i])
                    .mapToDouble(unknown -> side[unknown])
                    .toArray();
            some.forEach(unknown -> side[unknown] = 0);
        }
        double[] shifts = normal.inverseTimesEach(touched, sides, unknowns.length);
        List<Response> responses = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            responses.add(new Response(touched[i], sides[i], shifts, many, i));
        }
        return responses;
    }

    /** What a fault of one unit does. */
    public static final class Response {
        private final int[] touched;
        private final double[] side;
        private final double[] shifts;
        private final int many;
        private final int number;

        /** Touched are the unknowns that its right side in the normal equations has; shifts are of many faults, side by side. */
        private Response(int[] touched, double[] side, double[] shifts, int many, int number) {
            this.touched = touched;
            this.side = side;
            this.shifts = shifts;
            this.many = many;
            this.number = number;
        }

        /** How far it moves an unknown. */
        public double shift(int unknown) {
            return shifts[unknown * many + number];
        }

        /** The part of this fault and another that the unknowns take up, in units of the observations' deviations, squared. */
        public double takenUp(Response other) {
            double sum = 0;
            for (int i = 0; i < touched.length; i++) {
                sum += side[i] * other.shift(touched[i]);
            }
            return sum;
        }
    }
}
