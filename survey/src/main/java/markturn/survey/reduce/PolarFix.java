package markturn.survey.reduce;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;

/**
 * One target with one height, reflector and offset, sighted for one reason: what a position can be computed from.
 *
 * @param readings at least one, all of them alike in these, in the order of the book
 * @param single whether it was booked outside the sets, as one shot or as two that follow each other on opposite faces
 */
public record PolarFix(List<BookedReading> readings, boolean single) {
    private Reading first() {
        return readings.get(0).reading();
    }

    public String target() {
        return first().target();
    }

    public Reading.Role role() {
        return first().role();
    }

    public String reflector() {
        return first().reflector();
    }

    public Optional<MeasuredHeight> targetHeight() {
        return first().targetHeight();
    }

    public Optional<Reading.Offset> offset() {
        return first().offset();
    }

    public Pointings pointings() {
        return new Pointings(readings);
    }

    /** Whether the circle was read on both faces in any set. */
    public boolean isOnBothFaces() {
        return pointings().isOnBothFaces();
    }

    /** The place in the book of the first reading. */
    public int firstPlace() {
        return readings.get(0).place();
    }
}
