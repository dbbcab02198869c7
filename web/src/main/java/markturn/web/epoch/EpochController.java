package markturn.web.epoch;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EpochNoted;
import markturn.fieldbook.JobNamed;
import markturn.fieldbook.ReferenceChosen;
import markturn.fieldbook.Refused;
import markturn.formats.MovementFiles;
import markturn.report.MovedDrawing;
import markturn.report.MovedRows;
import markturn.report.TimeLineDrawing;
import markturn.survey.epoch.Epoch;
import markturn.survey.epoch.Epochs;
import markturn.survey.epoch.MovedInWords;
import markturn.survey.epoch.TimeLine;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.show.Display;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Member;
import markturn.web.fieldbook.Members;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.frame.TypedAgain;
import markturn.web.people.People;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Epochs of the same marks: the next one begun, any two compared, all of them in time. */
@Controller
class EpochController {
    private final FieldBook fieldBook;
    private final Series series;
    private final Members members;
    private final People people;

    EpochController(FieldBook fieldBook, Series series, Members members, People people) {
        this.fieldBook = fieldBook;
        this.series = series;
        this.members = members;
        this.people = people;
    }

    /** A mark over time, as the page shows it: its drawing in plan or in elevation, and a sentence. */
    public record Line(String where, TimeLineDrawing drawing, String words, boolean moves) {}

    /**
     * A mark that may be meant to be stable.
     *
     * @param compared whether the epochs that are compared hold it; one that they do not hold may be meant all the same
     */
    public record Choice(String name, boolean chosen, boolean compared) {}

    @GetMapping("/job/{id}/epoch")
    String page(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String earlier,
            @RequestParam(defaultValue = "") String later,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.JOB);
        Map.of("again", "", "ticked", List.of()).forEach((name, nothing) -> {
            if (!model.containsAttribute(name)) {
                model.addAttribute(name, nothing);
            }
        });
        Series.Seen seen = series.of(book, who.getName());
        model.addAttribute("epochs", seen.epochs());
        model.addAttribute("hidden", seen.hidden());
        model.addAttribute("reference", Words.names(seen.reference()));
        model.addAttribute("decided", seen.decided());
        model.addAttribute("setups", book.job().setups());
        model.addAttribute("own", book.epochs());
        model.addAttribute("nextName", nextName(book, seen.epochs().size()));
        Optional<WhatMoved> asked = asked(seen, earlier, later);
        if (asked.isEmpty() && seen.epochs().size() > 1) {
            model.addAttribute(
                    "fault", "Expected two epochs: beside itself none has moved. Here are the first and the last");
            asked = asked(seen, "", "");
        }
        asked.ifPresent(what -> compared(model, what, seen, book));
        return "epoch/page";
    }

    private static String nextName(BookedJob book, int epochs) {
        String name = book.job().name().replaceFirst(", epoch \\d+$", "");
        return name + ", epoch " + (Math.max(1, epochs) + 1);
    }

    /** The two that are asked for; else the first and the last. Empty where there is no second, or one is asked for twice. */
    private static Optional<WhatMoved> asked(Series.Seen seen, String earlier, String later) {
        List<Epoch> epochs = seen.epochs();
        if (epochs.size() < 2) {
            return Optional.empty();
        }
        Epoch one = named(epochs, earlier).orElse(epochs.get(0));
        Epoch other = named(epochs, later).orElse(epochs.get(epochs.size() - 1));
        return one == other
                ? Optional.empty()
                : Optional.of(
                        one.at().isAfter(other.at())
                                ? WhatMoved.between(other, one, seen.reference())
                                : WhatMoved.between(one, other, seen.reference()));
    }

    private static Optional<Epoch> named(List<Epoch> epochs, String name) {
        return epochs.stream().filter(e -> e.name().equals(name)).findFirst();
    }

    private static void compared(Model model, WhatMoved what, Series.Seen seen, BookedJob book) {
        Words units = new Words(book.job().units());
        MovedInWords words = new MovedInWords(units);
        Display show = new Display(book.job().units());
        model.addAttribute("what", what);
        model.addAttribute("verdict", words.verdict(what));
        model.addAttribute("held", words.reference(what));
        model.addAttribute("rows", MovedRows.of(what, words, show));
        model.addAttribute("drawing", MovedDrawing.from(what));
        boolean again = "reference".equals(model.getAttribute("again"));
        List<?> chosen = again ? (List<?>) model.getAttribute("ticked") : seen.reference();
        model.addAttribute("choices", choices(what, chosen, seen.reference()));
        if (seen.epochs().size() > 2) {
            Epochs all = Epochs.of(seen.epochs(), seen.reference());
            List<Line> lines = new ArrayList<>(lines("in plan", all.plan(), words, units));
            lines.addAll(lines("in elevation", all.elevations(), words, units));
            model.addAttribute("lines", lines);
            model.addAttribute(
                    "steps",
                    all.steps().stream()
                            .map(step -> step.earlier().name() + " to "
                                    + step.later().name() + ": " + words.verdict(step))
                            .toList());
        }
    }

    /** What the earlier epoch holds, and all of the reference: a form that left one out would take it from the reference. */
    private static List<Choice> choices(WhatMoved what, List<?> chosen, List<String> reference) {
        Set<String> earlier = marks(what.earlier());
        Set<String> later = marks(what.later());
        Set<String> marks = new LinkedHashSet<>(earlier);
        marks.addAll(reference);
        return marks.stream()
                .map(mark -> new Choice(mark, chosen.contains(mark), earlier.contains(mark) && later.contains(mark)))
                .toList();
    }

    private static Set<String> marks(Epoch epoch) {
        Set<String> marks = new LinkedHashSet<>();
        epoch.plan().ifPresent(plan -> marks.addAll(plan.marks()));
        epoch.elevations().ifPresent(up -> marks.addAll(up.marks()));
        return marks;
    }

    private static List<Line> lines(String where, List<TimeLine> lines, MovedInWords words, Words units) {
        List<TimeLineDrawing> drawings = TimeLineDrawing.of(lines, units);
        List<Line> shown = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            shown.add(new Line(
                    where,
                    drawings.get(i),
                    words.line(lines.get(i)),
                    lines.get(i).moves()));
        }
        return shown;
    }

    /** Begins the next epoch, in a job of its own with the members of this one. */
    @PostMapping("/job/{id}/epoch/again")
    String again(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String name,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        String called = name.strip();
        if (called.isEmpty() || called.length() > JobNamed.LONGEST) {
            String fault = "Expected a name of the epoch, at most " + JobNamed.LONGEST + " characters";
            return refused(id, "next", Map.of("next", name), List.of(), fault, then);
        }
        if (book.job().setups().isEmpty()) {
            String fault = "Nothing was measured here yet that could be measured again";
            return refused(id, "next", Map.of("next", name), List.of(), fault, then);
        }
        Set<String> names =
                members.of(id).stream().map(Member::signInName).collect(Collectors.toCollection(LinkedHashSet::new));
        return "redirect:/job/" + series.again(book, key, who.getName(), called, names) + "/setup";
    }

    /** Notes that some of the setups are an epoch of their own. */
    @PostMapping("/job/{id}/epoch/part")
    String part(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(required = false) List<String> setup,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        if (setup == null) {
            return refused(
                    id, "part", Map.of("name", name), List.of(), "Choose the setups that belong to this epoch", then);
        }
        String of = book.epochs().isEmpty() ? id : book.epochs().get(0).series();
        try {
            series.note(id, key, who.getName(), new EpochNoted(of, name.strip(), setup));
        } catch (Refused refused) {
            return refused(id, "part", Map.of("name", name), setup, refused.getMessage(), then);
        }
        return there(id);
    }

    /** Back to the page with what was typed and ticked: nothing of it is lost. */
    private static String refused(
            String id,
            String form,
            Map<String, String> typed,
            List<String> ticked,
            String fault,
            RedirectAttributes then) {
        then.addFlashAttribute("again", form);
        then.addFlashAttribute("ticked", ticked);
        return TypedAgain.on(there(id), typed, fault, then);
    }

    /** Notes that this job is an epoch of the same marks as another. */
    @PostMapping("/job/{id}/epoch/join")
    String join(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String other,
            RedirectAttributes then,
            Principal who) {
        try {
            series.join(fieldBook.book(id, who.getName()), key, who.getName(), other.strip());
        } catch (Refused refused) {
            return refused(id, "join", Map.of("other", other), List.of(), refused.getMessage(), then);
        }
        return there(id);
    }

    /** Decides which marks are meant to be stable; the same two epochs stay compared. */
    @PostMapping("/job/{id}/epoch/reference")
    String reference(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String earlier,
            @RequestParam(defaultValue = "") String later,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(required = false) List<String> mark,
            RedirectAttributes then,
            Principal who) {
        List<String> marks = mark == null ? List.of() : mark;
        Decision decision = Decisions.now(
                people.shownName(who.getName()),
                Decision.CHOOSE_REFERENCE,
                Map.of("marks", String.join(", ", marks)),
                reason.strip());
        then.addAttribute("earlier", earlier).addAttribute("later", later);
        try {
            fieldBook.add(id, key, who.getName(), new ReferenceChosen(marks, decision));
        } catch (Refused refused) {
            return refused(id, "reference", Map.of("reason", reason), marks, refused.getMessage(), then);
        }
        return there(id);
    }

    @GetMapping("/job/{id}/epoch/movements.csv")
    ResponseEntity<byte[]> csv(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String earlier,
            @RequestParam(defaultValue = "") String later,
            Principal who) {
        return file(id, earlier, later, who, "csv", "text/csv");
    }

    @GetMapping("/job/{id}/epoch/movements.geojson")
    ResponseEntity<byte[]> geoJson(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String earlier,
            @RequestParam(defaultValue = "") String later,
            Principal who) {
        return file(id, earlier, later, who, "geojson", "application/geo+json");
    }

    private ResponseEntity<byte[]> file(
            String id, String earlier, String later, Principal who, String ending, String type) {
        BookedJob book = fieldBook.book(id, who.getName());
        WhatMoved what = asked(series.of(book, who.getName()), earlier, later).orElseThrow(NotHere::new);
        byte[] content = ending.equals("csv")
                ? MovementFiles.csv(book.result(), what)
                : MovementFiles.geoJson(book.result(), what);
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.parseMediaType(type), StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"movements." + ending + "\"")
                .body(content);
    }

    private static String there(String id) {
        return "redirect:/job/" + id + "/epoch";
    }
}
