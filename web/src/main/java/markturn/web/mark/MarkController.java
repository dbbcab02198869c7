package markturn.web.mark;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.ControlCorrected;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.FixNoted;
import markturn.fieldbook.FixStruck;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.Refused;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.SatelliteFix;
import markturn.survey.result.Moved;
import markturn.survey.show.Display;
import markturn.tripod.mark.MarkDoubts;
import markturn.tripod.mark.MarkForm;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

@Controller
class MarkController {
    private static final int ROWS = 6;
    /** Of the control; the list of coordinates shows the rest. */
    private static final int MOST_SHOWN = 500;

    private final FieldBook fieldBook;
    private final People people;

    MarkController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @GetMapping("/job/{id}/mark")
    String grid(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Map.of());
    }

    private static String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.CONTROL_MARKS);
        model.addAttribute(
                "control",
                book.job().marks().stream()
                        .filter(m -> m.given().isPresent() && m.kind() == Mark.Kind.CONTROL)
                        .limit(MOST_SHOWN)
                        .toList());
        model.addAttribute("fixes", book.job().fixes());
        Words words = new Words(book.job().units());
        model.addAttribute(
                "references",
                ReferenceComparison.of(book.job(), book.result().measured()).stream()
                        .map(c -> c.setup() + ": " + c.sentence(words))
                        .toList());
        model.addAttribute("rows", ROWS);
        model.addAttribute("states", Mark.Found.values());
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        return "mark/grid";
    }

    @PostMapping("/job/{id}/mark")
    String enter(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        if (book.entries().stream().anyMatch(e -> e.key().equals(typed.get("key")))) {
            return "redirect:/job/" + id + "/mark";
        }
        List<Mark> marks = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (int row = 0; row < ROWS; row++) {
            if (!MarkForm.isBlank(form, row)) {
                Mark mark = MarkForm.read(form, row);
                if (!names.add(mark.name()) || book.job().mark(mark.name()).isPresent()) {
                    form.fault("name-" + row, mark.name() + " is in this job already: a name stands for one mark");
                }
                if (form.isEmpty("meant-" + row)) {
                    int asked = row;
                    MarkDoubts.words(book.job().plusMarks(marks), mark)
                            .ifPresent(doubt -> form.fault("meant-" + asked, doubt));
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
        return stored(book, marks.stream().map(MarkAdded::new).toList(), form, typed, model, who);
    }

    private String stored(
            BookedJob book,
            List<? extends EntryPayload> payloads,
            Form form,
            Map<String, String> typed,
            Model model,
            Principal who) {
        try {
            fieldBook.add(book.jobId(), typed.get("key"), who.getName(), payloads);
            return "redirect:/job/" + book.jobId() + "/mark";
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return page(fieldBook.book(book.jobId(), who.getName()), model, typed, form.faults());
        }
    }

    /** Enters what satellites gave for a mark: one that is new gets it, of one that is known it is a check, or part of the network. */
    @PostMapping("/job/{id}/mark/fix")
    String fix(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String mark = form.name("mark", "the mark the antenna stood over");
        double northing = MarkForm.required(form, "fix-northing", "a northing");
        double easting = MarkForm.required(form, "fix-easting", "an easting");
        OptionalDouble elevation = form.length("fix-elevation", -MarkForm.FARTHEST, MarkForm.FARTHEST, "an elevation");
        double plan = MarkForm.deviation(form, "fix-plan");
        double level = elevation.isPresent() ? MarkForm.deviation(form, "fix-level") : 0;
        Optional<MeasuredHeight> antenna = antennaHeight(form, book);
        if (!form.isSound()) {
            return page(book, model, typed, form.faults());
        }
        SatelliteFix fix = new SatelliteFix(
                        mark,
                        new Mark.Coordinates(northing, easting, elevation),
                        new Mark.Deviations(plan, plan, level),
                        form.text("use").equals("observation") ? SatelliteFix.Use.OBSERVATION : SatelliteFix.Use.CHECK)
                .withAntennaHeight(antenna);
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(mark).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(mark, Mark.Kind.NEW)));
        }
        payloads.add(new FixNoted(fix));
        return stored(book, payloads, form, typed, model, who);
    }

    /** The antenna over the mark: as measured, or the pole's height to its reflector and the fixed offset above that. */
    private static Optional<MeasuredHeight> antennaHeight(Form form, BookedJob book) {
        Optional<MeasuredHeight> height = form.height("fix-height", true, "a height over the mark");
        String pole = form.text("fix-pole");
        if (height.isEmpty() || pole.isEmpty()) {
            return height;
        }
        OptionalDouble below = book.job().reflector(pole).belowAntenna();
        if (below.isEmpty()) {
            form.fault("fix-height", pole + " is no combined pole: describe its antenna with the equipment");
            return height;
        }
        return height.map(h -> MeasuredHeight.toAxis(h.taped() + below.getAsDouble()));
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
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        boolean strikes = act.equals("strike");
        if (strikes && form.isEmpty("reason")) {
            model.addAttribute("message", "A fix is struck out with a reason: it stays in the record.");
            return page(book, model, Map.of(), Map.of());
        }
        FixStruck payload = new FixStruck(place, strikes ? form.text("reason") : "");
        return stored(book, List.of(payload), form, typed, model, who);
    }

    /** Who changed a mark after the page that is posted was drawn, and what it is now; empty where nobody did. */
    private static Optional<String> changedSince(BookedJob book, String mark, String revision) {
        return book.lastSince(
                        revision,
                        p -> p instanceof ControlCorrected theirs
                                && theirs.mark().name().equals(mark))
                .map(e ->
                        "%s was changed by %s while this page was open: it is now at %s. Nothing was booked; look at it, then correct it if it is still wrong."
                                .formatted(
                                        mark,
                                        e.by(),
                                        words(book, book.job().mark(mark).orElseThrow())));
    }

    /** Corrects what was given of a mark, or withdraws it: what stood before stays in the record, with the reason. */
    @PostMapping("/job/{id}/mark/correct")
    String correct(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            Model model,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Mark before = book.job()
                .mark(form.text("mark"))
                .filter(m -> m.given().isPresent())
                .orElseThrow(NotHere::new);
        Optional<String> meanwhile = changedSince(book, before.name(), form.text("revision"));
        if (meanwhile.isPresent()) {
            model.addAttribute("message", meanwhile.get());
            return page(book, model, typed, form.faults());
        }
        boolean withdraws = !form.isEmpty("withdraw");
        Mark after = withdraws ? before.withoutGiven() : MarkForm.corrected(form, before);
        if (form.isEmpty("reason")) {
            model.addAttribute("message", "What is given is corrected with a reason: it stays in the record.");
        }
        if (form.isEmpty("reason") || !form.isSound()) {
            return page(book, model, typed, form.faults());
        }
        ControlCorrected payload = new ControlCorrected(
                after,
                Decisions.now(
                        people.shownName(who.getName()),
                        Decision.CORRECT_CONTROL,
                        Map.of("mark", before.name()),
                        form.text("reason"),
                        Optional.of(words(book, before)),
                        Optional.of(withdraws ? "withdrawn" : words(book, after))));
        try {
            BookedJob longer = fieldBook.add(id, typed.get("key"), who.getName(), payload);
            int moved = Moved.between(book.result().measured(), longer.result().measured())
                    .size();
            then.addFlashAttribute(
                    "said",
                    "%s is %s. %d %s moved."
                            .formatted(
                                    before.name(),
                                    withdraws ? "withdrawn" : "corrected",
                                    moved,
                                    moved == 1 ? "mark" : "marks"));
            return "redirect:/job/" + id + "/mark";
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return page(book, model, typed, form.faults());
        }
    }

    private static String words(BookedJob book, Mark mark) {
        Display show = new Display(book.job().units());
        return mark.given()
                .map(at -> "N %s E %s H %s (%s)"
                        .formatted(
                                show.length(at.northing()),
                                show.length(at.easting()),
                                show.length(at.elevation()),
                                mark.source()))
                .orElse("withdrawn");
    }

    /** Notes how a mark was found on the ground. */
    @PostMapping("/job/{id}/mark/found")
    String found(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String found,
            @RequestParam(defaultValue = "") String was,
            @RequestParam String key,
            RedirectAttributes then,
            Principal who) {
        // From the mark when its turn comes: what somebody else changed of it meanwhile stays.
        BookedJob before = fieldBook.book(id, who.getName());
        fieldBook.add(id, key, who.getName(), book -> {
            Mark mark = book.job().mark(name).orElseThrow(() -> new Refused("name", "There is no mark " + name));
            return List.of(new MarkNoted(MarkForm.withFound(mark, found), "found " + found));
        });
        String now = before.job()
                .mark(name)
                .flatMap(Mark::found)
                .map(Mark.Found::key)
                .orElse("");
        if (!now.equals(was) && !now.equals(found)) {
            then.addFlashAttribute(
                    "said",
                    "%s was noted as %s by somebody else while your page was open; now it is noted as %s, as you say. Both notes stay in the record."
                            .formatted(
                                    name,
                                    now.isEmpty() ? "not looked at" : now,
                                    found.isEmpty() ? "not looked at" : found));
        }
        return "redirect:/job/" + id + "/mark";
    }
}
