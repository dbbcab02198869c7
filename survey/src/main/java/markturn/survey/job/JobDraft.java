package markturn.survey.job;

import java.util.List;

/** A job while one thing of it is changed: what changes is named once, the rest stays. */
final class JobDraft {
    private final Job before;
    Units units;
    ClassOfWork classOfWork;
    boolean planOnly;
    Earth earth;
    List<Instrument> instruments;
    List<Reflector> reflectors;
    List<Code> codes;
    List<Mark> marks;
    List<Setup> setups;
    List<SatelliteFix> fixes;
    List<ReferencePair> references;
    List<Traverse> traverses;
    Network network;
    List<Adopted> adopted;
    List<Decision> decisions;

    JobDraft(Job before) {
        this.before = before;
        this.units = before.units();
        this.classOfWork = before.classOfWork();
        this.planOnly = before.planOnly();
        this.earth = before.earth();
        this.instruments = before.instruments();
        this.reflectors = before.reflectors();
        this.codes = before.codes();
        this.marks = before.marks();
        this.setups = before.setups();
        this.fixes = before.fixes();
        this.references = before.references();
        this.traverses = before.traverses();
        this.network = before.network();
        this.adopted = before.adopted();
        this.decisions = before.decisions();
    }

    Job job() {
        return new Job(
                before.name(),
                before.place(),
                units,
                classOfWork,
                planOnly,
                earth,
                instruments,
                reflectors,
                codes,
                marks,
                setups,
                fixes,
                references,
                traverses,
                network,
                adopted,
                decisions);
    }
}
