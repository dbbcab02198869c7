package markturn.survey.job;

/** A position of a mark found by satellites, metres, with one-sigma deviations. */
public record SatelliteFix(String mark, Mark.Coordinates position, Mark.Deviations stdDev, Use use) {
    /** Compared only, or part of the network. */
    public enum Use {
        CHECK,
        OBSERVATION
    }
}
