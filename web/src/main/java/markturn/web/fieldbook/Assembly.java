package markturn.web.fieldbook;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.Pieces;
import markturn.simulator.Practice;
import markturn.survey.Memory;
import markturn.survey.finding.Basis;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;
import markturn.web.fieldbook.Book.Place;
import tools.jackson.databind.JsonNode;

/** From entries to the job: one entry upon one book makes the next book, or is refused. */
final class Assembly {
    private Assembly() {}

    /** The book in which nothing has been written. */
    static Book empty(String jobId) {
        Units units = new Units(LengthUnit.METRE, markturn.survey.angle.AngleUnit.DMS);
        Job nothing = Job.opened("", "", units, ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), false, Earth.USUAL);
        return new Book(jobId, List.of(), nothing, Places.NONE, Circumstances.NONE, new Memory());
    }

    /**
     * The book with one entry more.
     *
     * @throws Refused where the entry contradicts what stands
     */
    static Book with(Book book, Entry entry) {
        JsonNode payload = entry.payload();
        Pieces pieces = new Pieces(book.job().units());
        return switch (entry.kind()) {
            case OPEN -> opened(book, entry);
            case INSTRUMENT -> changed(book, entry, job -> job.plus(unused(job, pieces.instrument(payload))));
            case REFLECTOR -> changed(book, entry, job -> job.plus(unused(job, pieces.reflector(payload))));
            case MARK -> changed(book, entry, job -> withMark(job, pieces.mark(payload)));
            case MARK_NOTED -> changed(book, entry, job -> noted(job, pieces.mark(payload.get("mark"))));
            case CONTROL_CORRECTED ->
                changed(
                        book,
                        entry,
                        job -> noted(job, pieces.mark(payload.get("mark")))
                                .plus(pieces.decision(payload.get("decision"))));
            case MARKS -> changed(book, entry, job -> broughtIn(job, payload, pieces));
            case CODE -> changed(book, entry, job -> job.with(fitting(job, pieces.code(payload))));
            case SETUP -> changed(book, entry, job -> job.plus(fitting(job, pieces.setup(payload))));
            case ORDER -> ordered(book, entry, pieces);
            case READING -> booked(book, entry, pieces.reading(payload.get("reading")));
            case STRIKE ->
                struck(
                        book,
                        entry,
                        reading -> reading.struckOut(payload.get("reason").asString()));
            case RESTORE -> struck(book, entry, Reading::restored);
            case DECISION -> changed(book, entry, job -> job.plus(pieces.decision(payload)));
            case RENOTE -> changed(book, entry, job -> Renote.apply(book, entry));
            case LEAVE_OUT -> changed(book, entry, job -> leftOut(job, entry, pieces));
            case TRAVERSE -> changed(book, entry, job -> routed(job, pieces.traverse(payload)));
            case ADOPT -> changed(book, entry, job -> adopted(job, payload, pieces));
            case SETUP_REMOVED ->
                changed(book, entry, job -> removed(job, setup(job, payload), payload.get("decision"), pieces));
            case REFERENCE -> changed(book, entry, job -> referred(job, pieces.reference(payload)));
            case WITHDRAW ->
                changed(
                        book,
                        entry,
                        job -> withdrawn(job, payload.path("from").asString(""), payload.get("decision"), pieces));
            case FIX -> changed(book, entry, job -> fixed(job, pieces.fix(payload)));
            case FIX_STRUCK -> changed(book, entry, job -> struckFix(job, payload));
            case BREAK -> {
                Setup setup = setup(book.job(), payload);
                yield beside(
                        book,
                        entry,
                        book.circumstances()
                                .withBreak(setup.name(), setup.readings().size()));
            }
            case PEN ->
                beside(
                        book,
                        entry,
                        book.circumstances()
                                .withPen(
                                        setup(book.job(), payload).name(),
                                        new Pen(payload.get("device").asString(), entry.by())));
            case PRACTICE -> beside(book, entry, book.circumstances().withPractice(practice(payload)));
        };
    }

    private static Book opened(Book book, Entry entry) {
        if (book.revision() != 0) {
            throw new Refused("", "The job is open already.");
        }
        try {
            Job job = JobFile.readStored(entry.payload().toString().getBytes(java.nio.charset.StandardCharsets.UTF_8));
            Map<String, Place> places = new HashMap<>();
            for (Setup setup : job.setups()) {
                for (int i = 0; i < setup.readings().size(); i++) {
                    places.put(entry.key() + "/" + setup.name() + "/" + i, new Place(setup.name(), i));
                }
            }
            return new Book(
                    book.jobId(),
                    added(book.entries(), entry),
                    job,
                    Places.of(places),
                    Circumstances.NONE,
                    book.memory());
        } catch (FaultyFile faulty) {
            throw new Refused("", faulty.getMessage());
        }
    }

    private static Book changed(Book book, Entry entry, UnaryOperator<Job> change) {
        return new Book(
                book.jobId(),
                added(book.entries(), entry),
                change.apply(book.job()),
                book.places(),
                book.circumstances(),
                book.memory());
    }

    private static Instrument unused(Job job, Instrument instrument) {
        if (job.instruments().stream().anyMatch(i -> i.name().equals(instrument.name()))) {
            throw new Refused("name", instrument.name() + " is in this job already: expected another name");
        }
        return instrument;
    }

    private static Reflector unused(Job job, Reflector reflector) {
        if (job.reflectors().stream().anyMatch(r -> r.name().equals(reflector.name()))) {
            throw new Refused("name", reflector.name() + " is in this job already: expected another name");
        }
        return reflector;
    }

    private static Mark unused(Job job, Mark mark) {
        if (job.mark(mark.name()).isPresent()) {
            throw new Refused("name", mark.name() + " is in this job already: a name stands for one mark");
        }
        return mark;
    }

    private static Job withMark(Job job, Mark mark) {
        mark.by().map(Construction::bases).orElse(List.of()).forEach(base -> known(job, base, "name"));
        return job.plus(unused(job, mark));
    }

    /** All of them or none: a name that is taken refuses the whole. */
    private static Job broughtIn(Job job, JsonNode payload, Pieces pieces) {
        Map<String, Mark> more = new LinkedHashMap<>();
        for (JsonNode each : payload.get("marks")) {
            Mark mark = unused(job, pieces.mark(each));
            if (more.put(mark.name(), mark) != null) {
                throw new Refused("name", mark.name() + " comes twice: a name stands for one mark");
            }
        }
        Job longer = job.plusMarks(more.values());
        for (Mark mark : more.values()) {
            for (String base : mark.by().map(Construction::bases).orElse(List.of())) {
                known(longer, base, "name");
            }
        }
        for (JsonNode each : payload.path("fixes")) {
            longer = fixed(longer, pieces.fix(each));
        }
        return longer;
    }

    /** Ranges of numbers do not overlap, so that a number tells its code. */
    private static Code fitting(Job job, Code code) {
        for (Code other : job.codes()) {
            boolean overlap = !other.name().equals(code.name())
                    && code.numbers()
                            .flatMap(n -> other.numbers().filter(n::overlaps))
                            .isPresent();
            if (overlap) {
                Code.Numbers taken = other.numbers().orElseThrow();
                throw new Refused(
                        "first",
                        "%s has the numbers %d to %d: expected a range beside it"
                                .formatted(other.name(), taken.first(), taken.last()));
            }
        }
        return code;
    }

    private static Job noted(Job job, Mark mark) {
        if (job.mark(mark.name()).isEmpty()) {
            throw new Refused("name", "There is no mark " + mark.name() + " in this job");
        }
        return job.withMark(mark.name(), before -> mark);
    }

    private static Setup fitting(Job job, Setup setup) {
        if (job.setup(setup.name()).isPresent()) {
            throw new Refused("name", setup.name() + " is in this job already: expected another name");
        }
        known(job, setup.station(), "station");
        setup.orientation().sights().forEach(sight -> known(job, sight, "backsight"));
        if (job.instruments().stream().noneMatch(i -> i.name().equals(setup.instrument()))) {
            throw new Refused("instrument", "There is no instrument " + setup.instrument() + " in this job");
        }
        return setup;
    }

    private static void known(Job job, String mark, String field) {
        if (job.mark(mark).isEmpty()) {
            throw new Refused(field, "There is no mark " + mark + " in this job");
        }
    }

    private static Setup setup(Job job, JsonNode payload) {
        String name = payload.path("setup").asString("");
        return job.setup(name).orElseThrow(() -> new Refused("setup", "There is no setup " + name + " in this job"));
    }

    private static Book ordered(Book book, Entry entry, Pieces pieces) {
        Setup setup = setup(book.job(), entry.payload());
        TurningOrder order = TurningOrders.read(entry.payload(), pieces);
        order.aims().forEach(aim -> known(book.job(), aim.target(), "target"));
        return beside(book, entry, book.circumstances().withOrder(setup.name(), order));
    }

    /** The book with an entry that changes nothing of the job itself. */
    private static Book beside(Book book, Entry entry, Circumstances circumstances) {
        return new Book(
                book.jobId(), added(book.entries(), entry), book.job(), book.places(), circumstances, book.memory());
    }

    private static Practice practice(JsonNode payload) {
        Set<String> faults = new HashSet<>();
        payload.path("faults").forEach(fault -> faults.add(fault.asString()));
        return new Practice(payload.get("seed").longValue(), Practice.faults(faults));
    }

    /** The setup with other marks taking part; the reason stays on record as a decision. */
    private static Job leftOut(Job job, Entry entry, Pieces pieces) {
        Setup setup = setup(job, entry.payload());
        Setup.Orientation before = setup.orientation();
        if (!(before instanceof Setup.ByResection || before instanceof Setup.BySights)) {
            throw new Refused("setup", setup.name() + " is not oriented by marks: nothing is left out there");
        }
        Setup.ByResection asked = pieces.resection(entry.payload());
        Setup.Orientation after = before.without(asked.leaveOut(), asked.solveScale());
        return job.withSetup(setup.name(), s -> s.withOrientation(after))
                .plus(new Decision(
                        Optional.of(entry.at()),
                        entry.payload().path("by").asString(entry.by()),
                        Decision.LEAVE_OUT,
                        Map.of(
                                "setup",
                                setup.name(),
                                Basis.KEY,
                                entry.payload().path(Basis.KEY).asString("")),
                        entry.payload().path("reason").asString(""),
                        Optional.of(words(before)),
                        Optional.of(words(after))));
    }

    private static String words(Setup.Orientation by) {
        String left = by.leaveOut().stream()
                .map(l -> l.target()
                        + l.only()
                                .map(part -> " " + part.name().toLowerCase(Locale.ROOT))
                                .orElse(""))
                .collect(Collectors.joining(", "));
        return (left.isEmpty() ? "nothing left out" : "left out " + left)
                + (by instanceof Setup.ByResection free && free.solveScale() ? ", scale free" : "");
    }

    private static Job routed(Job job, Traverse traverse) {
        traverse.route().forEach(station -> known(job, station, "route"));
        return job.with(traverse);
    }

    private static Job adopted(Job job, JsonNode payload, Pieces pieces) {
        Job adopting = job;
        for (JsonNode each : payload.get("adopted")) {
            adopting = adopting.plus(pieces.adopted(each));
        }
        return adopting.plus(pieces.decision(payload.get("decision")));
    }

    /** What was booked stays legible, struck out or not: only a setup at which nothing was ever booked goes. */
    private static Job removed(Job job, Setup setup, JsonNode decision, Pieces pieces) {
        if (!setup.readings().isEmpty()) {
            throw new Refused(
                    "setup",
                    setup.name() + " holds readings: they stay in the record, struck out where they are wrong");
        }
        return job.withSetups(job.setups().stream()
                        .filter(s -> !s.name().equals(setup.name()))
                        .toList())
                .plus(pieces.decision(decision));
    }

    private static Job referred(Job job, ReferencePair pair) {
        known(job, pair.one(), "reference-from");
        known(job, pair.other(), "reference-to");
        if (job.trueName(pair.one()).equals(job.trueName(pair.other()))) {
            throw new Refused("reference-to", "Both are one mark: expected two");
        }
        return job.plus(pair);
    }

    private static Job withdrawn(Job job, String run, JsonNode decision, Pieces pieces) {
        if (job.adopted().stream().noneMatch(a -> a.from().equals(run))) {
            throw new Refused("", "Nothing stands that was adopted from " + run);
        }
        return job.withoutAdopted(run).plus(pieces.decision(decision));
    }

    private static Job struckFix(Job job, JsonNode payload) {
        int place = payload.path("fix").asInt(-1);
        if (place < 0 || place >= job.fixes().size()) {
            throw new Refused("fix", "There is no such fix in this job");
        }
        String reason = payload.path("reason").asString("");
        return job.withFix(
                place, fix -> fix.withStruck(reason.isBlank() ? Optional.empty() : Optional.of(reason.strip())));
    }

    private static Job fixed(Job job, SatelliteFix fix) {
        known(job, fix.mark(), "mark");
        return job.plus(fix);
    }

    private static Book booked(Book book, Entry entry, Reading reading) {
        Setup setup = setup(book.job(), entry.payload());
        known(book.job(), reading.target(), "target");
        if (book.job().trueName(reading.target()).equals(book.job().trueName(setup.station()))) {
            throw new Refused("target", "The instrument stands on " + reading.target() + ": sight another mark");
        }
        if (!reading.reflector().equals(Reflector.REFLECTORLESS)
                && book.job().reflectors().stream().noneMatch(r -> r.name().equals(reading.reflector()))) {
            throw new Refused("reflector", "There is no reflector " + reading.reflector() + " in this job");
        }
        Places places = book.places()
                .plus(entry.key(), new Place(setup.name(), setup.readings().size()));
        Circumstances circumstances = entry.payload().hasNonNull("device")
                ? book.circumstances()
                        .withPen(
                                setup.name(),
                                new Pen(entry.payload().get("device").asString(), entry.by()))
                : book.circumstances();
        Job job = book.job().withSetup(setup.name(), s -> s.plus(reading));
        return new Book(book.jobId(), added(book.entries(), entry), job, places, circumstances, book.memory());
    }

    private static Book struck(Book book, Entry entry, UnaryOperator<Reading> how) {
        Job job = book.job();
        for (JsonNode key : entry.payload().get("readings")) {
            Place place = book.place(key.asString())
                    .orElseThrow(() -> new Refused("reading", "There is no such line in this job"));
            job = job.withSetup(place.setup(), setup -> {
                List<Reading> readings = new ArrayList<>(setup.readings());
                readings.set(place.index(), how.apply(readings.get(place.index())));
                return setup.withReadings(readings);
            });
        }
        return new Book(
                book.jobId(), added(book.entries(), entry), job, book.places(), book.circumstances(), book.memory());
    }

    private static <T> List<T> added(List<T> list, T more) {
        List<T> longer = new ArrayList<>(list);
        longer.add(more);
        return List.copyOf(longer);
    }

    /** What an imported setup shows of its order: the targets of its sets as they were first sighted, or at least its backsights. */
    static TurningOrder orderShown(Job job, Setup setup) {
        Map<String, TurningOrder.Aim> aims = new LinkedHashMap<>();
        int last = 0;
        for (Reading reading : setup.readings()) {
            if (reading.set().isPresent()) {
                last = Math.max(last, reading.set().getAsInt());
                aims.putIfAbsent(
                        reading.target(),
                        new TurningOrder.Aim(
                                reading.target(), reading.role(), reading.reflector(), reading.targetHeight()));
            }
        }
        for (String sight : setup.orientation().sights()) {
            aims.putIfAbsent(
                    sight,
                    new TurningOrder.Aim(
                            sight, Reading.Role.BACKSIGHT, Reflector.REFLECTORLESS, Optional.<MeasuredHeight>empty()));
        }
        int wanted = (int) job.classOfWork().limit(Limit.SETS);
        return new TurningOrder(Math.max(last, wanted), List.copyOf(aims.values()));
    }
}
