package markturn.survey.result;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the marks sighted from a free station prove and what they cannot. Lengths metres, angles radians.
 *
 * @param undetermined why there is no position, in the field's words; empty where there is one
 * @param squares weighted sum of squared residuals in the plan
 * @param redundancy observations less unknowns in the plan
 * @param sights one for each mark sighted
 * @param pairs mark to mark
 * @param suspicion which mark disagrees; empty where none does beyond chance and class
 * @param groups marks that agree among themselves, where there are two such groups and they contradict each other
 * @param scale the trial of a free scale; empty where nothing is left to try it
 * @param swapped two marks whose names, exchanged, make everything fit; empty where none do
 */
public record Resected(
        Optional<String> undetermined,
        OptionalDouble squares,
        int redundancy,
        List<Sighted> sights,
        List<Pair> pairs,
        Optional<Suspicion> suspicion,
        List<List<String>> groups,
        Optional<ScaleTrial> scale,
        List<String> swapped) {

    /**
     * One mark as it is seen from the station.
     *
     * @param northing where its coordinates say it is
     * @param direction whether its direction takes part; so the next two
     * @param along residual along the line, metres: adjusted minus observed distance
     * @param across residual across the line, metres: adjusted minus observed direction times the distance, positive clockwise
     * @param up residual of the height difference, metres
     * @param redundancy the smallest redundancy number of its observations in the plan
     * @param statistic of the test of all its observations in the plan together
     * @param seenNorth where it lies from its coordinates, judged by the other marks alone
     * @param detectable the smallest shift that would have shown, in its worst direction
     * @param hiddenAtStation how far an undetected shift of it can move the station
     * @param hiddenAhead how far that can move a point 100 m away
     * @param sideways how far the station moves for each metre that the mark stands beside its coordinates, across the line
     */
    public record Sighted(
            String target,
            double northing,
            double easting,
            double distance,
            boolean direction,
            boolean length,
            boolean elevation,
            OptionalDouble along,
            OptionalDouble across,
            OptionalDouble up,
            OptionalDouble redundancy,
            OptionalDouble statistic,
            OptionalDouble seenNorth,
            OptionalDouble seenEast,
            OptionalDouble detectable,
            OptionalDouble hiddenAtStation,
            OptionalDouble hiddenAhead,
            OptionalDouble sideways) {
        /** Length of the residual in the plan; empty where none takes part or can be predicted. */
        public OptionalDouble residual() {
            return along.isEmpty() && across.isEmpty()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Math.hypot(along.orElse(0), across.orElse(0)));
        }

        /** Whether anything of it takes part in the plan. */
        public boolean isUsed() {
            return direction || length;
        }
    }

    /** Distance between two marks: as measured from here less what coordinates say; {@code stdDev} of the measured one. */
    public record Pair(String one, String other, double difference, double stdDev) {}

    /**
     * Marks that disagree.
     *
     * @param targets one mark; more where it cannot be told which
     * @param shift how far it lies from its coordinates, judged by the others; the size of the contradiction where it cannot be told
     * @param azimuth in which direction; empty where it cannot be told
     * @param limit beyond which that is said
     * @param orTogether what all distances together may be off by instead, where that explains the contradiction as well
     */
    public record Suspicion(
            List<String> targets, double shift, OptionalDouble azimuth, double limit, Optional<ScaleTrial> orTogether) {
        /** Marks that disagree, where nothing else explains it. */
        public Suspicion(List<String> targets, double shift, OptionalDouble azimuth, double limit) {
            this(targets, shift, azimuth, limit, Optional.empty());
        }

        /** Whether one mark alone can be named. */
        public boolean isTold() {
            return targets.size() == 1 && azimuth.isPresent() && orTogether.isEmpty();
        }
    }

    /**
     * A free scale tried.
     *
     * @param ppm of {@code s − 1}: distance from coordinates is s times measured
     * @param stdDev of it, ppm
     * @param constant in metres that, added to each distance, explains them instead
     * @param squaresHeld weighted squares with the scale held at 1
     * @param squaresFree with the scale free
     * @param squaresConstant with a constant free instead
     */
    public record ScaleTrial(
            double ppm,
            double stdDev,
            double constant,
            double squaresHeld,
            double squaresFree,
            double squaresConstant) {
        /** Chi-square, one degree of freedom, 0.1 %. */
        private static final double ONE_DEGREE = 10.83;

        /** Weighted squares that the better of both leaves. */
        public double squares() {
            return Math.min(squaresFree, squaresConstant);
        }

        /** How much longer than it was measured a distance is by the better of both, metres. */
        public double tooShort(double measured) {
            return squaresConstant <= squaresFree ? constant : ppm * 1e-6 * measured;
        }

        /**
         * Whether all distances are off together, beyond chance and by more than matters.
         *
         * @param longest sight, metres
         * @param limit what matters, metres
         */
        public boolean isSuspect(double longest, double limit) {
            return squaresHeld - squares() > ONE_DEGREE
                    && Math.max(Math.abs(ppm) * 1e-6 * longest, Math.abs(constant)) > limit;
        }
    }

    /** The sight of that mark; empty where it was not sighted. */
    public Optional<Sighted> sight(String target) {
        return sights.stream().filter(s -> s.target().equals(target)).findFirst();
    }
}
