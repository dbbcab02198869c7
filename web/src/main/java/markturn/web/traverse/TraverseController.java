package markturn.web.traverse;

import java.security.Principal;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
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
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.Adoption;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Closing a figure: the route, the misclosures against limit and chance, the computation, the rules compared, and adoption. */
@Controller
class TraverseController {
    /** Revision of the book that a page was drawn from. */
    private static final String SEEN = "revision";

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
        model.addAttribute("seen", typed.getOrDefault(SEEN, "" + book.revision()));
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
            TraverseRouted routed = new TraverseRouted(new Traverse(name, route, rule, false));
            fieldBook.add(id, typed.get("key"), who.getName(), now -> {
                requireSeen(now, typed, name);
                return List.of(routed);
            });
            return "redirect:/job/" + id + "/traverse";
        } catch (Refused refused) {
            form.refused(refused);
            // What was not seen stands above now.
            Map<String, String> looked = new HashMap<>(typed);
            looked.remove(SEEN);
            return page(fieldBook.book(id, who.getName()), model, looked, form.faults());
        }
    }

    /** A route in the place of one that whoever sends it never saw is refused. */
    private void requireSeen(BookedJob now, Map<String, String> typed, String name) {
        Optional<Entry> meanwhile = now.lastSince(
                typed.getOrDefault(SEEN, ""),
                typed.getOrDefault("key", ""),
                p -> p instanceof TraverseRouted theirs
                        && theirs.traverse().name().equals(name));
        if (meanwhile.isPresent()) {
            throw new Refused(
                    "name",
                    Sentence.of(
                            "%s took a route under this name while this page was open. Nothing of yours is booked: look at it above, then give yours another name, or send it again to put it in the place of theirs",
                            people.shownName(meanwhile.get().by())));
        }
    }

    /** Says that a mark is another name of one it cannot be told from. Nothing is renamed; its sights count for both. */
    @PostMapping("/job/{id}/traverse/same")
    String same(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String fixed,
            @RequestParam String key,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        boolean alike = OtherNames.of(book.result().measured()).stream()
                .anyMatch(l -> l.mark().equals(name) && l.fixed().equals(fixed));
        if (alike) {
            note(id, name, Optional.of(fixed), name + " is another name of " + fixed, key, who);
        } else if (!book.holds(key)) {
            then.addFlashAttribute(
                    "message",
                    Sentence.of(
                            "%s cannot be taken for %s any more: more was booked while this page was open. Nothing was noted.",
                            name, fixed));
        }
        return "redirect:/job/" + id + "/traverse";
    }

    /** Takes back that a mark is another name of one. */
    @PostMapping("/job/{id}/traverse/part")
    String part(@PathVariable String id, @RequestParam String name, @RequestParam String key, Principal who) {
        note(id, name, Optional.empty(), name + " is a mark of its own", key, who);
        return "redirect:/job/" + id + "/traverse";
    }

    /** From the book when its turn comes: what else was noted of the mark meanwhile stays. */
    private void note(String id, String name, Optional<String> sameAs, String words, String key, Principal who) {
        fieldBook.add(id, key, who.getName(), now -> {
            Mark mark = now.job().mark(name).orElseThrow(NotHere::new);
            return now.holds(key) ? List.of() : List.of(new MarkNoted(mark.withSameAs(sameAs), words));
        });
    }

    /** Notes the last sight as one to another known mark: first shows how the figure would close, then with {@code confirm} books it. */
    @PostMapping("/job/{id}/traverse/end")
    String end(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String mark = form.text("mark");
        try {
            if (!form.isEmpty("confirm") && !form.isEmpty("reason")) {
                fieldBook.add(id, typed.get("key"), who.getName(), now -> ended(now, form, typed, who));
                return "redirect:/job/" + id + "/traverse";
            }
            if (!form.isEmpty("confirm")) {
                model.addAttribute("message", "A name noted anew needs a reason: it stays in the record.");
            }
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            book = fieldBook.book(id, who.getName());
        }
        showEnd(book, form, mark, model, who);
        return page(book, model, typed, Map.of());
    }

    /** What notes the sight anew, of the lines that were shown. */
    private List<EntryPayload> ended(BookedJob now, Form form, Map<String, String> typed, Principal who) {
        if (now.holds(typed.getOrDefault("key", ""))) {
            return List.of();
        }
        Traverse traverse = now.job().traverses().stream()
                .filter(t -> t.name().equals(form.text("name")))
                .findFirst()
                .orElseThrow(NotHere::new);
        OtherEnd other = OtherEnd.of(now, traverse);
        if (!Shown.isStill(typed, other.shown(form.text("mark")))) {
            throw new Refused(
                    "",
                    "The route or its last sight changed while this page was open. Nothing of yours is booked: look at it as it stands now.");
        }
        return other.payloads(form.text("mark"), people.shownName(who.getName()), form.text("reason"));
    }

    private void showEnd(BookedJob book, Form form, String mark, Model model, Principal who) {
        MeasuredTraverse run = run(book, form.text("name")).orElseThrow(NotHere::new);
        OtherEnd other = OtherEnd.of(book, run.traverse());
        try {
            BookedJob after = fieldBook.preview(
                    book, who.getName(), other.payloads(mark, "", "").toArray(EntryPayload[]::new));
            model.addAttribute("ending", run(after, run.name()).map(then -> FigureSheet.of(after, then)));
            model.addAttribute("end", mark);
            model.addAttribute("shown", other.shown(mark));
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
        }
    }

    private static Optional<MeasuredTraverse> run(BookedJob book, String name) {
        return book.result().measured().traverses().stream()
                .filter(t -> t.name().equals(name))
                .findFirst();
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
