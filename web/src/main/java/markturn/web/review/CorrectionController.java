package markturn.web.review;

import java.net.URI;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.formats.Pieces;
import markturn.formats.ProjectionNames;
import markturn.survey.finding.Words;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Moved;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.Entry;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.Payload;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

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
            Book book, Model model, Map<String, String> typed, List<String> chosen, Map<String, String> faults) {
        JobPage.frame(model, book, "Review");
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("key", typed.getOrDefault("key", Payload.key()));
        model.addAttribute("revision", typed.getOrDefault("revision", "" + book.revision()));
        model.addAttribute("lines", lines(book, typed.getOrDefault("setup", ""), chosen));
        model.addAttribute("scaleFactor", GridScale.inForce(book.job()));
        return "review/correct";
    }

    private static List<LineRow> lines(Book book, String wanted, List<String> chosen) {
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
        Book book = fieldBook.book(id, who.getName());
        List<String> chosen = line == null ? List.of() : line;
        Form form = new Form(typed, book.job().units());
        Optional<ObjectNode> payload = payload(form, book, chosen, who);
        Optional<Entry> meanwhile = payload.flatMap(its -> book.lastSince(
                typed.getOrDefault("revision", ""), EntryKind.RENOTE, theirs -> isSameNote(its, theirs)));
        if (meanwhile.isPresent() && !book.holds(typed.getOrDefault("key", ""))) {
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
            Book after = fieldBook.preview(book, who.getName(), EntryKind.RENOTE, payload.get());
            List<Moved> moved =
                    Moved.between(book.result().measured(), after.result().measured());
            if (form.isEmpty("confirm")) {
                model.addAttribute("moved", moved);
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
            fieldBook.add(id, typed.get("key"), who.getName(), EntryKind.RENOTE, payload.get());
            then.addFlashAttribute("said", said(moved, new Words(book.job().units())));
            return "redirect:" + back(id, typed.getOrDefault("back", ""));
        } catch (Refused refused) {
            form.refused(refused);
            return page(book, model, typed, chosen, form.faults());
        }
    }

    /** Whether two corrections are of one note: the same kind of note of the same setup, reflector or line. */
    private static boolean isSameNote(JsonNode one, JsonNode other) {
        if (!one.path("what").equals(other.path("what"))
                || !one.path("setup").equals(other.path("setup"))
                || !one.path("reflector").equals(other.path("reflector"))) {
            return false;
        }
        return !one.has("lines")
                || one.get("lines")
                        .valueStream()
                        .anyMatch(line -> other.path("lines").valueStream().anyMatch(line::equals));
    }

    private String changedMeanwhile(Entry theirs) {
        return "%s corrected the same note while this page was open, with the reason \"%s\". Nothing of yours was booked: look at what stands now, then go on if it is still wrong."
                .formatted(
                        people.shownName(theirs.by()),
                        theirs.payload().path("reason").asString(""));
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

    private Optional<ObjectNode> payload(Form form, Book book, List<String> chosen, Principal who) {
        Pieces pieces = new Pieces(book.job().units());
        String what = form.text("what");
        ObjectNode payload = Payload.renote(what, people.shownName(who.getName()), form.text("reason"));
        switch (what) {
            case "instrumentHeight" -> {
                payload.put("setup", form.text("setup"));
                height(form, false).ifPresent(h -> payload.set("after", pieces.write(h)));
            }
            case "atmosphere" -> {
                payload.put("setup", form.text("setup"));
                air(form).ifPresent(air -> payload.set("after", pieces.write(air)));
            }
            case "reflectorConstant" -> {
                payload.put("reflector", form.text("reflectorName"));
                constant(form, book).ifPresent(r -> payload.set("after", pieces.write(r)));
            }
            case "earth" -> earth(form, book).ifPresent(e -> payload.set("after", pieces.write(e)));
            case "targetHeight" -> height(form, true).ifPresent(h -> payload.set("after", pieces.write(h)));
            case "reflector" -> payload.put("after", form.text("reflectorName"));
            case "target" -> payload.put("after", form.name("target", "a mark"));
            case "role" -> payload.put("after", form.text("role"));
            case "applied" ->
                form.number("constant", -1000, 1000, "millimetres").ifPresent(mm -> payload.put("after", mm / 1000));
            case "appliedPpm" ->
                form.number("keyedPpm", -500, 500, "parts per million").ifPresent(ppm -> payload.put("after", ppm));
            default -> form.fault("what", "Expected what is to be corrected");
        }
        if (!chosen.isEmpty()
                && !payload.hasNonNull("setup")
                && !payload.hasNonNull("reflector")
                && !what.equals("earth")) {
            ArrayNode lines = payload.putArray("lines");
            chosen.forEach(lines::add);
        }
        if (form.isSound() && !payload.hasNonNull("after")) {
            form.fault("what", "Expected the value that replaces the note");
        }
        return form.isSound() ? Optional.of(payload) : Optional.empty();
    }

    private static Optional<MeasuredHeight> height(Form form, boolean zeroAllowed) {
        Optional<MeasuredHeight> height = form.height("height", zeroAllowed, "a height over the mark");
        if (height.isEmpty()) {
            form.fault("height", "Empty: expected a height over the mark");
        }
        return height;
    }

    private static Optional<markturn.survey.job.Atmosphere> air(Form form) {
        double temperature = form.required("temperature", -50, 60, "degrees Celsius, -50 to 60");
        double pressure = form.required("pressure", 500, 1200, "hPa, 500 to 1200");
        return form.isSound()
                ? Optional.of(new markturn.survey.job.Atmosphere(temperature, pressure, 0))
                : Optional.empty();
    }

    private static Optional<Reflector> constant(Form form, Book book) {
        double constant = form.required("constant", -1000, 1000, "millimetres, -1000 to 1000") / 1000;
        Optional<Reflector> reflector = book.job().reflectors().stream()
                .filter(r -> r.name().equals(form.text("reflectorName")) && !r.isReflectorless())
                .findFirst();
        if (reflector.isEmpty()) {
            form.fault("reflectorName", "Expected one of the reflectors of this job");
        }
        return reflector.map(r -> r.withConstant(constant));
    }

    private static Optional<Earth> earth(Form form, Book book) {
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
