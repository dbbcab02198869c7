package markturn.fieldbook;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.function.Predicate;
import markturn.survey.ComputationCache;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Named;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.plan.Ground;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.MeasuredNetwork;

/**
 * A job at one revision: the entries, the job they make, and what is computed from it. It does not change; a further entry makes another,
 * by {@link Assembly}.
 */
public final class BookedJob {
    private final String jobId;
    private final List<Entry> entries;
    private final Job job;
    private final Places places;
    private final FieldState state;
    /** Shared by the books of one job: what one computed, the next need not. */
    private final ComputationCache memory;

    private final Computing computing;
    private final Computing.Computed computed;
    private Set<String> unproved;
    private MeasuredNetwork network;
    private final Object networkTurn = new Object();

    BookedJob(
            String jobId,
            List<Entry> entries,
            Job job,
            Places places,
            FieldState state,
            ComputationCache memory,
            Computing computing) {
        this.jobId = jobId;
        this.entries = Named.of(entries, Entry::key);
        this.job = job;
        this.places = places;
        this.state = state;
        this.memory = memory;
        this.computing = computing;
        this.computed = computing.of(progress -> {
            synchronized (memory) {
                return Survey.compute(job, memory, progress);
            }
        });
    }

    /** The book with entries behind, and what they make of it. */
    BookedJob longer(List<Entry> behind, Job after, Places placesAfter, FieldState stateAfter) {
        ListDraft<Entry> all = new ListDraft<>(entries, Entry::key);
        behind.forEach(all::add);
        return new BookedJob(jobId, all.done(), after, placesAfter, stateAfter, memory, computing);
    }

    /** The same book with nothing that was computed of it: it weighs a third, and whoever asks waits for a computation from the readings. */
    public BookedJob laidAside() {
        return new BookedJob(jobId, entries, job, places, state, new ComputationCache(), computing);
    }

    public String jobId() {
        return jobId;
    }

    /** Sequence of the last entry; 0 before the first. */
    public long revision() {
        return entries.isEmpty() ? 0 : entries.get(entries.size() - 1).sequence();
    }

    /** All entries, in order. */
    public List<Entry> entries() {
        return entries;
    }

    public Job job() {
        return job;
    }

    /** Everything computed from the job, once per revision. */
    public SurveyResult result() {
        return computed.result();
    }

    /** The same for work beside the pages, which may take longer. */
    public SurveyResult resultInTheEnd() {
        return computed.inTheEnd();
    }

    /**
     * The whole job in one adjustment, whether it asks for that or not: once per revision, for its page, reports and files alike. Whoever
     * asks meanwhile waits for it.
     *
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work, and the next who asks begins anew
     */
    public MeasuredNetwork network(DoubleConsumer progress) {
        synchronized (networkTurn) {
            if (network == null) {
                network = Survey.network(resultInTheEnd(), progress);
            }
            return network;
        }
    }

    /** The setups that are unproved. */
    public synchronized Set<String> unproved() {
        if (unproved == null) {
            SurveyResult result = result();
            unproved = Proof.unproved(job, result.measured(), result.findings());
        }
        return unproved;
    }

    Places places() {
        return places;
    }

    FieldState state() {
        return state;
    }

    /** Who writes at a setup; empty until a device has booked there. */
    public Optional<Pen> pen(String setup) {
        return Optional.ofNullable(state.pens().get(setup));
    }

    /** How many readings stood at a setup when work there was last interrupted. */
    public OptionalInt lastBreak(String setup) {
        Integer readings = state.breaks().get(setup);
        return readings == null ? OptionalInt.empty() : OptionalInt.of(readings);
    }

    /** The simulated devices of this job; empty where it has none. */
    public Optional<PracticeOpened> practice() {
        return state.practice();
    }

    /** All planned setups, those that stand already too, in their order. */
    public List<PlannedSetup> plannedInAll() {
        return state.planned();
    }

    /** What stands on the ground, as it was drawn. */
    public Ground ground() {
        return state.ground();
    }

    /** Plans of the work, in the order in which they were first kept. */
    public List<WorkPlan> plans() {
        return state.plans();
    }

    /** Where a plan says that a mark lies about: the last that wants it; empty where none does. */
    public Optional<Mark.Coordinates> plannedNear(String mark) {
        return plans().stream()
                .flatMap(plan -> plan.wanted().stream())
                .filter(wanted -> wanted.name().equals(mark))
                .map(WantedMark::near)
                .reduce((earlier, later) -> later);
    }

    /** The planned setups that do not stand yet, in their order. */
    public List<PlannedSetup> planned() {
        return state.planned().stream()
                .filter(setup -> job.setup(setup.name()).isEmpty())
                .toList();
    }

    /** The epochs that this job, or some of its setups, are. */
    public List<EpochNoted> epochs() {
        return state.epochs();
    }

    /** The marks that are meant to be stable, by decision; empty where nobody has said. */
    public List<String> reference() {
        return state.reference();
    }

    /** The marks that were taken from the office's register, by their names here. */
    public Map<String, MarkTaken> taken() {
        return state.taken();
    }

    /** Where the reading of that key stands; empty where there is none. */
    public Optional<ReadingPlace> place(String key) {
        return places.find(key);
    }

    /** The key of a reading, by which it is struck out. */
    public String keyOf(String setup, int index) {
        return places.keyOf(new ReadingPlace(setup, index)).orElseThrow();
    }

    /** Whether an entry of that key is stored. */
    public boolean holds(String key) {
        return entry(key).isPresent();
    }

    /** The entry of that key; empty where none is stored. */
    public Optional<Entry> entry(String key) {
        return Named.find(entries, key);
    }

    /**
     * The last entry that came after a page was drawn and speaks of the same thing: what somebody else changed meanwhile.
     *
     * @param revision of the book the page was drawn from, as the page sends it; anything else stands for now
     */
    public Optional<Entry> lastSince(String revision, Predicate<EntryPayload> same) {
        long drawn = revision.matches("\\d{1,18}") ? Long.parseLong(revision) : revision();
        return entries.stream()
                .filter(e -> e.sequence() > drawn && same.test(e.payload()))
                .reduce((earlier, later) -> later);
    }

    /** The same for what is sent under a key: whoever sends again what is stored already is told of nothing. */
    public Optional<Entry> lastSince(String revision, String key, Predicate<EntryPayload> same) {
        return holds(key) ? Optional.empty() : lastSince(revision, same);
    }

    /** The reading of that key. */
    public Optional<Reading> reading(String key) {
        return place(key)
                .flatMap(p -> job.setup(p.setup()).map(s -> s.readings().get(p.index())));
    }

    /** The turning order of a setup; where none was booked, what its readings show was turned, and its backsights. */
    public TurningOrder order(Setup setup) {
        TurningOrder booked = state.orders().get(setup.name());
        return booked != null ? booked : TurningOrder.shown(job, setup);
    }

    /** Who booked readings at a setup, or brought them in with a file, by sign-in name. */
    public Set<String> observers(String setup) {
        return state.observers().getOrDefault(setup, Set.of());
    }
}
