package markturn.web.network;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.Refused;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.show.Display;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.Adoption;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.fieldbook.StandingAdoption;
import markturn.web.frame.JobPage;
import markturn.web.frame.LongWork;
import markturn.web.point.Adopting;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;

/** The network of a job: its tests, its marks, its residuals by size; its control switched, its coordinates adopted. */
@Controller
class NetworkController {
    /** Metres. */
    private static final double SMALLEST_DEVIATION = 1e-4;

    /** Metres. */
    private static final double MOST_DEVIATION = 10;

    private static final int SEEN_FAULTS = 5;

    private final FieldBook fieldBook;
    private final NetworkRuns runs;
    private final Adopting adopting;

    NetworkController(FieldBook fieldBook, NetworkRuns runs, Adopting adopting) {
        this.fieldBook = fieldBook;
        this.runs = runs;
        this.adopting = adopting;
    }

    /** A mark as the page shows it. */
    public record MarkRow(Adjusted mark, String ellipse, String hidden, String hiddenLevel) {}

    /** Two marks as the page shows them. */
    public record PairRow(String marks, String length, String ellipse) {}

    /** A single fault as the page shows it. */
    public record FaultRow(String what, String size, String times, boolean out) {}

    /** A control mark, how well it is booked as known, in words, and whether it is observed. */
    public record ControlRow(String name, String known, boolean observed) {}

    /** An observation as the page shows it: sizes and a plain reading. */
    public record SightRow(
            String from,
            String target,
            String kind,
            String residual,
            String standardised,
            String detectable,
            String says,
            boolean out) {}

    @GetMapping("/job/{id}/network")
    String page(
            @PathVariable String id, @RequestParam MultiValueMap<String, String> asked, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Map<String, String> typed = asked.toSingleValueMap();
        Form form = new Form(typed, book.job().units());
        return page(book, switched(book, form, asked), typed, form.faults(), model);
    }

    /** What the page was asked for: each control mark held or observed. Without a question, as it is booked. */
    private static ControlSwitch switched(BookedJob book, MultiValueMap<String, String> asked) {
        return switched(book, new Form(asked.toSingleValueMap(), book.job().units()), asked);
    }

    private static ControlSwitch switched(BookedJob book, Form form, MultiValueMap<String, String> asked) {
        if (!asked.containsKey("deviation")) {
            return ControlSwitch.of(book.job());
        }
        // What stands there unchanged is rounded: each mark keeps what it has.
        OptionalDouble stdDev = form.text("deviation").equals(shownDeviation(book))
                ? OptionalDouble.empty()
                : form.length("deviation", SMALLEST_DEVIATION, MOST_DEVIATION, "how well control is known");
        return new ControlSwitch(new TreeSet<>(asked.getOrDefault("observed", List.of())), stdDev);
    }

    private static String shownDeviation(BookedJob book) {
        return new Display(book.job().units()).length(ControlSwitch.usual(book.job()));
    }

    private static NetworkRuns.Asked asked(BookedJob book, ControlSwitch control) {
        return new NetworkRuns.Asked(
                book.jobId(), book.revision(), control.equals(ControlSwitch.of(book.job())) ? "" : control.toString());
    }

    /** As it is booked the job and its network are kept with the book; switched, it is another. */
    private static LongWork.Work<NetworkRuns.Done> adjusted(BookedJob book, ControlSwitch control) {
        if (control.changed(book.job()).isEmpty()) {
            return reached -> new NetworkRuns.Done(book.resultInTheEnd(), book.network(reached));
        }
        return reached -> {
            SurveyResult result = Survey.compute(control.on(book.job()));
            return new NetworkRuns.Done(result, Survey.network(result, reached));
        };
    }

    /** The page; with faults in what was typed the job is adjusted as it is booked, and nothing else is offered. */
    private String page(
            BookedJob book, ControlSwitch asked, Map<String, String> typed, Map<String, String> faults, Model model) {
        JobPage.frame(model, book, WorkStep.TRAVERSE);
        ControlSwitch control = faults.isEmpty() ? asked : ControlSwitch.of(book.job());
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("wholeUrl", whole(book, control, typed));
        model.addAttribute("controlShown", ControlSwitch.shown(book.job()));
        model.addAttribute("switched", !control.changed(book.job()).isEmpty());
        model.addAttribute("deviation", typed.getOrDefault("deviation", shownDeviation(book)));
        model.addAttribute(
                "control",
                ControlSwitch.control(book.job()).stream()
                        .map(m -> row(m, asked, new Words(book.job().units())))
                        .toList());
        Optional<NetworkRuns.Done> done = runs.soon(asked(book, control), adjusted(book, control));
        if (done.isEmpty()) {
            model.addAttribute(
                    "share",
                    runs.known(asked(book, control)).map(LongWork.Run::share).orElse(0.0));
            return "network/under-way";
        }
        show(book, done.get(), typed.containsKey("whole"), model);
        return "network/page";
    }

    /** The same page with all rows of its lists. */
    private static String whole(BookedJob book, ControlSwitch control, Map<String, String> typed) {
        UriComponentsBuilder page = UriComponentsBuilder.fromPath("/job/" + book.jobId() + "/network")
                .queryParam("whole", "yes");
        if (typed.containsKey("deviation")) {
            page.queryParam("deviation", typed.get("deviation")).queryParam("observed", control.observed());
        }
        return page.encode().build().toUriString();
    }

    private static ControlRow row(Mark mark, ControlSwitch control, Words words) {
        return new ControlRow(
                mark.name(),
                mark.stdDev()
                        .map(d -> ", as booked to %s in plan and %s in elevation"
                                .formatted(
                                        words.difference(Math.max(d.northing(), d.easting())),
                                        words.difference(d.elevation())))
                        .orElse(""),
                control.observed().contains(mark.name()));
    }

    /** @param whole all rows of the lists, however many */
    private static void show(BookedJob book, NetworkRuns.Done done, boolean whole, Model model) {
        Words words = new Words(book.job().units());
        MeasuredNetwork network = done.network();
        model.addAttribute("network", network);
        model.addAttribute(
                "openStops",
                book.result().findings().stream().filter(Finding::isOpenStop).count());
        if (network.why().isPresent()) {
            return;
        }
        model.addAttribute(
                "alone",
                network.leastConstraint()
                        .map(NetworkWords::verdict)
                        .orElse(
                                "the control is no more than holds the figure in place: there is nothing more to compare"));
        model.addAttribute("onControl", NetworkWords.verdict(network.test()));
        NetworkPlaces where = NetworkPlaces.of(done.result(), network);
        model.addAttribute(
                "adoption",
                StandingAdoption.of(book.job(), MeasuredNetwork.RUN, where.adjusted())
                        .orElse(null));
        model.addAttribute("next", NetworkWords.next(network));
        model.addAttribute("drawing", NetworkDrawing.of(where, words));
        model.addAttribute(
                "marks",
                Listed.of(
                        network.marks().stream()
                                .sorted(Comparator.comparing(m -> NetworkPlaces.isLocated(done.result(), m.name())))
                                .toList(),
                        whole,
                        m -> NetworkWords.row(m, words)));
        model.addAttribute("pairs", pairs(where, whole, words));
        model.addAttribute(
                "singleFaults",
                network.faults().stream()
                        .limit(SEEN_FAULTS)
                        .map(f -> new FaultRow(
                                f.what().words(),
                                f.what().kind().angular() ? words.small(f.size()) : words.difference(f.size()),
                                Words.number(f.timesLimit(), 2),
                                f.isNoChance()))
                        .toList());
        model.addAttribute(
                "sights",
                Listed.of(
                        network.observations().stream()
                                .sorted(Comparator.comparingDouble(
                                                (Worth w) -> w.observation().size())
                                        .reversed())
                                .toList(),
                        whole,
                        w -> NetworkWords.row(w, words)));
    }

    /** Pairs of marks that are not only detail: how well they lie to each other, the longest arrow first. */
    private static Listed<PairRow> pairs(NetworkPlaces where, boolean whole, Words words) {
        return Listed.of(
                where.network().relatives().stream()
                        .filter(pair -> !where.isLocated(pair.one()) && !where.isLocated(pair.other()))
                        .sorted(Comparator.comparingDouble((MeasuredNetwork.Relative pair) ->
                                        pair.plan().ellipse().semiMajor())
                                .reversed())
                        .toList(),
                whole,
                pair -> new PairRow(
                        pair.one() + " – " + pair.other(),
                        where.between(pair).stream()
                                .mapToObj(words::line)
                                .findFirst()
                                .orElse(""),
                        NetworkWords.ellipse(pair.plan(), words)));
    }

    /** How far the work is, for the page that waits. */
    @GetMapping("/job/{id}/network/progress")
    @ResponseBody
    Map<String, Object> progress(
            @PathVariable String id, @RequestParam MultiValueMap<String, String> asked, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Optional<LongWork.Run<NetworkRuns.Done>> run = runs.known(asked(book, switched(book, asked)));
        return Map.of(
                "share", run.map(LongWork.Run::share).orElse(1.0),
                "done", run.map(LongWork.Run::isDone).orElse(true));
    }

    /** Ends a long adjustment. */
    @PostMapping("/job/{id}/network/cancel")
    String cancel(@PathVariable String id, @RequestParam MultiValueMap<String, String> asked, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        runs.cancel(asked(book, switched(book, asked)));
        return "redirect:/job/" + id + "/traverse";
    }

    /** Books the control as it is switched: each mark that changes is noted anew, with the reason. */
    @PostMapping("/job/{id}/network/control")
    String control(
            @PathVariable String id, @RequestParam MultiValueMap<String, String> asked, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Map<String, String> typed = asked.toSingleValueMap();
        Form form = new Form(typed, book.job().units());
        ControlSwitch control = switched(book, form, asked);
        if (form.isEmpty("reason")) {
            model.addAttribute("message", "Holding or observing control is a decision: it needs a reason.");
        }
        if (form.isEmpty("reason") || !form.isSound()) {
            return page(book, control, typed, form.faults(), model);
        }
        try {
            // From the job when its turn comes, all of it or none: sent twice, it is noted once.
            fieldBook.add(id, typed.get("key"), who.getName(), now -> noted(control, now.job(), typed));
            return "redirect:/job/" + id + "/network";
        } catch (Refused meanwhile) {
            model.addAttribute("message", meanwhile.getMessage());
            return page(fieldBook.book(id, who.getName()), control, typed, Map.of(), model);
        }
    }

    private static List<MarkNoted> noted(ControlSwitch control, Job now, Map<String, String> typed) {
        if (!Shown.isStill(typed, ControlSwitch.shown(now))) {
            throw new Refused(
                    "",
                    "The control was noted anew while this page was open. Nothing of yours is booked: look at it as it stands now.");
        }
        return control.changed(now).stream()
                .map(mark -> new MarkNoted(mark, typed.get("reason")))
                .toList();
    }

    /** Adopts the coordinates of new control. */
    @PostMapping("/job/{id}/network/adopt")
    String adopt(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            Model model,
            RedirectAttributes then,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        ControlSwitch control = ControlSwitch.of(book.job());
        Optional<NetworkRuns.Done> soon = runs.soon(asked(book, control), adjusted(book, control));
        if (soon.isEmpty() || soon.get().network().why().isPresent()) {
            // More was booked since: how the job stands now is shown first, with the reason that was typed.
            then.addAttribute("reason", typed.get("reason"));
            return "redirect:/job/" + id + "/network";
        }
        NetworkRuns.Done done = soon.get();
        Adoption adoption = new Adoption(
                MeasuredNetwork.RUN,
                Map.of(
                        "run",
                        MeasuredNetwork.RUN,
                        Decision.CLOSED,
                        NetworkWords.verdict(done.network().test())));
        done.network().marks().stream()
                .filter(m -> !NetworkPlaces.isLocated(done.result(), m.name())
                        && book.job().mark(m.name()).flatMap(Mark::given).isEmpty())
                .forEach(m -> adoption.take(m.name(), m.position()));
        return adopting.isBooked(book, adoption, typed, who.getName(), model)
                ? "redirect:/job/" + id + "/point"
                : page(book, control, typed, Map.of(), model);
    }
}
