package markturn.web.epoch;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.plan.PlannedSetup;

/** The same marks to be measured again: what is known of them and how they were sighted, and nothing that was measured. */
final class NextEpoch {
    private NextEpoch() {}

    /**
     * The job as it begins.
     *
     * @param last the epoch before
     * @param setups those that belong to it; empty: all of the job
     */
    static Job job(BookedJob last, List<String> setups, String name) {
        Job job = last.job();
        Job next = Job.opened(name, job.place(), job.units(), job.classOfWork(), job.planOnly(), job.earth());
        for (var instrument : job.instruments()) {
            next = next.plus(instrument);
        }
        for (var reflector : job.reflectors()) {
            next = next.plus(reflector);
        }
        next = next.withCodes(job.codes());
        Set<String> sighted = sighted(last, setups);
        for (Mark mark : job.marks()) {
            boolean given = mark.given().isPresent();
            if (given || sighted.contains(mark.name())) {
                next = next.plus(mark);
            }
        }
        return next;
    }

    private static Set<String> sighted(BookedJob last, List<String> setups) {
        Set<String> sighted = new LinkedHashSet<>();
        for (PlannedSetup setup : planned(last, setups)) {
            sighted.add(setup.station());
            setup.aims().forEach(aim -> sighted.add(aim.target()));
        }
        return sighted;
    }

    /** Its setups, as they are to be made: targets, sets and order of then; every height is asked anew. */
    static List<PlannedSetup> planned(BookedJob last, List<String> setups) {
        List<PlannedSetup> planned = new ArrayList<>();
        for (Setup setup : last.job().setups()) {
            if (!setups.isEmpty() && !setups.contains(setup.name())) {
                continue;
            }
            TurningOrder order = last.order(setup);
            planned.add(new PlannedSetup(
                    setup.name(),
                    setup.station(),
                    setup.isFree() ? PlannedSetup.Method.RESECTION : PlannedSetup.Method.OCCUPIED,
                    setup.instrument(),
                    order.sets(),
                    order.school(),
                    order.aims().stream()
                            .map(aim -> new PlannedSetup.Aim(aim.target(), aim.role(), aim.reflector()))
                            .toList()));
        }
        return planned;
    }
}
