package markturn.web.fieldbook;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import markturn.simulator.Practice;
import markturn.survey.Memory;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.Proof;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import tools.jackson.databind.JsonNode;

/**
 * A job at one revision: the entries, the job they make, and what is computed from it. It does not change; a further entry makes another.
 */
public final class Book {
    private final String jobId;
    private final List<Entry> entries;
    private final Job job;
    private final Places places;
    private final Circumstances circumstances;
    /** Shared by the books of one job: what one computed, the next need not. */
    private final Memory memory;

    private final Computation computation;
    private Set<String> unproved;

    /** Where the reading of an entry stands in the job. */
    public record Place(String setup, int index) {}

    Book(String jobId, List<Entry> entries, Job job, Places places, Circumstances circumstances, Memory memory) {
        this.jobId = jobId;
        this.entries = entries;
        this.job = job;
        this.places = places;
        this.circumstances = circumstances;
        this.memory = memory;
        this.computation = new Computation(progress -> {
            synchronized (memory) {
                return Survey.compute(job, memory, progress);
            }
        });
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

    /**
     * Everything computed from the job, once per revision.
     *
     * @throws TooLong where it takes longer than a page waits
     */
    public SurveyResult result() {
        return computation.within(Computation.PAGE);
    }

    /** The same for work beside the pages, which may take longer. */
    public SurveyResult resultBesideThePages() {
        return computation.within(Computation.MOST);
    }

    /** The setups that are unproved. */
    public synchronized Set<String> unproved() {
        if (unproved == null) {
            SurveyResult computed = result();
            unproved = Proof.unproved(job, computed.measured(), computed.findings());
        }
        return unproved;
    }

    Memory memory() {
        return memory;
    }

    Places places() {
        return places;
    }

    Circumstances circumstances() {
        return circumstances;
    }

    /** Who writes at a setup; empty until a device has booked there. */
    public Optional<Pen> pen(String setup) {
        return Optional.ofNullable(circumstances.pens().get(setup));
    }

    /** How many readings stood at a setup when work there was last interrupted. */
    public OptionalInt lastBreak(String setup) {
        Integer readings = circumstances.breaks().get(setup);
        return readings == null ? OptionalInt.empty() : OptionalInt.of(readings);
    }

    /** The simulated devices of this job; empty where it has none. */
    public Optional<Practice> practice() {
        return circumstances.practice();
    }

    /** Where the reading of that key stands; empty where there is none. */
    public Optional<Place> place(String key) {
        return places.find(key);
    }

    /** The key of a reading, by which it is struck out. */
    public String keyOf(String setup, int index) {
        return places.keyOf(new Place(setup, index)).orElseThrow();
    }

    /** Whether an entry of that key is stored. */
    public boolean holds(String key) {
        return entry(key).isPresent();
    }

    /** The entry of that key; empty where none is stored. */
    public Optional<Entry> entry(String key) {
        return entries.stream().filter(e -> e.key().equals(key)).findFirst();
    }

    /**
     * The last entry of a kind that came after a page was drawn: what somebody else changed meanwhile.
     *
     * @param revision of the book the page was drawn from, as the page sends it; anything else stands for now
     * @param same whether a payload speaks of the same thing
     */
    public Optional<Entry> lastSince(String revision, EntryKind kind, Predicate<JsonNode> same) {
        long drawn = revision.matches("\\d{1,18}") ? Long.parseLong(revision) : revision();
        return entries.stream()
                .filter(e -> e.sequence() > drawn && e.kind() == kind && same.test(e.payload()))
                .reduce((earlier, later) -> later);
    }

    /** The reading of that key. */
    public Optional<Reading> reading(String key) {
        return place(key)
                .flatMap(p -> job.setup(p.setup()).map(s -> s.readings().get(p.index())));
    }

    /** The turning order of a setup; where none was booked, what its readings show was turned, and its backsights. */
    public TurningOrder order(Setup setup) {
        TurningOrder booked = circumstances.orders().get(setup.name());
        return booked != null ? booked : Assembly.orderShown(job, setup);
    }

    /** Who booked readings at a setup, or brought them in with a file, by sign-in name. */
    public Set<String> observers(String setup) {
        return entries.stream()
                .filter(e -> e.kind() == EntryKind.READING
                                && e.payload().path("setup").asString("").equals(setup)
                        || places.holds(e.key() + "/" + setup + "/0"))
                .map(Entry::by)
                .collect(java.util.stream.Collectors.toSet());
    }
}
