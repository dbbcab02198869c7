package markturn.web.traverse;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.formats.Pieces;
import markturn.survey.Survey;
import markturn.survey.finding.Finding;
import markturn.survey.finding.OtherNames;
import markturn.survey.finding.Suspects;
import markturn.survey.finding.TraverseLimits;
import markturn.survey.finding.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Traverse;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Moved;
import markturn.survey.result.Position;
import markturn.web.fieldbook.Act;
import markturn.web.fieldbook.Adoption;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.frame.Payload;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.node.ObjectNode;

/** Closing a figure: the route, the misclosures against limit and chance, the computation, the rules compared, and adoption. */
@Controller
class TraverseController {
    /** Metres. */
    private static final double NOTHING = 5e-5;

    private final FieldBook fieldBook;
    private final People people;

    TraverseController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** One misclosure: its value, what chance predicts (95 %), its limit, and the word for it. */
    public record Row(String what, String value, String predicted, String limit, String word, boolean out) {}

    /** A station by every rule, in the order of the rules shown, and how far apart the rules put it, metres. */
    public record RuleRow(String station, List<Position> places, double apart) {}

    /** A leg as a surveyor writes it: what it took, and the station it leads to. */
    public record LegRow(MeasuredTraverse.Leg leg, MeasuredTraverse.Correction took, Optional<Position> to) {}

    /** A traverse as its page shows it. */
    public record Shown(
            MeasuredTraverse run,
            String verdict,
            List<Row> rows,
            FigureDrawing drawing,
            UnrolledRoute unrolled,
            List<LegRow> legs,
            List<Suspects.Said> suspects,
            String suspected,
            List<Suspects.Elsewhere> elsewhere,
            Optional<Suspects.Elsewhere> endElsewhere,
            String closingSetup,
            String choice,
            List<RuleRow> rulesCompared) {}

    @GetMapping("/job/{id}/traverse")
    String page(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Map.of());
    }

    private static String page(Book book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, "Close");
        Words words = new Words(book.job().units());
        model.addAttribute("words", words);
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("rules", Traverse.Rule.values());
        model.addAttribute("key", Payload.key());
        model.addAttribute("proposed", String.join(", ", Survey.proposedRoute(book.result())));
        model.addAttribute("routePlan", RoutePlan.of(book.result()));
        model.addAttribute(
                "traverses",
                book.result().measured().traverses().stream()
                        .map(t -> shown(book, t, words))
                        .toList());
        model.addAttribute("likenesses", OtherNames.of(book.result().measured()));
        model.addAttribute("otherNames", OtherNames.said(book.job()).toList());
        model.addAttribute(
                "openStops",
                book.result().findings().stream().filter(Finding::isOpenStop).count());
        return "traverse/page";
    }

    private static Shown shown(Book book, MeasuredTraverse run, Words words) {
        Job job = book.job();
        Measured measured = book.result().measured();
        boolean out = TraverseLimits.isOut(job, run);
        List<Suspects.Said> suspects = out ? Suspects.of(job, measured, run) : List.of();
        return new Shown(
                run,
                verdict(job, run, words),
                rows(job, run, words),
                run.stations().isEmpty() ? null : FigureDrawing.of(job, run, suspects),
                UnrolledRoute.of(job, run),
                legs(run),
                suspects,
                suspected(suspects),
                out ? Suspects.elsewhere(job, measured, run) : List.of(),
                out ? Suspects.endElsewhere(job, measured, run) : Optional.empty(),
                OtherEnd.of(book, run).setup(),
                run.rules().size() < 2
                        ? ""
                        : "The choice of rule changes nothing above %s here."
                                .formatted(words.difference(run.largestDifference())),
                rulesCompared(run));
    }

    /** The largest difference first. */
    private static List<RuleRow> rulesCompared(MeasuredTraverse run) {
        List<RuleRow> rows = new ArrayList<>();
        for (int i = 1; i < run.traverse().route().size() - 1; i++) {
            int station = i;
            List<Position> places = Arrays.stream(Traverse.Rule.values())
                    .filter(run.rules()::containsKey)
                    .map(rule -> run.rules().get(rule).get(station))
                    .toList();
            double apart = 0;
            for (Position one : places) {
                for (Position other : places) {
                    apart = Math.max(apart, one.distanceTo(other));
                }
            }
            rows.add(new RuleRow(run.traverse().route().get(i), places, apart));
        }
        rows.sort(Comparator.comparingDouble(RuleRow::apart).reversed());
        return rows;
    }

    /** What the suspects are worth, in a sentence. */
    private static String suspected(List<Suspects.Said> suspects) {
        if (suspects.isEmpty()) {
            return "";
        }
        if (!suspects.get(0).enough()) {
            return "None of these alone explains it: two things are wrong, or a sight went to another mark.";
        }
        return suspects.size() == 1
                ? "One thing wrong would explain it. Observing that again decides it."
                : "Any one of these would explain it, and this figure cannot tell them apart: observe each again, the first one first.";
    }

    private static List<LegRow> legs(MeasuredTraverse run) {
        List<LegRow> rows = new ArrayList<>();
        for (int i = 0; i < run.legs().size(); i++) {
            rows.add(new LegRow(
                    run.legs().get(i),
                    run.correction(i),
                    run.stations().stream().skip(i + 1L).findFirst()));
        }
        return rows;
    }

    private static String verdict(Job job, MeasuredTraverse run, Words words) {
        if (run.why().isPresent()) {
            return "Cannot be carried: " + run.why().get() + ".";
        }
        if (run.northing().isEmpty()) {
            return "Open: %s, %s long; nothing checks its end."
                    .formatted(
                            run.legs().size() + " legs", words.line(run.length().getAsDouble()));
        }
        String ratio = run.ratio().isPresent() && run.ratio().getAsDouble() < 1e6
                ? " (1:%s)".formatted(Words.number(run.ratio().getAsDouble(), 0))
                : "";
        return "Closes by %s in %s%s; limit %s, predicted %s.%s"
                .formatted(
                        words.difference(run.linear().getAsDouble()),
                        words.line(run.length().getAsDouble()),
                        ratio,
                        words.difference(TraverseLimits.linear(job, run)),
                        words.difference(run.predicted().linear95()),
                        run.loop()
                                ? " A loop from one mark cannot see a wrong scale or starting azimuth: sight a second control mark."
                                : "");
    }

    private static List<Row> rows(Job job, MeasuredTraverse run, Words words) {
        List<Row> rows = new ArrayList<>();
        if (run.northing().isEmpty()) {
            return rows;
        }
        if (run.angular().isPresent()) {
            double value = run.angular().getAsDouble();
            double limit = TraverseLimits.angular(run);
            rows.add(new Row(
                    "angles",
                    (value < 0 ? "-" : "+") + words.size(value),
                    words.small(run.predicted().angular95()),
                    words.small(limit),
                    word(value, run.predicted().angular95(), limit),
                    Math.abs(value) > limit));
        }
        double linear = TraverseLimits.linear(job, run);
        place("north", run.northing(), run.predicted().northing95(), linear, words, rows);
        place("east", run.easting(), run.predicted().easting95(), linear, words, rows);
        place("length of the gap", run.linear(), run.predicted().linear95(), linear, words, rows);
        if (run.elevation().isPresent()) {
            place(
                    "elevation",
                    run.elevation(),
                    run.predicted().elevation95(),
                    TraverseLimits.elevation(job, run),
                    words,
                    rows);
        }
        return rows;
    }

    private static void place(
            String what, OptionalDouble value, double predicted, double limit, Words words, List<Row> rows) {
        double v = value.getAsDouble();
        rows.add(new Row(
                what,
                sign(v) + words.difference(v),
                words.difference(predicted),
                words.difference(limit),
                word(v, predicted, limit),
                Math.abs(v) > limit));
    }

    /** A length that shows as nothing has no sign worth showing. */
    private static String sign(double value) {
        return Math.abs(value) < NOTHING ? "" : value < 0 ? "-" : "+";
    }

    private static String word(double value, double predicted, double limit) {
        if (Math.abs(value) > limit) {
            return "beyond its limit";
        }
        return Math.abs(value) > predicted ? "more than chance, within its limit" : "not contradicted";
    }

    /** Takes a route: a new traverse, or another route or rule for one of its name. */
    @PostMapping("/job/{id}/traverse")
    String route(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String name = form.name("name", "a name for the traverse");
        List<String> route = Arrays.stream(form.text("route").split("[,;\\n]"))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
        if (route.size() < 2) {
            form.fault("route", "Expected at least two stations in order, parted by commas");
        }
        route.stream()
                .filter(mark -> book.job().mark(mark).isEmpty())
                .findFirst()
                .ifPresent(mark -> form.fault("route", "There is no mark " + mark + " in this job"));
        Traverse.Rule rule = Arrays.stream(Traverse.Rule.values())
                .filter(r -> r.key().equals(form.text("rule")))
                .findFirst()
                .orElse(Traverse.Rule.COMPASS);
        if (!form.isSound()) {
            return page(book, model, typed, form.faults());
        }
        try {
            fieldBook.add(
                    id,
                    typed.get("key"),
                    who.getName(),
                    EntryKind.TRAVERSE,
                    new Pieces(book.job().units()).write(new Traverse(name, route, rule, false)));
            return "redirect:/job/" + id + "/traverse";
        } catch (Refused refused) {
            form.refused(refused);
            return page(book, model, typed, form.faults());
        }
    }

    /** Says that a mark is another name of one it cannot be told from. Nothing is renamed; its sights count for both. */
    @PostMapping("/job/{id}/traverse/same")
    String same(@PathVariable String id, @RequestParam String name, @RequestParam String key, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        OtherNames.Likeness like = OtherNames.of(book.result().measured()).stream()
                .filter(l -> l.mark().equals(name))
                .findFirst()
                .orElseThrow(NotHere::new);
        note(book, name, Optional.of(like.fixed()), name + " is another name of " + like.fixed(), key, who);
        return "redirect:/job/" + id + "/traverse";
    }

    /** Takes back that a mark is another name of one. */
    @PostMapping("/job/{id}/traverse/part")
    String part(@PathVariable String id, @RequestParam String name, @RequestParam String key, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        note(book, name, Optional.empty(), name + " is a mark of its own", key, who);
        return "redirect:/job/" + id + "/traverse";
    }

    /** Notes the last sight as one to another known mark: first shows how the figure would close, then with {@code confirm} books it. */
    @PostMapping("/job/{id}/traverse/end")
    String end(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        MeasuredTraverse run = run(book, form.text("name")).orElseThrow(NotHere::new);
        String mark = form.text("mark");
        List<Act> acts = OtherEnd.of(book, run).acts(mark, people.shownName(who.getName()), form.text("reason"));
        boolean confirmed = !form.isEmpty("confirm");
        try {
            if (confirmed && !form.isEmpty("reason")) {
                fieldBook.add(id, typed.get("key"), who.getName(), acts);
                return "redirect:/job/" + id + "/traverse";
            }
            Book after = fieldBook.preview(book, who.getName(), acts);
            Words words = new Words(book.job().units());
            model.addAttribute("ending", run(after, run.name()).map(then -> shown(after, then, words)));
            model.addAttribute("end", mark);
            if (confirmed) {
                model.addAttribute("message", "A name noted anew needs a reason: it stays in the record.");
            }
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
        }
        return page(book, model, typed, Map.of());
    }

    private static Optional<MeasuredTraverse> run(Book book, String name) {
        return book.result().measured().traverses().stream()
                .filter(t -> t.name().equals(name))
                .findFirst();
    }

    private void note(Book book, String name, Optional<String> sameAs, String words, String key, Principal who) {
        Mark mark = book.job().mark(name).orElseThrow(NotHere::new);
        fieldBook.add(
                book.jobId(),
                key,
                who.getName(),
                EntryKind.MARK_NOTED,
                Payload.noted(new Pieces(book.job().units()).write(mark.withSameAs(sameAs)), words));
    }

    /** Adopts the coordinates of a run: first shows what moves, then with {@code confirm} books it. Stops must be answered first. */
    @PostMapping("/job/{id}/traverse/adopt")
    String adopt(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        MeasuredTraverse run = run(book, form.text("name"))
                .filter(t -> t.northing().isPresent())
                .orElseThrow(NotHere::new);
        if (book.result().findings().stream().anyMatch(Finding::isOpenStop)) {
            model.addAttribute(
                    "message", "A stop is open in this job: it must be answered before anything is adopted.");
            return page(book, model, typed, Map.of());
        }
        if (form.isEmpty("reason")) {
            model.addAttribute("message", "Adopting needs a reason: it is a decision, and stays in the record.");
            return page(book, model, typed, Map.of());
        }
        ObjectNode payload = adoption(book.job(), run)
                .payload(book, form.text("reason"), who.getName(), people.shownName(who.getName()));
        if (form.isEmpty("confirm")) {
            Book after = fieldBook.preview(book, who.getName(), EntryKind.ADOPT, payload);
            model.addAttribute(
                    "moved",
                    Moved.between(book.result().measured(), after.result().measured()));
            model.addAttribute("adopting", run.name());
            return page(book, model, typed, Map.of());
        }
        fieldBook.add(id, typed.get("key"), who.getName(), EntryKind.ADOPT, payload);
        return "redirect:/job/" + id + "/point";
    }

    /** Least squares tell how good a station is; the other rules do not, and then the least squares' figure stands for it. */
    private static Adoption adoption(Job job, MeasuredTraverse run) {
        Adoption adoption = new Adoption(run.name(), Map.of("traverse", run.name()));
        Optional<List<Position>> adjusted = Optional.ofNullable(run.rules().get(Traverse.Rule.LEAST_SQUARES));
        for (int i = 1; i < run.stations().size() - 1; i++) {
            int station = i;
            String mark = job.trueName(run.traverse().route().get(i));
            if (job.mark(mark).flatMap(Mark::given).isEmpty()) {
                adoption.take(mark, run.stations().get(i), adjusted.map(stations -> stations.get(station)));
            }
        }
        return adoption;
    }
}
