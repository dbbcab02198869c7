package markturn.survey.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * A whole job as it was booked. Names are unique among instruments, among reflectors, among marks and among setups, and every name
 * used stands in its list; who reads or assembles a job sees to that.
 */
public record Job(
        String name,
        String place,
        Units units,
        ClassOfWork classOfWork,
        boolean planOnly,
        Earth earth,
        List<Instrument> instruments,
        List<Reflector> reflectors,
        List<Code> codes,
        List<Mark> marks,
        List<Setup> setups,
        List<SatelliteFix> fixes,
        List<ReferencePair> references,
        List<Traverse> traverses,
        Network network,
        List<Adopted> adopted,
        List<Decision> decisions) {
    private static final Predicate<Mark> GIVEN_CONTROL =
            mark -> mark.kind() == Mark.Kind.CONTROL && mark.given().isPresent();

    private static final Predicate<Mark> LOCATED = mark -> mark.kind() == Mark.Kind.LOCATED;

    public Job {
        codes = Named.of(codes, Code::name);
        instruments = Named.of(instruments, Instrument::name);
        reflectors = Named.of(reflectors, Reflector::name);
        marks = Named.of(marks, Mark::name);
        setups = Named.of(setups, Setup::name);
        fixes = List.copyOf(fixes);
        references = List.copyOf(references);
        traverses = List.copyOf(traverses);
        adopted = List.copyOf(adopted);
        decisions = List.copyOf(decisions);
    }

    /** A job in which nothing has been booked. */
    public static Job opened(String name, String place, Units units, ClassOfWork work, boolean planOnly, Earth earth) {
        return new Job(
                name,
                place,
                units,
                work,
                planOnly,
                earth,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Network.NOT_ASKED,
                List.of(),
                List.of());
    }

    /** The instrument of that name, which must be listed. */
    public Instrument instrument(String called) {
        return Named.find(instruments, called).orElseThrow();
    }

    /** The reflector of that name; the reflectorless sight need not be listed. */
    public Reflector reflector(String called) {
        return Named.find(reflectors, called).orElseGet(() -> {
            if (called.equals(Reflector.REFLECTORLESS)) {
                return Reflector.NONE;
            }
            throw new java.util.NoSuchElementException("reflector " + called);
        });
    }

    /** What a reading was taken to: its reflector, centred as its own support is. */
    public Reflector sighted(Reading reading) {
        Reflector usual = reflector(reading.reflector());
        return reading.centringStdDev().isPresent()
                ? usual.centredWithin(reading.centringStdDev().getAsDouble())
                : usual;
    }

    /** The code of that name; one that is not in the list is a plain point. */
    public Code code(String called) {
        return Named.find(codes, called).orElseGet(() -> Code.plain(called));
    }

    /** The mark of that name, if listed. */
    public Optional<Mark> mark(String called) {
        return Named.find(marks, called);
    }

    /** How many marks are control with given coordinates. */
    public int controlCount() {
        return Named.count(marks, GIVEN_CONTROL);
    }

    /** How many marks are located points. */
    public int locatedCount() {
        return Named.count(marks, LOCATED);
    }

    /** The setup of that name, if there is one. */
    public Optional<Setup> setup(String called) {
        return Named.find(setups, called);
    }

    /** The satellite fixes that are not struck out. */
    public List<SatelliteFix> standingFixes() {
        return fixes.stream().filter(SatelliteFix::stands).toList();
    }

    /** The name a mark goes by once it is followed through {@code sameAs}. */
    public String trueName(String called) {
        Mark mark = Named.get(marks, called);
        return mark == null ? called : mark.sameAs().orElse(called);
    }

    /** Whether something of that kind was decided on that setup. */
    public boolean isDecided(String what, String setup) {
        return decisions.stream()
                .anyMatch(d -> d.what().equals(what) && d.concerning("setup").equals(setup));
    }

    /** Whether the job is laid away: by the last decision about that, here or where it came from. */
    public boolean isArchived() {
        return decisions.stream()
                .map(Decision::what)
                .filter(what -> what.equals(Decision.ARCHIVE) || what.equals(Decision.BRING_BACK))
                .reduce((earlier, later) -> later)
                .filter(Decision.ARCHIVE::equals)
                .isPresent();
    }

    /** Whether any reading comes from a simulated device, so that every page and export says PRACTICE. */
    public boolean isPractice() {
        return fixes.stream().anyMatch(f -> f.origin() == Reading.Origin.SIMULATED)
                || setups.stream()
                        .flatMap(s -> s.readings().stream())
                        .anyMatch(r -> r.origin() == Reading.Origin.SIMULATED);
    }

    /** The same job with one instrument more. */
    public Job plus(Instrument more) {
        return changed(draft -> draft.instruments = added(instruments, more));
    }

    /** The same job with one reflector more. */
    public Job plus(Reflector more) {
        return changed(draft -> draft.reflectors = added(reflectors, more));
    }

    /** The same job with that code, in the place of one of its name. */
    public Job with(Code code) {
        boolean known = Named.find(codes, code.name()).isPresent();
        return changed(draft -> draft.codes = known
                ? codes.stream()
                        .map(c -> c.name().equals(code.name()) ? code : c)
                        .toList()
                : added(codes, code));
    }

    /** The same job with one mark more. */
    public Job withCodes(List<Code> described) {
        return changed(draft -> draft.codes = described);
    }

    public Job plus(Mark more) {
        return changed(draft -> draft.marks = Named.plus(marks, List.of(more), Mark::name));
    }

    /** The same job with those marks more, in that order. */
    public Job plusMarks(Collection<Mark> more) {
        List<Mark> longer = new ArrayList<>(marks);
        longer.addAll(more);
        return changed(draft -> draft.marks = longer);
    }

    /** The same job with the mark of that name noted anew. */
    public Job withMark(String called, UnaryOperator<Mark> noted) {
        return changed(draft -> draft.marks = marks.stream()
                .map(m -> m.name().equals(called) ? noted.apply(m) : m)
                .toList());
    }

    /** The same job with one setup more. */
    public Job plus(Setup more) {
        return changed(draft -> draft.setups = added(setups, more));
    }

    /** The same job with the setup of that name changed. */
    public Job withSetup(String called, UnaryOperator<Setup> changed) {
        return changed(draft -> draft.setups = setups.stream()
                .map(s -> s.name().equals(called) ? changed.apply(s) : s)
                .toList());
    }

    /** The same job with the reflector of that name changed. */
    public Job withReflector(String called, UnaryOperator<Reflector> changed) {
        return changed(draft -> draft.reflectors = reflectors.stream()
                .map(r -> r.name().equals(called) ? changed.apply(r) : r)
                .toList());
    }

    /** The same job with the instrument of that name described anew. */
    public Job withInstrument(Instrument anew) {
        return changed(draft -> draft.instruments = instruments.stream()
                .map(i -> i.name().equals(anew.name()) ? anew : i)
                .toList());
    }

    /** The same job written in other units. */
    public Job with(Units other) {
        return changed(draft -> draft.units = other);
    }

    /** The same job in another class of work. */
    public Job with(ClassOfWork other) {
        return changed(draft -> draft.classOfWork = other);
    }

    /** The same job with heights, or without any. */
    public Job withPlanOnly(boolean only) {
        return changed(draft -> draft.planOnly = only);
    }

    /** The same job with these marks and no others. */
    public Job withMarks(List<Mark> others) {
        return changed(draft -> draft.marks = others);
    }

    /** The same job with these setups and no others. */
    public Job withSetups(List<Setup> others) {
        return changed(draft -> draft.setups = others);
    }

    /** The same job on another earth. */
    public Job withEarth(Earth other) {
        return changed(draft -> draft.earth = other);
    }

    /** The same job with that traverse, in the place of one of its name. */
    public Job with(Traverse traverse) {
        List<Traverse> others = new ArrayList<>(traverses.stream()
                .filter(t -> !t.name().equals(traverse.name()))
                .toList());
        others.add(traverse);
        return changed(draft -> draft.traverses = others);
    }

    /** The same job with that asked of the network. */
    public Job with(Network asked) {
        return changed(draft -> draft.network = asked);
    }

    /** The same job with one adopted coordinate more. */
    public Job plus(Adopted more) {
        return changed(draft -> draft.adopted = added(adopted, more));
    }

    /** The same job without what was adopted from a run. */
    public Job withoutAdopted(String run) {
        List<Adopted> others =
                adopted.stream().filter(a -> !a.from().equals(run)).toList();
        return changed(draft -> draft.adopted = others);
    }

    /** The same job with one satellite fix more. */
    public Job plus(SatelliteFix more) {
        return changed(draft -> draft.fixes = added(fixes, more));
    }

    /** The same job with one reference pair more. */
    public Job plus(ReferencePair more) {
        return changed(draft -> draft.references = added(references, more));
    }

    /** The same job with one of its satellite fixes, by its place in their list, changed. */
    public Job withFix(int place, UnaryOperator<SatelliteFix> change) {
        List<SatelliteFix> others = new ArrayList<>(fixes);
        others.set(place, change.apply(others.get(place)));
        return changed(draft -> draft.fixes = others);
    }

    /**
     * The same job as it comes into another house with a file: what was decided elsewhere is stated, not decided, and what was adopted
     * elsewhere is stated in words and fixes nothing until somebody adopts here.
     *
     * @param broughtInBy the name of who brings the file in
     */
    public Job stated(String broughtInBy) {
        return changed(draft -> {
            draft.decisions = Stated.decisions(this, broughtInBy);
            draft.adopted = List.of();
            draft.traverses = traverses.stream()
                    .map(t -> new Traverse(t.name(), t.route(), t.rule(), false))
                    .toList();
            draft.network = new Network(network.run(), false);
        });
    }

    /**
     * What one setup may be judged by: the job's settings, and of its marks those the setup refers to, by whichever name. Whoever looks at this cannot see
     * another setup, so that what was found holds until one of these changes.
     */
    public Job seenFrom(Setup setup) {
        List<Mark> seen = Named.part(marks, setup.refersTo(), Mark::sameAs);
        return changed(draft -> {
            draft.marks = seen;
            draft.setups = List.of();
            draft.fixes = List.of();
            draft.references = List.of();
            draft.traverses = List.of();
            draft.network = Network.NOT_ASKED;
            draft.adopted = List.of();
            draft.decisions = List.of();
        });
    }

    /** The same job with one decision more. */
    public Job plus(Decision more) {
        return changed(draft -> draft.decisions = added(decisions, more));
    }

    private Job changed(Consumer<JobDraft> change) {
        JobDraft draft = new JobDraft(this);
        change.accept(draft);
        return draft.job();
    }

    private static <T> List<T> added(List<T> list, T more) {
        List<T> longer = new ArrayList<>(list);
        longer.add(more);
        return longer;
    }
}
