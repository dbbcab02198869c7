package markturn.web.instrument;

import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.survey.instrument.Pooled;
import markturn.survey.job.Instrument;
import markturn.survey.show.Display;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.frame.NotHere;
import markturn.web.frame.TypedAgain;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the office remembers of its instruments and reflectors: a page each. */
@Controller
class InstrumentController {
    private static final int LONGEST = 500;
    private static final int LONGEST_NAME = 40;
    private static final int LONGEST_REASON = 1000;

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
        Display show = new Display(InstrumentView.UNITS);
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
    String reflector(@RequestParam Map<String, String> typed, RedirectAttributes then, Principal who) {
        String here = "redirect:/office/instrument";
        String called = typed.getOrDefault("name", "").strip();
        if (called.isEmpty() || called.length() > LONGEST_NAME) {
            String fault = "Expected the name of the reflector, at most " + LONGEST_NAME + " characters";
            return TypedAgain.on(here, typed, fault, then);
        }
        return noted(here, Certificate.REFLECTOR + called, typed, then, who);
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

    @GetMapping("/office/instrument/{serial}")
    String page(@PathVariable String serial, Model model, Principal who) {
        List<OfficeInstrument> versions = memory.versions(serial);
        if (versions.isEmpty()) {
            throw new NotHere();
        }
        Instrument profile = InstrumentMemory.read(versions.get(versions.size() - 1));
        List<SetupFigures> history = memory.history(serial);
        Display show = new Display(InstrumentView.UNITS);
        InstrumentView view = new InstrumentView(history, profile, where(history, who));
        model.addAttribute("show", show);
        model.addAttribute("serial", serial);
        model.addAttribute("instrument", profile);
        model.addAttribute("verdict", view.verdict());
        model.addAttribute("drawings", view.drawings());
        model.addAttribute("own", view.own());
        model.addAttribute(
                "figures",
                figures(
                        InstrumentView.pooled(history, SetupFigures::directions),
                        InstrumentView.pooled(history, SetupFigures::zeniths)));
        model.addAttribute("shown", view.shown());
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

    /** New jobs begin with the instrument's own figures from now on: by decision. */
    @PostMapping("/office/instrument/{serial}/adopt")
    String adopt(
            @PathVariable String serial,
            @RequestParam Map<String, String> typed,
            RedirectAttributes then,
            Principal who) {
        Instrument profile = memory.forNewJob(serial).orElseThrow(NotHere::new);
        List<SetupFigures> history = memory.history(serial);
        Pooled directions = InstrumentView.pooled(history, SetupFigures::directions);
        Pooled zeniths = InstrumentView.pooled(history, SetupFigures::zeniths);
        String reason = typed.getOrDefault("reason", "").strip();
        String fault = "";
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            fault = "Expected why these figures are to be relied on, at most " + LONGEST_REASON + " characters";
        } else if (directions.degrees() < 1 || zeniths.degrees() < 1) {
            fault = "There are no sets yet from which its own figures could come";
        } else if (!Shown.isStill(typed, figures(directions, zeniths))) {
            fault =
                    "More sets were booked while this page was open. Nothing was taken: look at its own figures as they stand now";
        }
        if (!fault.isEmpty()) {
            return TypedAgain.on(there(serial), typed, fault, then);
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
                        .formatted(directions.degrees(), zeniths.degrees(), reason));
        return there(serial);
    }

    /** Tells its own figures from any other: what is decided on is what was shown. */
    private static String figures(Pooled directions, Pooled zeniths) {
        return Shown.of(directions + " " + zeniths);
    }

    /** Notes a certificate. */
    @PostMapping("/office/instrument/{serial}/certificate")
    String certificate(
            @PathVariable String serial,
            @RequestParam Map<String, String> typed,
            RedirectAttributes then,
            Principal who) {
        memory.forNewJob(serial).orElseThrow(NotHere::new);
        return noted(there(serial), serial, typed, then, who);
    }

    private String noted(String page, String about, Map<String, String> typed, RedirectAttributes then, Principal who) {
        String due = typed.getOrDefault("due", "");
        String words = typed.getOrDefault("words", "").strip();
        if (words.length() > LONGEST) {
            return TypedAgain.on(page, typed, "Expected at most " + LONGEST + " characters of what it says", then);
        }
        try {
            LocalDate from = LocalDate.parse(typed.getOrDefault("issued", ""));
            LocalDate until = due.isBlank() ? null : LocalDate.parse(due);
            if (until != null && !until.isAfter(from)) {
                throw new DateTimeParseException("not after it was issued", due, 0);
            }
            certificates.save(new Certificate(
                    about, from, until, words, Instant.now().truncatedTo(ChronoUnit.SECONDS), who.getName()));
            return page;
        } catch (DateTimeParseException unreadable) {
            String fault = "Expected the day it was issued, and a later day on which it is due, or none";
            return TypedAgain.on(page, typed, fault, then);
        }
    }

    private static String there(String serial) {
        return "redirect:/office/instrument/" + serial;
    }
}
