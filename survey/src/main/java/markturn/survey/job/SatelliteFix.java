package markturn.survey.job;

/** A position of a mark found by satellites, metres, with one-sigma deviations. */
public record SatelliteFix(
        String mark, Mark.Coordinates position, Mark.Deviations stdDev, Use use, Reading.Origin origin) {
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
