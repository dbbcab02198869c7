package markturn.simulator;

/**
 * The numbers that {@link java.util.Random} gives for a seed, wherever this runs: the class library of a browser's core takes no seed.
 * After the algorithms that the documentation of that class prescribes.
 */
public final class SeededRandom {
    private static final long MULTIPLIER = 0x5DEECE66DL;
    private static final long INCREMENT = 0xBL;
    private static final long MASK = (1L << 48) - 1;

    private long state;
    private double nextGaussian;
    private boolean hasNextGaussian;

    public SeededRandom(long seed) {
        state = (seed ^ MULTIPLIER) & MASK;
    }

    private int next(int bits) {
        state = (state * MULTIPLIER + INCREMENT) & MASK;
        return (int) (state >>> (48 - bits));
    }

    /** A whole number from 0 to the bound, which is left out and above 0. */
    int nextInt(int bound) {
        if (bound <= 0) {
            throw new IllegalArgumentException("bound is " + bound + ", expected above 0");
        }
        if ((bound & -bound) == bound) {
            return (int) ((bound * (long) next(31)) >> 31);
        }
        int bits;
        int value;
        do {
            bits = next(31);
            value = bits % bound;
        } while (bits - value + (bound - 1) < 0);
        return value;
    }

    /** Uniform in [0, 1). */
    double nextDouble() {
        return (((long) next(26) << 27) + next(27)) * 0x1.0p-53;
    }

    /** Normal with mean 0 and standard deviation 1, by the polar method. */
    double nextGaussian() {
        if (hasNextGaussian) {
            hasNextGaussian = false;
            return nextGaussian;
        }
        double first;
        double second;
        double square;
        do {
            first = 2 * nextDouble() - 1;
            second = 2 * nextDouble() - 1;
            square = first * first + second * second;
        } while (square >= 1 || square == 0);
        double multiplier = Math.sqrt(-2 * Math.log(square) / square);
        nextGaussian = second * multiplier;
        hasNextGaussian = true;
        return first * multiplier;
    }
}
