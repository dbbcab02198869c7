package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;

/** What could help where a plan does not give what is asked: each is tried on the plan as it stands. */
final class Remedies {
    /** Pillars, or the same tribrach for instrument and prism: nothing worth naming is left of centring, metres. */
    private static final double FORCED = 0.0001;

    private static final double TWICE = 2;

    private Remedies() {}

    static List<String> tried(Site site, WorkPlan plan) {
        List<String> said = new ArrayList<>();
        if (isMet(site, plan, forced(site.job()))) {
            said.add("With forced centring, instrument and reflectors within 0.1 mm, these setups would do.");
        }
        if (isMet(site, plan, finer(site.job()))) {
            said.add("An instrument with half the deviations in direction, zenith angle and distance would do.");
        }
        if (said.isEmpty() && isMet(site, plan, finer(forced(site.job())))) {
            said.add("Forced centring and an instrument with half the deviations together would do.");
        }
        return said;
    }

    private static boolean isMet(Site site, WorkPlan plan, Job job) {
        return Proposal.shortfalls(new Site(job, site.known(), site.ground()), plan)
                .isEmpty();
    }

    private static Job forced(Job job) {
        Job changed = job;
        for (Instrument instrument : job.instruments()) {
            changed = changed.withInstrument(with(instrument, 1, FORCED));
        }
        for (Reflector reflector : job.reflectors()) {
            changed =
                    changed.withReflector(reflector.name(), r -> r.centredWithin(Math.min(FORCED, r.centringStdDev())));
        }
        return changed;
    }

    private static Job finer(Job job) {
        Job changed = job;
        for (Instrument instrument : job.instruments()) {
            changed = changed.withInstrument(with(instrument, TWICE, instrument.centringStdDev()));
        }
        return changed;
    }

    private static Instrument with(Instrument of, double times, double centring) {
        return new Instrument(
                of.name(),
                of.directionStdDev() / times,
                of.zenithStdDev() / times,
                of.distanceStdDev() / times,
                of.distancePpm() / times,
                Math.min(centring, of.centringStdDev()),
                of.heightStdDev(),
                of.wavelength(),
                of.reference(),
                of.notch());
    }
}
