package markturn.web.review;

import java.net.URI;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.fieldbook.Note;
import markturn.fieldbook.NoteCorrected;
import markturn.fieldbook.Refused;
import markturn.fieldbook.wire.JobWriter;
import markturn.formats.JsonTrees;
import markturn.formats.ProjectionNames;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Moved;
import markturn.survey.show.Display;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.frame.JobPage;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Notes changed afterwards: in one place, with a reason, and with a list of what moves before anything is booked. */
@Controller
class CorrectionController {
    private final FieldBook fieldBook;
    private final People people;

    CorrectionController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** A line of the field book as the page offers it. */
    public record LineRow(String key, String setup, int number, Reading reading, boolean chosen) {}

    @GetMapping("/job/{id}/review/correct")
    String page(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            @RequestHeader(defaultValue = "") String referer,
            Model model,
            Principal who) {
        Map<String, String> asked = new HashMap<>(typed);
        asked.putIfAbsent("back", path(referer));
        List<String> chosen = asked.containsKey("line") ? List.of(asked.get("line")) : List.of();
        return page(fieldBook.book(id, who.getName()), model, asked, chosen, Map.of());
    }

    /** The path of an address; empty where it has none. */
    private static String path(String address) {
        try {
            return Optional.ofNullable(URI.create(address).getRawPath()).orElse("");
        } catch (IllegalArgumentException notAnAddress) {
            return "";
        }
    }

    /** Where one was, if it is a page of this job other than this; else its review. */
    private static String back(String id, String asked) {
        String job = "/job/" + id + "/";
        boolean isOurs = asked.startsWith(job) && !asked.startsWith(job + "review/correct") && !asked.contains("..");
        return isOurs ? asked : job + "review";
    }

    private static String page(
            BookedJob book, Model model, Map<String, String> typed, List<String> chosen, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.REVIEW);
        model.addAttribute("typed", typed);
        model.addAttribute(
                "meanHeight",
                book.job()
                        .earth()
                        .projection()
                        .map(p -> new Display(book.job().units()).length(p.meanHeight()))
                        .orElse(""));
        model.addAttribute("roles", Reading.Role.values());
        // A box that was unticked posts nothing: what was typed tells by its neighbour that it was asked.
        model.addAttribute(
                "curvature",
                typed.containsKey("refraction")
                        ? !typed.getOrDefault("curvature", "").isEmpty()
                        : book.job().earth().curvature());
        model.addAttribute("faults", faults);
        model.addAttribute("revision", typed.getOrDefault("revision", "" + book.revision()));
        model.addAttribute("lines", lines(book, typed.getOrDefault("setup", ""), chosen));
        model.addAttribute("scaleFactor", GridScale.inForce(book.job()));
        return "review/correct";
    }

    private static List<LineRow> lines(BookedJob book, String wanted, List<String> chosen) {
        List<LineRow> rows = new ArrayList<>();
        for (Setup setup : book.job().setups()) {
            if (!wanted.isEmpty() && !setup.name().equals(wanted)) {
                continue;
            }
            for (int place = 0; place < setup.readings().size(); place++) {
                String key = book.keyOf(setup.name(), place);
                rows.add(new LineRow(
                        key, setup.name(), place + 1, setup.readings().get(place), chosen.contains(key)));
            }
        }
        return rows;
    }

    /** Shows what moves; with {@code confirm} it is booked. */
    @PostMapping("/job/{id}/review/correct")
    String correct(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) List<String> line,
            Model model,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        List<String> chosen = line == null ? List.of() : line;
        Form form = new Form(typed, book.job().units());
        Optional<NoteCorrected> payload = note(form, book, chosen)
                .map(note -> new NoteCorrected(note, people.shownName(who.getName()), form.text("reason")));
        Optional<Entry> meanwhile = payload.flatMap(its -> book.lastSince(
                typed.getOrDefault("revision", ""),
                typed.getOrDefault("key", ""),
                p -> p instanceof NoteCorrected theirs && its.note().isOfSameAs(theirs.note())));
        if (meanwhile.isPresent()) {
            model.addAttribute("message", changedMeanwhile(meanwhile.get()));
            Map<String, String> looked = new HashMap<>(typed);
            looked.put("revision", "" + book.revision());
            return page(book, model, looked, chosen, form.faults());
        }
        if (form.isEmpty("reason")) {
            form.fault("reason", "Empty: expected why the note is changed");
        }
        if (!form.isSound() || payload.isEmpty()) {
            return page(book, model, typed, chosen, form.faults());
        }
        try {
            BookedJob after = fieldBook.preview(book, who.getName(), payload.get());
            List<Moved> moved =
                    Moved.between(book.result().measured(), after.result().measured());
            String shown = shown(payload.get(), book.job().units());
            if (form.isEmpty("confirm") || !Shown.isStill(typed, shown)) {
                model.addAttribute("moved", moved);
                model.addAttribute("shown", shown);
                model.addAttribute(
                        "openBefore",
                        book.result().findings().stream()
                                .filter(f -> f.isOpenStop())
                                .count());
                model.addAttribute(
                        "openAfter",
                        after.result().findings().stream()
                                .filter(f -> f.isOpenStop())
                                .count());
                return page(book, model, typed, chosen, Map.of());
            }
            fieldBook.add(id, typed.get("key"), who.getName(), payload.get());
            then.addFlashAttribute("said", said(moved, new Words(book.job().units())));
            return "redirect:" + back(id, typed.getOrDefault("back", ""));
        } catch (Refused refused) {
            form.refused(refused);
            return page(book, model, typed, chosen, form.faults());
        }
    }

    /** Tells a note from any other that might be typed: what is booked is what was shown. */
    private static String shown(NoteCorrected correction, Units units) {
        NoteCorrected note = new NoteCorrected(correction.note(), "", "");
        return Shown.of(JsonTrees.line(note.written(new JobWriter(units))));
    }

    private String changedMeanwhile(Entry theirs) {
        return "%s corrected the same note while this page was open, with the reason \"%s\". Nothing of yours was booked: look at what stands now, then go on if it is still wrong."
                .formatted(people.shownName(theirs.by()), ((NoteCorrected) theirs.payload()).reason());
    }

    /** What a correction moved, in a sentence. */
    private static String said(List<Moved> moved, Words words) {
        if (moved.isEmpty()) {
            return "Corrected. No mark moved.";
        }
        Moved farthest = moved.stream()
                .max(Comparator.comparingDouble(CorrectionController::size))
                .orElseThrow();
        return "Corrected. %d %s moved, farthest %s by %s."
                .formatted(
                        moved.size(),
                        moved.size() == 1 ? "mark" : "marks",
                        farthest.mark(),
                        words.difference(size(farthest)));
    }

    private static double size(Moved moved) {
        return Math.hypot(
                Math.hypot(moved.northing().orElse(0), moved.easting().orElse(0)),
                moved.elevation().orElse(0));
    }

    private static Optional<Note> note(Form form, BookedJob book, List<String> chosen) {
        Optional<? extends Note> note = switch (form.text("what")) {
            case "instrumentHeight" -> height(form, false).map(h -> new Note.InstrumentHeight(form.text("setup"), h));
            case "atmosphere" -> air(form, book).map(air -> new Note.Air(form.text("setup"), air));
            case "reflectorConstant" ->
                constant(form, book).map(r -> new Note.ReflectorConstant(r.name(), r.constant()));
            case "earth" -> earth(form, book).map(Note.EarthAssumed::new);
            case "targetHeight" -> height(form, true).map(h -> new Note.TargetHeight(chosen, h));
            case "reflector" -> Optional.of(new Note.SightReflector(chosen, form.text("reflectorName")));
            case "target" -> Optional.of(new Note.SightTarget(chosen, form.name("target", "a mark")));
            case "role" -> role(form).map(role -> new Note.SightRole(chosen, role));
            case "applied" ->
                boxed(form.number("constant", -1000, 1000, "millimetres"))
                        .map(mm -> new Note.KeyedConstant(chosen, mm / 1000));
            case "appliedPpm" ->
                boxed(form.number("keyedPpm", -500, 500, "parts per million"))
                        .map(ppm -> new Note.KeyedPpm(chosen, ppm));
            default -> Optional.empty();
        };
        if (form.isSound() && note.isEmpty()) {
            form.fault("what", "Expected what is to be corrected, and the value that replaces the note");
        }
        return form.isSound() ? note.map(n -> n) : Optional.empty();
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private static Optional<Reading.Role> role(Form form) {
        return Arrays.stream(Reading.Role.values())
                .filter(role -> role.name().equals(form.text("role")))
                .findFirst();
    }

    private static Optional<MeasuredHeight> height(Form form, boolean zeroAllowed) {
        Optional<MeasuredHeight> height = form.height("height", zeroAllowed, "a height over the mark");
        if (height.isEmpty()) {
            form.fault("height", "Empty: expected a height over the mark");
        }
        return height;
    }

    /** Temperature and pressure as they are to be; the humidity that was noted stays. */
    private static Optional<Atmosphere> air(Form form, BookedJob book) {
        double temperature = form.required("temperature", -50, 60, "degrees Celsius, -50 to 60");
        double pressure = form.required("pressure", 500, 1200, "hPa, 500 to 1200");
        double vapour = book.job()
                .setup(form.text("setup"))
                .flatMap(Setup::atmosphere)
                .map(Atmosphere::vapour)
                .orElse(0.0);
        return form.isSound() ? Optional.of(new Atmosphere(temperature, pressure, vapour)) : Optional.empty();
    }

    private static Optional<Reflector> constant(Form form, BookedJob book) {
        double constant = form.required("constant", -1000, 1000, "millimetres, -1000 to 1000") / 1000;
        Optional<Reflector> reflector = book.job().reflectors().stream()
                .filter(r -> r.name().equals(form.text("reflectorName")) && !r.isReflectorless())
                .findFirst();
        if (reflector.isEmpty()) {
            form.fault("reflectorName", "Expected one of the reflectors of this job");
        }
        return reflector.map(r -> r.withConstant(constant));
    }

    private static Optional<Earth> earth(Form form, BookedJob book) {
        Earth before = book.job().earth();
        boolean curvature = !form.isEmpty("curvature");
        double refraction = form.required("refraction", -5, 5, "a coefficient of refraction, usually 0.13");
        OptionalDouble factor = form.number("scaleFactor", 0.9, 1.1, "a factor from 0.9 to 1.1");
        Optional<GridProjection> projection = Optional.empty();
        if (!form.isEmpty("projection")) {
            Optional<String> definition = ProjectionNames.definition(form.text("projection"));
            if (definition.isEmpty()) {
                form.fault("projection", "Not understood: expected " + ProjectionNames.EXPECTED);
            }
            OptionalDouble height = form.length("meanHeight", -1000, 10000, "the mean height of the work");
            projection = Optional.of(new GridProjection(definition.orElse(""), height.orElse(0)));
        }
        return form.isSound()
                ? Optional.of(new Earth(before.radius(), refraction, curvature, factor.orElse(1), projection))
                : Optional.empty();
    }
}
