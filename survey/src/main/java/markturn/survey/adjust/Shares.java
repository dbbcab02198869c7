package markturn.survey.adjust;

import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntToDoubleFunction;

/** A fault by the observations that take part in it, ascending, and how much of one unit of it each of them takes. */
public final class Shares {
    private final int[] observations;
    private final double[] shares;

    private Shares(int[] observations, double[] shares) {
        this.observations = observations;
        this.shares = shares;
    }

    /** A fault of one observation alone. */
    public static Shares one(int observation) {
        return new Shares(new int[] {observation}, new double[] {1});
    }

    /** Of a fault by observation. */
    public static Shares of(Map<Integer, Double> byObservation) {
        int[] observations = new int[byObservation.size()];
        double[] shares = new double[observations.length];
        int next = 0;
        for (Map.Entry<Integer, Double> entry : new TreeMap<>(byObservation).entrySet()) {
            observations[next] = entry.getKey();
            shares[next++] = entry.getValue();
        }
        return new Shares(observations, shares);
    }

    /** How many observations take part. */
    public int count() {
        return observations.length;
    }

    /** The number of one of them, by its place among them. */
    public int observation(int place) {
        return observations[place];
    }

    /** How much it takes. */
    public double share(int place) {
        return shares[place];
    }

    /** Whether the same observations take part in another. */
    boolean isOfTheSame(Shares other) {
        return Arrays.equals(observations, other.observations);
    }

    /** The sum of the products of what both take, each times a weight of the observation. */
    public double product(Shares other, IntToDoubleFunction weight) {
        double sum = 0;
        int there = 0;
        for (int here = 0; here < observations.length; here++) {
            while (there < other.observations.length && other.observations[there] < observations[here]) {
                there++;
            }
            if (there < other.observations.length && other.observations[there] == observations[here]) {
                sum += shares[here] * other.shares[there] * weight.applyAsDouble(observations[here]);
            }
        }
        return sum;
    }
}
