package markturn.web.mark;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.formats.Pieces;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.web.fieldbook.Act;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.Payload;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

@Controller
class MarkController {
    private static final int ROWS = 6;
    /** Of the control; the list of coordinates shows the rest. */
    private static final int MOST_SHOWN = 500;

    private static final double FARTHEST = 1e8;

    /** What a deviation may be, metres. */
    private static final double SMALLEST = 1e-4;

    private static final double LARGEST = 100;

    private final FieldBook fieldBook;

    MarkController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/mark")
    String grid(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of("key", Payload.key()), Map.of());
    }

    private static String page(Book book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, "Control marks");
        model.addAttribute(
                "control",
                book.job().marks().stream()
                        .filter(m -> m.given().isPresent() && m.kind() == Mark.Kind.CONTROL)
                        .limit(MOST_SHOWN)
                        .toList());
        model.addAttribute("fixes", book.job().fixes());
        model.addAttribute("rows", ROWS);
        model.addAttribute("states", Mark.Found.values());
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        return "mark/grid";
    }

    @PostMapping("/job/{id}/mark")
    String enter(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        if (book.entries().stream().anyMatch(e -> e.key().equals(typed.get("key")))) {
            return "redirect:/job/" + id + "/mark";
        }
        List<Mark> marks = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (int row = 0; row < ROWS; row++) {
            if (!isBlank(form, row)) {
                Mark mark = read(form, row);
                if (!names.add(mark.name()) || book.job().mark(mark.name()).isPresent()) {
                    form.fault("name-" + row, mark.name() + " is in this job already: a name stands for one mark");
                }
                marks.add(mark);
            }
        }
        if (marks.isEmpty()) {
            form.fault("name-0", "Nothing typed: expected at least one mark");
        }
        if (!form.isSound()) {
            return page(book, model, typed, form.faults());
        }
        Pieces pieces = new Pieces(book.job().units());
        return stored(
                book,
                marks.stream()
                        .map(mark -> new Act(EntryKind.MARK, pieces.write(mark)))
                        .toList(),
                form,
                typed,
                model,
                who);
    }

    private String stored(Book book, List<Act> acts, Form form, Map<String, String> typed, Model model, Principal who) {
        try {
            fieldBook.add(book.jobId(), typed.get("key"), who.getName(), acts);
            return "redirect:/job/" + book.jobId() + "/mark";
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return page(fieldBook.book(book.jobId(), who.getName()), model, typed, form.faults());
        }
    }

    /** Enters what satellites gave for a mark: one that is new gets it, of one that is known it is a check, or part of the network. */
    @PostMapping("/job/{id}/mark/fix")
    String fix(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String mark = form.name("mark", "the mark the antenna stood over");
        double northing = required(form, "fix-northing", "a northing");
        double easting = required(form, "fix-easting", "an easting");
        OptionalDouble elevation = form.length("fix-elevation", -FARTHEST, FARTHEST, "an elevation");
        double plan = deviation(form, "fix-plan");
        double level = elevation.isPresent() ? deviation(form, "fix-level") : 0;
        if (!form.isSound()) {
            return page(book, model, typed, form.faults());
        }
        SatelliteFix fix = new SatelliteFix(
                mark,
                new Mark.Coordinates(northing, easting, elevation),
                new Mark.Deviations(plan, plan, level),
                form.text("use").equals("observation") ? SatelliteFix.Use.OBSERVATION : SatelliteFix.Use.CHECK);
        Pieces pieces = new Pieces(book.job().units());
        List<Act> acts = new ArrayList<>();
        if (book.job().mark(mark).isEmpty()) {
            acts.add(new Act(EntryKind.MARK, pieces.write(Mark.named(mark, Mark.Kind.NEW))));
        }
        acts.add(new Act(EntryKind.FIX, pieces.write(fix)));
        return stored(book, acts, form, typed, model, who);
    }

    /** Strikes a fix out with a reason, or lets it stand again. */
    @PostMapping("/job/{id}/mark/fix/{place}/{act:strike|restore}")
    String strike(
            @PathVariable String id,
            @PathVariable int place,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        boolean strikes = act.equals("strike");
        if (strikes && form.isEmpty("reason")) {
            model.addAttribute("message", "A fix is struck out with a reason: it stays in the record.");
            return page(book, model, Map.of("key", Payload.key()), Map.of());
        }
        ObjectNode payload = JsonNodeFactory.instance
                .objectNode()
                .put("fix", place)
                .put("reason", strikes ? form.text("reason") : "");
        return stored(book, List.of(new Act(EntryKind.FIX_STRUCK, payload)), form, typed, model, who);
    }

    /** A fix without its precision can neither be compared nor adjusted. */
    private static double deviation(Form form, String field) {
        OptionalDouble value = form.length(field, SMALLEST, LARGEST, "one standard deviation, as the receiver says it");
        if (value.isEmpty() && !form.faults().containsKey(field)) {
            form.fault(field, "Empty: expected one standard deviation, as the receiver says it");
        }
        return value.orElse(LARGEST);
    }

    private static boolean isBlank(Form form, int row) {
        return form.isEmpty("name-" + row) && form.isEmpty("northing-" + row) && form.isEmpty("easting-" + row);
    }

    private static Mark read(Form form, int row) {
        double northing = required(form, "northing-" + row, "a northing");
        double easting = required(form, "easting-" + row, "an easting");
        OptionalDouble elevation = form.length("elevation-" + row, -FARTHEST, FARTHEST, "an elevation");
        Mark mark = Mark.control(
                form.name("name-" + row, "the name of the mark"),
                northing,
                easting,
                elevation,
                form.text("source-" + row));
        return withFound(mark, form.text("found-" + row));
    }

    private static double required(Form form, String field, String what) {
        OptionalDouble value = form.length(field, -FARTHEST, FARTHEST, what);
        if (value.isEmpty()) {
            form.fault(field, "Empty: expected " + what);
        }
        return value.orElse(0);
    }

    private static Mark withFound(Mark mark, String found) {
        Optional<Mark.Found> state = java.util.Arrays.stream(Mark.Found.values())
                .filter(f -> f.key().equals(found))
                .findFirst();
        return mark.withFound(state);
    }

    /** Notes how a mark was found on the ground. */
    @PostMapping("/job/{id}/mark/found")
    String found(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String found,
            @RequestParam String key,
            Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Mark mark = book.job().mark(name).orElseThrow(() -> new Refused("name", "no such mark"));
        Pieces pieces = new Pieces(book.job().units());
        fieldBook.add(
                id,
                key,
                who.getName(),
                EntryKind.MARK_NOTED,
                Payload.noted(pieces.write(withFound(mark, found)), "found " + found));
        return "redirect:/job/" + id + "/mark";
    }
}
