package markturn.survey.job;

/**
 * A position of a mark found without an instrument: by satellites, or listed elsewhere; metres, with one-sigma deviations.
 *
 * @param source where it is listed; empty where satellites found it
 */
public record SatelliteFix(
        String mark, Mark.Coordinates position, Mark.Deviations stdDev, Use use, Reading.Origin origin, String source) {
    /** Found by satellites. */
    public SatelliteFix(
            String mark, Mark.Coordinates position, Mark.Deviations stdDev, Use use, Reading.Origin origin) {
        this(mark, position, stdDev, use, origin, "");
    }

    /** Typed in. */
    public SatelliteFix(String mark, Mark.Coordinates position, Mark.Deviations stdDev, Use use) {
        this(mark, position, stdDev, use, Reading.Origin.TYPED);
    }

    /** Compared only, or part of the network. */
    public enum Use {
        CHECK,
        OBSERVATION
    }
}
