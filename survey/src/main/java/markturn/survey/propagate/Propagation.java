package markturn.survey.propagate;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Variances and covariances of quantities by their lineage: {@code Σ = Σᵢⱼ Jᵢ Σᵢⱼ Jⱼᵀ + Σ_own}, the textbook propagation, where of two
 * quantities the one that can hang on the other is taken apart. What was computed is kept, so that a long chain of setups costs each
 * setup a little. One thread at a time.
 */
public final class Propagation {
    /** So many pairs are kept at most; then it begins anew. */
    private static final int MOST_KEPT = 50_000;

    private final Map<Lineage, Map<Lineage, double[]>> kept = new HashMap<>();
    private int count;

    /** Covariance of a quantity with itself, row by row; empty array for what is held. */
    public double[] variance(Lineage of) {
        return covariance(of, of);
    }

    /**
     * Covariances of two quantities, row by row: as many rows as the first has components, as many columns as the second; empty where
     * either is held.
     */
    public double[] covariance(Lineage one, Lineage other) {
        if (one.isHeld() || other.isHeld()) {
            return new double[0];
        }
        if (count > MOST_KEPT) {
            kept.clear();
            count = 0;
        }
        Lineage[] asked = ordered(one, other);
        Optional<double[]> found = known(asked[0], asked[1]);
        Deque<Lineage[]> open = new ArrayDeque<>();
        while (found.isEmpty()) {
            found = computed(asked[0], asked[1], open);
            settle(open);
        }
        return asked[0].equals(one) ? found.get() : turned(found.get(), asked[0].size(), asked[1].size());
    }

    /** Computes and keeps all that is open, what it rests on first: no recursion, a chain may be thousands long. */
    private void settle(Deque<Lineage[]> open) {
        while (!open.isEmpty()) {
            Lineage[] pair = open.peek();
            Optional<double[]> value = known(pair[0], pair[1]);
            if (value.isEmpty()) {
                value = computed(pair[0], pair[1], open);
                value.ifPresent(found -> {
                    kept.computeIfAbsent(pair[0], row -> new HashMap<>()).put(pair[1], found);
                    count++;
                });
            }
            if (value.isPresent()) {
                open.pop();
            }
        }
    }

    private static Lineage[] ordered(Lineage one, Lineage other) {
        return other.isAfter(one) ? new Lineage[] {other, one} : new Lineage[] {one, other};
    }

    private Optional<double[]> known(Lineage later, Lineage earlier) {
        Map<Lineage, double[]> row = kept.get(later);
        return row == null ? Optional.empty() : Optional.ofNullable(row.get(earlier));
    }

    /** A pair from pairs that are known; where some are not, those are opened and nothing is computed yet. */
    private Optional<double[]> computed(Lineage later, Lineage earlier, Deque<Lineage[]> open) {
        boolean same = later.equals(earlier);
        double[] sum = same ? later.own().clone() : joined(later, earlier);
        boolean complete = true;
        List<Lineage.Part> others = same ? later.parts() : List.of(new Lineage.Part(earlier, identity(earlier.size())));
        for (Lineage.Part part : later.parts()) {
            for (Lineage.Part other : others) {
                Lineage[] pair = ordered(part.of(), other.of());
                Optional<double[]> between = known(pair[0], pair[1]);
                if (between.isEmpty()) {
                    open.push(pair);
                    complete = false;
                } else if (complete) {
                    double[] value = pair[0].equals(part.of())
                            ? between.get()
                            : turned(between.get(), pair[0].size(), pair[1].size());
                    addProduct(sum, part, value, other, later.size());
                }
            }
        }
        if (!complete) {
            return Optional.empty();
        }
        return Optional.of(same ? symmetric(sum, later.size()) : sum);
    }

    /**
     * What rounding leaves between both halves of a variance is taken out at once: pairs are kept one way round and turned for the other, and
     * so the difference would double with each setup of a chain; after seventy it would be all there is.
     */
    private static double[] symmetric(double[] matrix, int size) {
        for (int i = 0; i < size; i++) {
            for (int j = 0; j < i; j++) {
                double mean = (matrix[i * size + j] + matrix[j * size + i]) / 2;
                matrix[i * size + j] = mean;
                matrix[j * size + i] = mean;
            }
        }
        return matrix;
    }

    private static double[] joined(Lineage one, Lineage other) {
        boolean together = one.joint().isPresent() && one.joint().equals(other.joint());
        return together ? one.joint().get().covariance(one.key(), other.key()) : new double[one.size() * other.size()];
    }

    private static double[] identity(int size) {
        double[] identity = new double[size * size];
        for (int i = 0; i < size; i++) {
            identity[i * size + i] = 1;
        }
        return identity;
    }

    private static double[] turned(double[] matrix, int rows, int columns) {
        double[] turned = new double[matrix.length];
        for (int i = 0; i < rows; i++) {
            for (int j = 0; j < columns; j++) {
                turned[j * rows + i] = matrix[i * columns + j];
            }
        }
        return turned;
    }

    /** Adds {@code J₁ value J₂ᵀ}. */
    private static void addProduct(double[] sum, Lineage.Part one, double[] value, Lineage.Part other, int rows) {
        int inner = one.of().size();
        int outer = other.of().size();
        int columns = other.factors().length / outer;
        for (int i = 0; i < rows; i++) {
            for (int k = 0; k < outer; k++) {
                double through = 0;
                for (int m = 0; m < inner; m++) {
                    through += one.factors()[i * inner + m] * value[m * outer + k];
                }
                if (through != 0) {
                    for (int j = 0; j < columns; j++) {
                        sum[i * columns + j] += through * other.factors()[j * outer + k];
                    }
                }
            }
        }
    }
}
