package markturn.fieldbook;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import markturn.survey.job.Adopted;
import markturn.survey.job.Code;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;

/** A book while entries are laid on it, one after the other. What no entry touches is shared with the book before. */
final class BookDraft {
    private final BookedJob before;
    private final List<Entry> behind = new ArrayList<>();
    private final Map<String, ReadingPlace> places = new HashMap<>();
    private final Map<String, List<Reading>> readings = new LinkedHashMap<>();
    private final FieldState.Draft state;
    private Places placed;
    private Job base;
    private String name;
    private String place;
    private Earth earth;
    private ListDraft<Instrument> instruments;
    private ListDraft<Reflector> reflectors;
    private ListDraft<Code> codes;
    private ListDraft<Mark> marks;
    private ListDraft<Setup> setups;
    private ListDraft<SatelliteFix> fixes;
    private ListDraft<ReferencePair> references;
    private ListDraft<Traverse> traverses;
    private ListDraft<Adopted> adopted;
    private ListDraft<Decision> decisions;

    BookDraft(BookedJob before) {
        this.before = before;
        this.state = new FieldState.Draft(before.state());
        this.placed = before.places();
        open(before.job());
    }

    /** Begins with a whole job that an entry of that key opened. */
    void open(String key, Job job) {
        placed = Places.opened(key, job);
        open(job);
    }

    private void open(Job job) {
        base = job;
        name = job.name();
        place = job.place();
        earth = job.earth();
        instruments = new ListDraft<>(job.instruments(), Instrument::name);
        reflectors = new ListDraft<>(job.reflectors(), Reflector::name);
        codes = new ListDraft<>(job.codes(), Code::name);
        marks = new ListDraft<>(job.marks(), Mark::name);
        setups = new ListDraft<>(job.setups(), Setup::name);
        fixes = new ListDraft<>(job.fixes(), SatelliteFix::mark);
        references = new ListDraft<>(job.references(), ReferencePair::one);
        traverses = new ListDraft<>(job.traverses(), Traverse::name);
        adopted = new ListDraft<>(job.adopted(), Adopted::mark);
        decisions = new ListDraft<>(job.decisions(), Decision::what);
        readings.clear();
    }

    /** Whether no entry has been laid on yet, neither here nor before. */
    boolean isUnopened() {
        return before.entries().isEmpty() && behind.isEmpty();
    }

    /** Lays an entry on it. */
    void add(Entry entry) {
        entry.payload().apply(this, entry);
        behind.add(entry);
    }

    Units units() {
        return base.units();
    }

    String name() {
        return name;
    }

    String place() {
        return place;
    }

    /** The job is called otherwise, or lies elsewhere, from now on. */
    void call(String otherName, String otherPlace) {
        name = otherName;
        place = otherPlace;
    }

    ListDraft<Instrument> instruments() {
        return instruments;
    }

    ListDraft<Reflector> reflectors() {
        return reflectors;
    }

    ListDraft<Code> codes() {
        return codes;
    }

    ListDraft<Mark> marks() {
        return marks;
    }

    /** The setups; their readings are changed by {@link #readings} alone. */
    ListDraft<Setup> setups() {
        return setups;
    }

    ListDraft<SatelliteFix> fixes() {
        return fixes;
    }

    ListDraft<ReferencePair> references() {
        return references;
    }

    ListDraft<Traverse> traverses() {
        return traverses;
    }

    ListDraft<Adopted> adopted() {
        return adopted;
    }

    ListDraft<Decision> decisions() {
        return decisions;
    }

    FieldState.Draft state() {
        return state;
    }

    Earth earth() {
        return earth;
    }

    void assume(Earth other) {
        earth = other;
    }

    /** The readings of a setup, to be changed; empty where there is no such setup. */
    Optional<List<Reading>> readings(String setup) {
        List<Reading> known = readings.get(setup);
        if (known != null) {
            return Optional.of(known);
        }
        Optional<List<Reading>> found = setups.find(setup).map(s -> new ArrayList<>(s.readings()));
        found.ifPresent(list -> readings.put(setup, list));
        return found;
    }

    /** A reading stands at a place from now on. */
    void place(String key, ReadingPlace place) {
        places.put(key, place);
    }

    /** Where the reading of that key stands. */
    Optional<ReadingPlace> find(String key) {
        return Optional.ofNullable(places.get(key)).or(() -> placed.find(key));
    }

    /** Changes the readings of those keys; a key that none has changes nothing. */
    void changeLines(List<String> lines, UnaryOperator<Reading> change) {
        for (String line : lines) {
            find(line)
                    .ifPresent(place -> readings(place.setup())
                            .filter(all -> place.index() < all.size())
                            .ifPresent(all -> all.set(place.index(), change.apply(all.get(place.index())))));
        }
    }

    /** The book with all of it. */
    BookedJob done() {
        readings.forEach((setup, all) -> setups.replace(setup, s -> s.withReadings(all)));
        Job job = new Job(
                name,
                place,
                base.units(),
                base.classOfWork(),
                base.planOnly(),
                earth,
                instruments.done(),
                reflectors.done(),
                codes.done(),
                marks.done(),
                setups.done(),
                fixes.done(),
                references.done(),
                traverses.done(),
                base.network(),
                adopted.done(),
                decisions.done());
        return before.longer(behind, job, placed.plus(places), state.done());
    }
}
