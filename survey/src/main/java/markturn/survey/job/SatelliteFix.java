package markturn.survey.job;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A position of a mark found without an instrument: by satellites, or listed elsewhere; metres, with one-sigma deviations.
 *
 * @param source where it is listed; empty where satellites found it
 * @param position of the mark, or of the antenna where its height over the mark is told
 * @param antennaHeight the antenna over the mark; empty where the position is the mark's own
 * @param struck the reason, where it is struck out; it then counts nowhere
 */
public record SatelliteFix(
        String mark,
        Mark.Coordinates position,
        Mark.Deviations stdDev,
        Use use,
        Reading.Origin origin,
        String source,
        Optional<String> struck,
        Optional<MeasuredHeight> antennaHeight) {
    /** One that stands. */
    public SatelliteFix(
            String mark,
            Mark.Coordinates position,
            Mark.Deviations stdDev,
            Use use,
            Reading.Origin origin,
            String source) {
        this(mark, position, stdDev, use, origin, source, Optional.empty(), Optional.empty());
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
        return new SatelliteFix(mark, position, stdDev, use, origin, source, reason, antennaHeight);
    }

    /** The same, its position that of an antenna so high over the mark. */
    public SatelliteFix withAntennaHeight(Optional<MeasuredHeight> height) {
        return new SatelliteFix(mark, position, stdDev, use, origin, source, struck, height);
    }

    /** Where the mark lies by it: as much lower than the antenna as that stood over it. */
    public Mark.Coordinates ofMark() {
        if (antennaHeight.isEmpty() || position.elevation().isEmpty()) {
            return position;
        }
        double up = position.elevation().getAsDouble() - antennaHeight.get().taped();
        return new Mark.Coordinates(position.northing(), position.easting(), OptionalDouble.of(up));
    }
}
