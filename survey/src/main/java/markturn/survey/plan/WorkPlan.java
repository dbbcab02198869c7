package markturn.survey.plan;

import java.util.ArrayList;
import java.util.List;

/**
 * Work as it is meant to be done.
 *
 * @param name by which it is told from other plans of the job
 * @param axis height of the instrument above its mark that is reckoned with, metres
 * @param target the same of the reflectors
 * @param wanted the marks that it shall give
 * @param setups in the order of the work
 */
public record WorkPlan(
        String name, double axis, double target, Minutes minutes, List<WantedMark> wanted, List<PlannedSetup> setups) {
    /** Heights that are reckoned with where nobody said otherwise, metres. Common practice, no source. */
    public static final double AXIS = 1.6;

    public static final double TARGET = 1.5;

    public WorkPlan {
        wanted = List.copyOf(wanted);
        setups = List.copyOf(setups);
    }

    /** One with nothing in it. */
    public static WorkPlan empty(String name) {
        return new WorkPlan(name, AXIS, TARGET, Minutes.USUAL, List.of(), List.of());
    }

    /** The same with other setups. */
    public WorkPlan with(List<PlannedSetup> others) {
        return new WorkPlan(name, axis, target, minutes, wanted, others);
    }

    /** What all of it takes, minutes. */
    public double takes() {
        double sum = 0;
        for (PlannedSetup setup : setups) {
            sum += minutes.of(setup);
        }
        return sum;
    }

    /** The same without a setup. */
    public WorkPlan without(String setup) {
        List<PlannedSetup> left = new ArrayList<>(setups);
        left.removeIf(one -> one.name().equals(setup));
        return with(left);
    }
}
