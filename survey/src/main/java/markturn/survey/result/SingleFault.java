package markturn.survey.result;

import markturn.survey.job.Reflector;

/**
 * One thing that may be wrong in a network, and how well it would explain the residuals. Likelihood of one hypothesis against none, after
 * W. Baarda; a fault in two coordinates with two degrees of freedom.
 *
 * @param size what it would have to be to explain the residuals best, metres, or radians for a direction
 * @param timesLimit its test, as a standard normal deviate, by that which chance exceeds once in a thousand: above 1 is no chance
 */
public record SingleFault(What what, double size, double timesLimit) {
    /** The kinds of single faults that are tried. */
    public enum Kind {
        DIRECTION("direction"),
        ANGLE("angle"),
        DISTANCE("distance"),
        AZIMUTH("azimuth"),
        LEG("length, both ways alike,"),
        HEIGHT_DIFFERENCE("height difference"),
        COORDINATES("observed coordinates"),
        CONSTANT("reflector constant"),
        INSTRUMENT_CENTRING("centring of the instrument"),
        TARGET_CENTRING("centring of the target"),
        INSTRUMENT_HEIGHT("instrument height"),
        CONTROL_MARK("control mark"),
        CONTROL_ELEVATION("control mark's elevation");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** What is wrong where an observation of that kind is wrong by itself. */
        public static Kind of(Observation.Kind observed) {
            return switch (observed) {
                case DIRECTION -> DIRECTION;
                case DISTANCE -> DISTANCE;
                case AZIMUTH -> AZIMUTH;
                case ELEVATION_DIFFERENCE -> HEIGHT_DIFFERENCE;
                case NORTHING, EASTING, ELEVATION -> COORDINATES;
            };
        }

        public boolean angular() {
            return this == DIRECTION || this == ANGLE || this == AZIMUTH;
        }
    }

    /**
     * Where a fault would be.
     *
     * @param setup empty where it is not of one setup
     * @param mark a mark or, for a constant, a reflector; empty where it is of all targets
     */
    public record What(Kind kind, String setup, String mark) {
        /** As a sentence goes on: "direction from S1 to T2". */
        public String words() {
            if (isWithoutReflector()) {
                return "constant of the instrument without reflector";
            }
            String from = setup.isEmpty() ? "" : (mark.isEmpty() ? " at " : " from ") + setup;
            return kind.words() + from + (mark.isEmpty() ? "" : (setup.isEmpty() ? " of " : " to ") + mark);
        }

        /** Whether it is the constant of sights that had no reflector: what is off then is the instrument's own. */
        public boolean isWithoutReflector() {
            return kind == Kind.CONSTANT && mark.equals(Reflector.REFLECTORLESS);
        }
    }

    /** Whether chance does not explain it. */
    public boolean isNoChance() {
        return timesLimit > 1;
    }
}
