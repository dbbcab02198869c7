package markturn.web.traverse;

import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.Refused;
import markturn.fieldbook.TraverseRouted;
import markturn.survey.Survey;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.figure.OtherNames;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Traverse;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.Adoption;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import markturn.web.point.Adopting;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Closing a figure: the route, the misclosures against limit and chance, the computation, the rules compared, and adoption. */
@Controller
class TraverseController {
    private final FieldBook fieldBook;
    private final People people;
    private final Adopting adopting;

    TraverseController(FieldBook fieldBook, People people, Adopting adopting) {
        this.fieldBook = fieldBook;
        this.people = people;
        this.adopting = adopting;
    }

    @GetMapping("/job/{id}/traverse")
    String page(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Map.of());
    }

    private static String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.TRAVERSE);
        Words words = new Words(book.job().units());
        model.addAttribute("words", words);
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("rules", Traverse.Rule.values());
        model.addAttribute("proposed", String.join(", ", Survey.proposedRoute(book.result())));
        model.addAttribute(
                "freeName", "Traverse " + (book.result().measured().traverses().size() + 1));
        model.addAttribute("routePlan", RoutePlan.of(book.result()));
        model.addAttribute(
                "traverses",
                book.result().measured().traverses().stream()
                        .map(t -> FigureSheet.of(book, t))
                        .toList());
        model.addAttribute("likenesses", OtherNames.of(book.result().measured()));
        model.addAttribute("otherNames", OtherNames.said(book.job()).toList());
        model.addAttribute(
                "openStops",
                book.result().findings().stream().filter(Finding::isOpenStop).count());
        return "traverse/page";
    }

    /** Takes a route: a new traverse, or another route or rule for one of its name. */
    @PostMapping("/job/{id}/traverse")
    String route(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String name = form.name("name", "a name for the traverse");
        List<String> route = Arrays.stream(form.text("route").split("[,;\\n]"))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
        if (route.size() < 2) {
            form.fault("route", "Expected at least two stations in order, separated by commas");
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
                    id, typed.get("key"), who.getName(), new TraverseRouted(new Traverse(name, route, rule, false)));
            return "redirect:/job/" + id + "/traverse";
        } catch (Refused refused) {
            form.refused(refused);
            return page(book, model, typed, form.faults());
        }
    }

    /** Says that a mark is another name of one it cannot be told from. Nothing is renamed; its sights count for both. */
    @PostMapping("/job/{id}/traverse/same")
    String same(@PathVariable String id, @RequestParam String name, @RequestParam String key, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        if (book.holds(key)) {
            // Said already: the two are not alike any more.
            return "redirect:/job/" + id + "/traverse";
        }
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
        BookedJob book = fieldBook.book(id, who.getName());
        note(book, name, Optional.empty(), name + " is a mark of its own", key, who);
        return "redirect:/job/" + id + "/traverse";
    }

    /** Notes the last sight as one to another known mark: first shows how the figure would close, then with {@code confirm} books it. */
    @PostMapping("/job/{id}/traverse/end")
    String end(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        MeasuredTraverse run = run(book, form.text("name")).orElseThrow(NotHere::new);
        String mark = form.text("mark");
        List<EntryPayload> payloads =
                OtherEnd.of(book, run).payloads(mark, people.shownName(who.getName()), form.text("reason"));
        boolean confirmed = !form.isEmpty("confirm");
        try {
            if (confirmed && !form.isEmpty("reason")) {
                fieldBook.add(id, typed.get("key"), who.getName(), payloads);
                return "redirect:/job/" + id + "/traverse";
            }
            BookedJob after = fieldBook.preview(book, who.getName(), payloads.toArray(EntryPayload[]::new));
            model.addAttribute("ending", run(after, run.name()).map(then -> FigureSheet.of(after, then)));
            model.addAttribute("end", mark);
            if (confirmed) {
                model.addAttribute("message", "A name noted anew needs a reason: it stays in the record.");
            }
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
        }
        return page(book, model, typed, Map.of());
    }

    private static Optional<MeasuredTraverse> run(BookedJob book, String name) {
        return book.result().measured().traverses().stream()
                .filter(t -> t.name().equals(name))
                .findFirst();
    }

    private void note(BookedJob book, String name, Optional<String> sameAs, String words, String key, Principal who) {
        Mark mark = book.job().mark(name).orElseThrow(NotHere::new);
        fieldBook.add(book.jobId(), key, who.getName(), new MarkNoted(mark.withSameAs(sameAs), words));
    }

    /** Adopts the coordinates of a run. */
    @PostMapping("/job/{id}/traverse/adopt")
    String adopt(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        MeasuredTraverse run = run(book, typed.getOrDefault("name", ""))
                .filter(t -> t.northing().isPresent())
                .orElseThrow(NotHere::new);
        model.addAttribute("adopting", run.name());
        return adopting.isBooked(book, adoption(book.job(), run), typed, who.getName(), model)
                ? "redirect:/job/" + id + "/point"
                : page(book, model, typed, Map.of());
    }

    /** Least squares tell how good a station is; the other rules do not, and then the least squares' figure stands for it. */
    private static Adoption adoption(Job job, MeasuredTraverse run) {
        Adoption adoption =
                new Adoption(run.name(), Map.of("traverse", run.name(), Decision.CLOSED, FigureSheet.closed(job, run)));
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
