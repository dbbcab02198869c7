package markturn.survey.result;

import java.util.List;
import java.util.Optional;

/** Everything that was computed from a job, before it is judged. Marks are listed once, without their other names. */
public record Measured(
        List<MeasuredSetup> setups,
        List<MeasuredMark> marks,
        List<Check> checks,
        List<MeasuredTraverse> traverses,
        Optional<MeasuredNetwork> network) {
    /** The setup of that name, which must be in the job. */
    public MeasuredSetup setup(String name) {
        return setups.stream().filter(s -> s.name().equals(name)).findFirst().orElseThrow();
    }

    /** The mark of that (true) name; empty where the job does not list it. */
    public Optional<MeasuredMark> mark(String name) {
        return marks.stream().filter(m -> m.name().equals(name)).findFirst();
    }
}
