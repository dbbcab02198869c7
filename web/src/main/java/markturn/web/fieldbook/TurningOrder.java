package markturn.web.fieldbook;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.turning.PointingOrder;

/**
 * What is turned at a setup: the targets in the order of the round, each with what stands on it, and how many sets.
 */
public record TurningOrder(int sets, List<Aim> aims) {
    public TurningOrder {
        aims = List.copyOf(aims);
    }

    /** One target of the round. */
    public record Aim(String target, Reading.Role role, String reflector, Optional<MeasuredHeight> height) {}

    /** The order of pointings this makes. */
    public PointingOrder pointings() {
        return new PointingOrder(aims.stream().map(Aim::target).toList(), sets);
    }

    /** The aim at that target; empty where it is not in the round. */
    public Optional<Aim> aim(String target) {
        return aims.stream().filter(a -> a.target().equals(target)).findFirst();
    }
}
