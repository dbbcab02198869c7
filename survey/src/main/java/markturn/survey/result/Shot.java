package markturn.survey.result;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Plain;
import markturn.survey.job.Reading;
import markturn.survey.reduce.PolarFix;

/**
 * One fix as it comes out from its setup. No record: there are thousands in a job, and what may be missing weighs three times as much in
 * objects of its own.
 */
public final class Shot {
    private final PolarFix fix;
    private final String mark;
    private final double direction;
    private final double horizontal;
    private final double elevationDifference;
    private final Position position;

    /**
     * What one fix gives; each empty where it is missing.
     *
     * @param mark true name of the target
     * @param direction mean reduced direction, radians; empty where no set holds the zero
     * @param horizontal grid distance to the target, metres
     * @param elevationDifference from mark to mark, without the offset, metres
     * @param position of the point meant; empty where direction, distance or orientation is missing
     */
    public Shot(
            PolarFix fix,
            String mark,
            OptionalDouble direction,
            OptionalDouble horizontal,
            OptionalDouble elevationDifference,
            Optional<Position> position) {
        this.fix = fix;
        this.mark = mark;
        this.direction = Plain.of(direction);
        this.horizontal = Plain.of(horizontal);
        this.elevationDifference = Plain.of(elevationDifference);
        this.position = position.orElse(null);
    }

    public PolarFix fix() {
        return fix;
    }

    /** True name of the target. */
    public String mark() {
        return mark;
    }

    /** Mean reduced direction, radians; empty where no set holds the zero. */
    public OptionalDouble direction() {
        return Plain.read(direction);
    }

    /** Grid distance to the target, metres. */
    public OptionalDouble horizontal() {
        return Plain.read(horizontal);
    }

    /** Height difference from mark to mark, without the offset, metres. */
    public OptionalDouble elevationDifference() {
        return Plain.read(elevationDifference);
    }

    /** Height difference from mark to mark with the offset, metres. */
    public OptionalDouble rise() {
        return Plain.read(
                elevationDifference + fix.offset().map(Reading.Offset::up).orElse(0.0));
    }

    /** Of the point meant; empty where direction, distance or orientation is missing. */
    public Optional<Position> position() {
        return Optional.ofNullable(position);
    }
}
