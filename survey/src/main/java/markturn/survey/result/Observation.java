package markturn.survey.result;

import java.util.OptionalDouble;

/**
 * One observation of a station's orientation or position and what it was worth.
 *
 * @param residual adjusted minus observed, radians or metres by kind
 * @param stdDev a priori, same unit
 * @param redundancy its share of what is left over, 0 to 1; empty for what was left out
 */
public record Observation(
        String target, Kind kind, double residual, double stdDev, OptionalDouble redundancy, boolean used) {
    /** Significance 0.1 %, power 80 %: the factor of the smallest error that shows (W. Baarda). */
    public static final double DETECTABLE_FACTOR = 4.13;

    /** The same of an error in two ways at once. */
    public static final double DETECTABLE_IN_PLANE = 4.43;

    /** Below this nothing is said to be checked at all: only an error of thousands of deviations would show, and it may be rounding. */
    private static final double NO_REDUNDANCY = 1e-6;

    /** What is observed. */
    public enum Kind {
        DIRECTION("direction", true),
        DISTANCE("distance", false),
        AZIMUTH("azimuth", true),
        ELEVATION_DIFFERENCE("elevationDifference", false),
        NORTHING("northing", false),
        EASTING("easting", false),
        ELEVATION("elevation", false);

        private final String key;
        private final boolean angular;

        Kind(String key, boolean angular) {
            this.key = key;
            this.angular = angular;
        }

        public String key() {
            return key;
        }

        public boolean angular() {
            return angular;
        }
    }

    /** How well it fits: by the standard normal deviates of 5 % and 0.1 %, both ends. */
    public enum Fit {
        UNCHECKED,
        BY_CHANCE,
        LARGE,
        NO_CHANCE;

        private static final double ONE_IN_TWENTY = 1.96;
        /** What a standardised residual must exceed to be no chance. */
        public static final double ONE_IN_A_THOUSAND = 3.2905;
    }

    /** How well it fits the others. */
    public Fit fit() {
        double size = size();
        if (unchecked()) {
            return Fit.UNCHECKED;
        }
        return size > Fit.ONE_IN_A_THOUSAND ? Fit.NO_CHANCE : size > Fit.ONE_IN_TWENTY ? Fit.LARGE : Fit.BY_CHANCE;
    }

    /** The standardised residual without its sign; 0 where nothing checks it. */
    public double size() {
        return Math.abs(standardised().orElse(0));
    }

    private boolean unchecked() {
        return redundancy.orElse(0) < NO_REDUNDANCY;
    }

    /** {@code v/(sigma sqrt r)}; empty where nothing checks it. */
    public OptionalDouble standardised() {
        return unchecked()
                ? OptionalDouble.empty()
                : OptionalDouble.of(residual / (stdDev * Math.sqrt(redundancy.getAsDouble())));
    }

    /** The smallest error it would betray, {@code 4.13 sigma/sqrt r}; empty where nothing checks it. */
    public OptionalDouble detectable() {
        return unchecked()
                ? OptionalDouble.empty()
                : OptionalDouble.of(DETECTABLE_FACTOR * stdDev / Math.sqrt(redundancy.getAsDouble()));
    }
}
