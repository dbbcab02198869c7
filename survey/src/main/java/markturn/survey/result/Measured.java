package markturn.survey.result;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Named;

/**
 * Everything that was computed from a job, before it is judged. Marks are listed once, without their other names.
 *
 * @param unplaced what was sighted and has no place for want of another sight
 */
public record Measured(
        List<MeasuredSetup> setups,
        MeasuredMarks marks,
        List<Check> checks,
        List<MeasuredTraverse> traverses,
        Optional<MeasuredNetwork> network,
        List<Unplaced> unplaced) {
    public Measured {
        setups = Named.of(setups, MeasuredSetup::name);
    }

    /** The setup of that name, which must be in the job. */
    public MeasuredSetup setup(String name) {
        return Named.find(setups, name).orElseThrow();
    }

    /** The mark of that (true) name; empty where the job does not list it. */
    public Optional<MeasuredMark> mark(String name) {
        return marks.find(name);
    }
}
