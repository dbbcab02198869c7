package markturn.survey.job;

import java.util.Optional;

/**
 * A position of a mark found without an instrument: by satellites, or listed elsewhere; metres, with one-sigma deviations.
 *
 * @param source where it is listed; empty where satellites found it
 * @param struck the reason, where it is struck out; it then counts nowhere
 */
public record SatelliteFix(
        String mark,
        Mark.Coordinates position,
        Mark.Deviations stdDev,
        Use use,
        Reading.Origin origin,
        String source,
        Optional<String> struck) {
    /** One that stands. */
    public SatelliteFix(
            String mark,
            Mark.Coordinates position,
            Mark.Deviations stdDev,
            Use use,
            Reading.Origin origin,
            String source) {
        this(mark, position, stdDev, use, origin, source, Optional.empty());
    }

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

    /** Whether it counts. */
    public boolean stands() {
        return struck.isEmpty();
    }

    /** The same fix struck out with a reason, or standing again without one. */
    public SatelliteFix withStruck(Optional<String> reason) {
        return new SatelliteFix(mark, position, stdDev, use, origin, source, reason);
    }
}
