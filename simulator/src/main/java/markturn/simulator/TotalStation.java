package markturn.simulator;

import java.time.Instant;
import java.util.List;
import markturn.survey.job.Circle;
import markturn.survey.job.Reading;

/**
 * What a total station can do, whoever built it. Angles are radians; a device that cannot turn by itself refuses {@link #turnTo} and
 * {@link #search} with an {@link UnsupportedOperationException}.
 */
public interface TotalStation {
    /** The observer points by eye. */
    void aim(String target);

    /** Turns by itself until the circle and the zenith angle of this face are shown. */
    void turnTo(double circle, double zenith);

    /** Looks for a reflector near the line of sight and points at it; false where there is none, and the telescope stays. */
    boolean search();

    /** Turns the telescope over to the other face, on the same target. */
    void plunge();

    /** The face in use. */
    Reading.Face face();

    /**
     * Measures what the telescope points at.
     *
     * @param distances how many times the distance is measured, 0 for angles only
     */
    Shown measure(int distances);

    /**
     * What the display shows.
     *
     * @param slopes metres, to the tenth of a millimetre
     * @param applied what was keyed in when they were shown
     */
    record Shown(Circle circle, Circle zenith, List<Double> slopes, Reading.Applied applied, Instant at) {}
}
