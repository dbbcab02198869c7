package markturn.web.instrument;

import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.PlannedSetup;
import markturn.fieldbook.SetupsPlanned;
import markturn.survey.angle.AngleUnit;
import markturn.survey.instrument.Jump;
import markturn.survey.instrument.Pooled;
import markturn.survey.instrument.SetTest;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Instrument.Remembered;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.survey.turning.PointingOrder;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the office remembers of its instruments and reflectors: a page each, and the test of an instrument as a job of its own. */
@Controller
class InstrumentController {
    private static final Units UNITS = new Units(LengthUnit.METRE, AngleUnit.DMS);
    private static final int LONGEST = 500;
    private static final int LONGEST_NAME = 40;
    private static final int TEST_SETS = SetTest.SETS;

    private final InstrumentMemory memory;
    private final Certificates certificates;
    private final FieldBook fieldBook;
    private final People people;

    InstrumentController(InstrumentMemory memory, Certificates certificates, FieldBook fieldBook, People people) {
        this.memory = memory;
        this.certificates = certificates;
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** An instrument in the list. */
    public record Row(String serial, String name, String used, String due, boolean isDue) {}

    @GetMapping("/office/instrument")
    String list(Model model) {
        Display show = new Display(UNITS);
        Map<String, SetupFiguresRepository.Used> used = memory.used().stream()
                .collect(Collectors.toMap(SetupFiguresRepository.Used::serial, Function.identity()));
        model.addAttribute(
                "instruments",
                memory.all().stream()
                        .map(i -> row(i, Optional.ofNullable(used.get(i.serial())), show))
                        .toList());
        model.addAttribute("reflectors", certificates.ofReflectors());
        model.addAttribute("today", LocalDate.now());
        return "instrument/list";
    }

    /** Notes how a reflector was tested. */
    @PostMapping("/office/instrument/reflector")
    String reflector(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String issued,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes then,
            Principal who) {
        String called = name.strip();
        if (called.isEmpty() || called.length() > LONGEST_NAME) {
            then.addFlashAttribute(
                    "fault", "Expected the name of the reflector, at most " + LONGEST_NAME + " characters");
        } else {
            note(Certificate.REFLECTOR + called, issued, due, words, then, who);
        }
        return "redirect:/office/instrument";
    }

    private Row row(Instrument instrument, Optional<SetupFiguresRepository.Used> used, Display show) {
        Optional<Certificate> latest =
                certificates.about(instrument.serial()).stream().findFirst();
        return new Row(
                instrument.serial(),
                instrument.name(),
                used.map(u -> show.count(u.setups(), "setup", "setups") + ", last " + show.dayAndTime(u.last()))
                        .orElse("no setup yet"),
                due(latest),
                latest.filter(c -> c.isDue(LocalDate.now())).isPresent());
    }

    private static String due(Optional<Certificate> latest) {
        return latest.map(c -> c.dueOn()
                        .map(day -> (c.isDue(LocalDate.now()) ? "certificate was due " : "certificate until ") + day)
                        .orElse("certificate of " + c.issuedOn()))
                .orElse("no certificate noted");
    }

    /** A standard deviation of its own beside the profile's. */
    public record Own(String what, String profile, String own, String interval, int degrees, boolean beyond) {}

    /** A setup of its history. */
    public record Shown(
            String where,
            String at,
            String temperature,
            int pairs,
            String collimation,
            String index,
            String trunnion,
            List<String> jumps,
            String test) {}

    @GetMapping("/office/instrument/{serial}")
    String page(@PathVariable String serial, Model model, Principal who) {
        List<OfficeInstrument> versions = memory.versions(serial);
        if (versions.isEmpty()) {
            throw new NotHere();
        }
        Instrument profile = InstrumentMemory.read(versions.get(versions.size() - 1));
        List<SetupFigures> history = memory.history(serial);
        Map<Integer, List<Jump>> jumps = InstrumentMemory.jumps(history);
        Display show = new Display(UNITS);
        Function<SetupFigures, String> where = where(history, who);
        model.addAttribute("show", show);
        model.addAttribute("serial", serial);
        model.addAttribute("instrument", profile);
        model.addAttribute("verdict", verdict(history, jumps, show));
        model.addAttribute("drawings", drawings(history, jumps, show, where));
        model.addAttribute("own", own(history, profile, show));
        model.addAttribute("shown", shown(history, jumps, profile, show, where));
        model.addAttribute("certificates", certificates.about(serial));
        model.addAttribute("today", LocalDate.now());
        model.addAttribute(
                "versions",
                versions.stream()
                        .map(v ->
                                show.dayAndTime(v.notedAt()) + ", " + people.shownName(v.notedBy()) + ": " + v.reason())
                        .toList());
        return "instrument/page";
    }

    private static List<HistoryDrawing> drawings(
            List<SetupFigures> history,
            Map<Integer, List<Jump>> jumps,
            Display show,
            Function<SetupFigures, String> where) {
        List<SetupFigures> inSets =
                history.stream().filter(f -> f.directions().degrees() > 0).toList();
        return List.of(
                HistoryDrawing.of(
                        "Collimation",
                        history,
                        f -> f.remembered().collimation(),
                        f -> f.remembered().collimationStdDev(),
                        places(jumps, false),
                        show,
                        where),
                HistoryDrawing.of(
                        "Vertical index",
                        history,
                        f -> f.remembered().index(),
                        f -> f.remembered().indexStdDev(),
                        places(jumps, true),
                        show,
                        where),
                HistoryDrawing.of(
                        "Spread of the collimation",
                        history,
                        SetupFigures::collimationSpread,
                        f -> 0,
                        Set.of(),
                        show,
                        where),
                HistoryDrawing.of(
                        "Standard deviation of a direction, from the sets of a setup",
                        inSets,
                        f -> f.directions().stdDev().orElse(0),
                        f -> f.directions().stdDev().orElse(0)
                                / Math.sqrt(2.0 * f.directions().degrees()),
                        Set.of(),
                        show,
                        where));
    }

    /** Jobs are named to their members alone. */
    private Function<SetupFigures, String> where(List<SetupFigures> history, Principal who) {
        Map<String, String> titles = history.stream()
                .map(SetupFigures::jobId)
                .distinct()
                .collect(Collectors.toMap(
                        Function.identity(),
                        id -> fieldBook.title(id, who.getName()).orElse("another job")));
        return setup -> titles.get(setup.jobId()) + ", " + setup.setup();
    }

    private static Set<Integer> places(Map<Integer, List<Jump>> jumps, boolean index) {
        return jumps.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(j -> j.index() == index))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    private static String verdict(List<SetupFigures> history, Map<Integer, List<Jump>> jumps, Display show) {
        if (history.isEmpty()) {
            return "Nothing was read on both faces with it yet.";
        }
        Remembered last = history.get(history.size() - 1).remembered();
        String now = "Collimation %s%s, index %s%s at the last setup, %s."
                .formatted(
                        show.smallAmount(last.collimation()),
                        show.smallSign(),
                        show.smallAmount(last.index()),
                        show.smallSign(),
                        show.dayAndTime(last.at()));
        Optional<Integer> latest = jumps.keySet().stream().max(Comparator.naturalOrder());
        boolean atLast = latest.filter(place -> place == history.size() - 1).isPresent();
        return latest.map(place -> jumps.get(place).get(0))
                .map(jump -> now + (atLast ? " It jumped there, after " : " It jumped once, after ")
                        + show.dayAndTime(jump.lastGood()) + ": test it before you rely on one face.")
                .orElse(now + " No jump among " + show.count(history.size(), "setup", "setups") + ".");
    }

    private static List<Own> own(List<SetupFigures> history, Instrument profile, Display show) {
        double small = UNITS.angle().small();
        return List.of(
                own(
                        "direction, one set, " + show.smallSign(),
                        pooled(history, SetupFigures::directions),
                        profile.directionStdDev(),
                        small),
                own(
                        "zenith angle, one set, " + show.smallSign(),
                        pooled(history, SetupFigures::zeniths),
                        profile.zenithStdDev(),
                        small),
                own(
                        "distance over sets, mm",
                        pooled(history, SetupFigures::distances),
                        profile.distanceStdDev(),
                        0.001));
    }

    private static Pooled pooled(List<SetupFigures> history, Function<SetupFigures, Pooled> what) {
        Pooled all = Pooled.NONE;
        for (SetupFigures each : history) {
            all = all.plus(what.apply(each));
        }
        return all;
    }

    private static Own own(String what, Pooled pooled, double profile, double unit) {
        Display show = new Display(UNITS);
        return pooled.degrees() < 1
                ? new Own(what, show.number(profile / unit, 1), "–", "–", 0, false)
                : new Own(
                        what,
                        show.number(profile / unit, 1),
                        show.number(pooled.stdDev().getAsDouble() / unit, 1),
                        show.number(pooled.least() / unit, 1) + " to " + show.number(pooled.most() / unit, 1),
                        pooled.degrees(),
                        pooled.least() > profile);
    }

    private static List<Shown> shown(
            List<SetupFigures> history,
            Map<Integer, List<Jump>> jumps,
            Instrument profile,
            Display show,
            Function<SetupFigures, String> where) {
        List<Shown> rows = new ArrayList<>();
        for (int i = history.size() - 1; i >= 0; i--) {
            SetupFigures each = history.get(i);
            Remembered shown = each.remembered();
            rows.add(new Shown(
                    where.apply(each),
                    show.dayAndTime(each.at()),
                    each.temperature().isPresent()
                            ? show.number(each.temperature().getAsDouble(), 0)
                            : "",
                    each.pairs(),
                    show.smallAmount(shown.collimation()) + " ± " + show.smallAmount(shown.collimationStdDev()),
                    show.smallAmount(shown.index()) + " ± " + show.smallAmount(shown.indexStdDev()),
                    each.trunnion().isPresent()
                            ? show.smallAmount(each.trunnion().getAsDouble())
                            : "",
                    jumps.getOrDefault(i, List.of()).stream()
                            .map(j -> j.index() ? "index jumped" : "collimation jumped")
                            .toList(),
                    each.isWholeTest() ? statement(each.directions(), profile.directionStdDev(), show) : ""));
        }
        return rows;
    }

    /** What a test says in a line. */
    static String statement(Pooled pooled, double stated, Display show) {
        double limit = SetTest.limit(stated, pooled.degrees());
        double found = pooled.stdDev().orElse(0);
        return "s = %s%s of %d degrees of freedom; may reach %s%s: %s"
                .formatted(
                        show.smallAmount(found),
                        show.smallSign(),
                        pooled.degrees(),
                        show.smallAmount(limit),
                        show.smallSign(),
                        found <= limit ? "as good as stated" : "worse than stated");
    }

    /** New jobs begin with the instrument's own figures from now on: by decision. */
    @PostMapping("/office/instrument/{serial}/adopt")
    String adopt(
            @PathVariable String serial,
            @RequestParam(defaultValue = "") String reason,
            RedirectAttributes then,
            Principal who) {
        Instrument profile = memory.forNewJob(serial).orElseThrow(NotHere::new);
        List<SetupFigures> history = memory.history(serial);
        Pooled directions = pooled(history, SetupFigures::directions);
        Pooled zeniths = pooled(history, SetupFigures::zeniths);
        if (reason.isBlank() || directions.degrees() < 1 || zeniths.degrees() < 1) {
            then.addFlashAttribute(
                    "fault",
                    reason.isBlank()
                            ? "Empty: expected why these figures are to be relied on"
                            : "There are no sets yet from which its own figures could come");
            return there(serial);
        }
        memory.note(
                new Instrument(
                        profile.name(),
                        directions.stdDev().getAsDouble(),
                        zeniths.stdDev().getAsDouble(),
                        profile.distanceStdDev(),
                        profile.distancePpm(),
                        profile.centringStdDev(),
                        profile.heightStdDev(),
                        profile.wavelength(),
                        profile.reference(),
                        profile.notch(),
                        serial,
                        List.of()),
                who.getName(),
                "its own figures, of %d and %d degrees of freedom: %s"
                        .formatted(directions.degrees(), zeniths.degrees(), reason.strip()));
        return there(serial);
    }

    /** Notes a certificate. */
    @PostMapping("/office/instrument/{serial}/certificate")
    String certificate(
            @PathVariable String serial,
            @RequestParam(defaultValue = "") String issued,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes then,
            Principal who) {
        memory.forNewJob(serial).orElseThrow(NotHere::new);
        note(serial, issued, due, words, then, who);
        return there(serial);
    }

    private void note(String about, String issued, String due, String words, RedirectAttributes then, Principal who) {
        try {
            LocalDate from = LocalDate.parse(issued);
            LocalDate until = due.isBlank() ? null : LocalDate.parse(due);
            if (until != null && !until.isAfter(from) || words.length() > LONGEST) {
                throw new DateTimeParseException("not after it was issued", due, 0);
            }
            certificates.save(new Certificate(
                    about, from, until, words.strip(), Instant.now().truncatedTo(ChronoUnit.SECONDS), who.getName()));
        } catch (DateTimeParseException unreadable) {
            then.addFlashAttribute(
                    "fault", "Expected the day it was issued, and a later day on which it is due, or none");
        }
    }

    /** Opens the job of a test: five targets, three sets on both faces, on a point without coordinates. */
    @PostMapping("/office/instrument/{serial}/test")
    String test(@PathVariable String serial, Principal who) {
        Instrument instrument = memory.forNewJob(serial).orElseThrow(NotHere::new);
        List<String> targets = IntStream.rangeClosed(1, SetTest.TARGETS)
                .mapToObj(i -> "TARGET " + i)
                .toList();
        Job job = Job.opened(
                        "Instrument test " + serial + ", " + LocalDate.now(),
                        "",
                        UNITS,
                        ClassOfWork.of(ClassOfWork.Preset.PRECISE),
                        true,
                        Earth.USUAL)
                .plus(instrument)
                .plus(Reflector.NONE);
        for (String target : targets) {
            job = job.plus(Mark.named(target, Mark.Kind.LOCATED));
        }
        String id = fieldBook.open(job, who.getName(), Set.of(who.getName()));
        List<PlannedSetup> planned = IntStream.rangeClosed(1, 4)
                .mapToObj(series -> new PlannedSetup(
                        "Series " + series,
                        "TEST POINT",
                        PlannedSetup.Method.ANGLES,
                        instrument.name(),
                        TEST_SETS,
                        PointingOrder.School.RETURNING,
                        targets.stream()
                                .map(target -> new PlannedSetup.Aim(
                                        target,
                                        target.equals(targets.get(0)) ? Reading.Role.BACKSIGHT : Reading.Role.FORESIGHT,
                                        Reflector.REFLECTORLESS))
                                .toList()))
                .toList();
        fieldBook.add(id, "planned", who.getName(), List.<EntryPayload>of(new SetupsPlanned(planned)));
        return "redirect:/job/" + id + "/setup";
    }

    private static String there(String serial) {
        return "redirect:/office/instrument/" + serial;
    }
}
