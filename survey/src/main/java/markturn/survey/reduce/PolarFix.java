package markturn.survey.reduce;

import java.util.Optional;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;

/**
 * One target with one height, reflector and offset, sighted for one reason: what a position can be computed from.
 *
 * @param single whether it was booked outside the sets, as one shot or as two that follow each other on opposite faces
 */
public record PolarFix(
        String target,
        Reading.Role role,
        String reflector,
        Optional<MeasuredHeight> targetHeight,
        Optional<Reading.Offset> offset,
        boolean single,
        Pointings pointings) {
    /** Whether the circle was read on both faces in any set. */
    public boolean isOnBothFaces() {
        return pointings.isOnBothFaces();
    }

    /** The place in the book of the first reading. */
    public int firstPlace() {
        return pointings.readings().get(0).place();
    }
}
