package markturn.fieldbook;

import java.util.List;
import markturn.survey.job.Reading;
import markturn.survey.turning.PointingOrder;

/**
 * A setup as it is to be made: everything but what is measured there. Heights are never planned.
 *
 * @param name of the setup, by which it is known once it stands
 * @param free whether it stands anywhere and is fixed by the marks it sights
 * @param sets to be turned
 * @param aims in the order of the round
 */
public record PlannedSetup(
        String name,
        String station,
        boolean free,
        String instrument,
        int sets,
        PointingOrder.School school,
        List<Aim> aims) {
    public PlannedSetup {
        aims = List.copyOf(aims);
    }

    /** A target of it. */
    public record Aim(String target, Reading.Role role, String reflector) {}
}
