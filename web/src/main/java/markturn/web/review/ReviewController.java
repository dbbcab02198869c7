package markturn.web.review;

import java.security.Principal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.survey.finding.base.Basis;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Proof;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.tripod.way.NameInAddress;
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

@Controller
class ReviewController {
    private static final int LONGEST_REASON = 2000;

    private final FieldBook fieldBook;
    private final People people;

    ReviewController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** A setup as the list of reviews shows it. */
    public record SetupRow(String name, String station, boolean proved, long stops, Optional<Decision> accepted) {}

    /** A finding with the value by which an answer knows it again. */
    public record FindingRow(Finding finding, String value) {}

    @GetMapping("/job/{id}/review")
    String all(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.REVIEW);
        model.addAttribute(
                "setups", book.job().setups().stream().map(s -> row(book, s)).toList());
        model.addAttribute("findings", rows(book, book.result().findings()));
        return "review/list";
    }

    private static SetupRow row(BookedJob book, Setup setup) {
        return new SetupRow(
                setup.name(),
                setup.station(),
                !book.unproved().contains(setup.name()),
                book.result().findingsOf(setup.name()).stream()
                        .filter(Finding::isOpenStop)
                        .count(),
                Proof.acceptance(book.job(), setup));
    }

    private static List<FindingRow> rows(BookedJob book, List<Finding> findings) {
        Units units = book.job().units();
        return findings.stream()
                .map(f -> new FindingRow(
                        f,
                        f.value().isPresent()
                                ? "" + f.value().getAsDouble() / f.measure().unit(units)
                                : ""))
                .toList();
    }

    @GetMapping("/job/{id}/review/{name}")
    String one(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), name, model);
    }

    String page(BookedJob book, String name, Model model) {
        Setup setup = book.job().setup(name).orElseThrow(NotHere::new);
        JobPage.frame(model, book, WorkStep.REVIEW);
        MeasuredSetup measured = book.result().measured().setup(name);
        List<Finding> findings = book.result().findingsOf(name);
        model.addAttribute("setup", measured);
        model.addAttribute("findings", rows(book, findings));
        model.addAttribute("accepted", Proof.acceptance(book.job(), setup));
        model.addAttribute("lapsed", Proof.lapsed(book.job(), setup).orElse(null));
        model.addAttribute("basis", Basis.of(book.job(), setup).text());
        model.addAttribute("verdict", Verdict.of(book, measured));
        model.addAttribute("drawing", ResidualDrawing.of(book.result(), measured));
        model.addAttribute("checks", CheckRow.of(book, measured));
        model.addAttribute("air", air(book.job(), measured));
        model.addAttribute("tested", measured.resected().isPresent());
        if (measured.resected().isPresent()) {
            tested(book, setup, measured, model);
        }
        return setup.isFree() ? "review/resection" : "review/setup";
    }

    /** What the air does to the distances, or why nothing can be said of it. */
    private static String air(Job job, MeasuredSetup setup) {
        if (setup.setup().atmosphere().isEmpty()) {
            return "no temperature and pressure noted, distances as the instrument showed them";
        }
        Instrument instrument = job.instrument(setup.setup().instrument());
        if (instrument.wavelength().isEmpty()) {
            return "temperature and pressure noted, but nothing can be computed from them: %s has no wavelength"
                    .formatted(instrument.name());
        }
        String belongs = Words.number(setup.ppm(), 1) + " ppm for the air";
        OptionalDouble keyed = setup.setup().readings().stream()
                .flatMap(r -> r.applied().stream())
                .map(Reading.Applied::ppm)
                .filter(OptionalDouble::isPresent)
                .reduce((earlier, later) -> later)
                .orElse(OptionalDouble.empty());
        return keyed.isEmpty()
                ? belongs + ", keyed in as it should be"
                : "%s keyed %s: %s at 1 km put right"
                        .formatted(
                                belongs,
                                Words.number(keyed.getAsDouble(), 1),
                                new Words(job.units()).difference((setup.ppm() - keyed.getAsDouble()) * 1e-3));
    }

    /** What the marks that orient or fix a setup prove of each other, with switches. */
    private static void tested(BookedJob book, Setup setup, MeasuredSetup measured, Model model) {
        model.addAttribute("sheet", ResectionSheet.of(book, measured));
        model.addAttribute("resected", measured.resected().orElseThrow());
        model.addAttribute("by", setup.orientation());
        model.addAttribute("leftOutBefore", leftOutBefore(book.job(), setup).orElse(""));
        model.addAttribute("unsighted", ResectionController.unsighted(book, setup));
        model.addAttribute(
                "again",
                measured.resected()
                        .flatMap(Resected::suspicion)
                        .map(s -> s.targets().get(0))
                        .orElse(""));
    }

    /** What has changed since marks were left out of a setup, so that the reason may hold no longer; empty where nothing is left out, or has. */
    private static Optional<String> leftOutBefore(Job job, Setup setup) {
        return job.decisions().stream()
                .filter(d -> d.what().equals(Decision.LEAVE_OUT)
                        && d.concerning("setup").equals(setup.name())
                        && !setup.orientation().leaveOut().isEmpty())
                .reduce((earlier, later) -> later)
                .flatMap(d -> Basis.of(d)
                        .map(then -> then.changed(Basis.of(job, setup)))
                        .filter(changed -> !changed.isEmpty())
                        .map(changed -> "Since %s left this out (%s), %s changed: look whether the reason still holds."
                                .formatted(d.by(), d.reason(), changed)));
    }

    @PostMapping("/job/{id}/review/{name}/accept")
    String accept(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String basis,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = book.job().setup(name).orElseThrow(NotHere::new);
        Optional<String> changed = changedSince(book.job(), setup, basis);
        if (changed.isPresent()) {
            model.addAttribute(
                    "message",
                    "Not accepted: since this page was drawn, %s changed. Look at it as it is now, then accept it."
                            .formatted(changed.get()));
            return page(book, name, model);
        }
        if (book.result().findingsOf(name).stream().anyMatch(Finding::isOpenStop)) {
            model.addAttribute(
                    "message", "A stop is open: re-observe, strike out, or accept the finding with a reason first.");
            return page(book, name, model);
        }
        boolean own = book.observers(name).contains(who.getName());
        decide(
                book,
                key,
                who,
                Decision.ACCEPT,
                Proof.stateOf(book.job(), setup),
                "",
                own ? Optional.of(Decision.SELF_REVIEWED) : Optional.empty());
        return "redirect:/job/" + id + "/review/" + NameInAddress.of(name);
    }

    /** What of a setup is otherwise than on the page that was looked at; empty where nothing is. */
    private static Optional<String> changedSince(Job job, Setup setup, String onThePage) {
        return Basis.read(onThePage)
                .map(then -> then.changed(Basis.of(job, setup)))
                .or(() -> Optional.of("something"))
                .filter(changed -> !changed.isEmpty());
    }

    @PostMapping("/job/{id}/review/{name}/reopen")
    String reopen(@PathVariable String id, @PathVariable String name, @RequestParam String key, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        decide(book, key, who, Decision.REOPEN, Map.of("setup", name), "", Optional.empty());
        return "redirect:/job/" + id + "/review/" + NameInAddress.of(name);
    }

    /** Answers a finding with a reason and a name. */
    @PostMapping("/job/{id}/review/answer")
    String answer(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        String setup = typed.getOrDefault("setup", "");
        String reason = typed.getOrDefault("reason", "").strip();
        String back = "/job/" + id + "/review" + (setup.isEmpty() ? "" : "/" + NameInAddress.of(setup));
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            model.addAttribute("message", "An answer needs a reason, at most 2000 characters.");
            return setup.isEmpty() ? all(id, model, who) : page(book, setup, model);
        }
        Map<String, Object> on = new HashMap<>(Map.of("code", typed.getOrDefault("code", "")));
        for (String key : List.of("setup", "target")) {
            if (!typed.getOrDefault(key, "").isEmpty()) {
                on.put(key, typed.get(key));
            }
        }
        if (!isKnown(book, typed)) {
            model.addAttribute("message", "That finding is not known any more: look at the list as it is now.");
            return setup.isEmpty() ? all(id, model, who) : page(book, setup, model);
        }
        if (!typed.getOrDefault("value", "").isEmpty()) {
            on.put("value", Double.parseDouble(typed.get("value")));
        }
        book.job()
                .setup(setup)
                .ifPresent(s -> on.put(
                        Basis.KEY,
                        Basis.of(book.job(), s, typed.getOrDefault("target", ""))
                                .text()));
        decide(book, typed.get("key"), who, Decision.ANSWER, on, reason, Optional.empty());
        return "redirect:" + back;
    }

    /** An answer belongs to a finding that stands: its value is the one that was shown. */
    private static boolean isKnown(BookedJob book, Map<String, String> typed) {
        return rows(book, book.result().findings()).stream()
                .anyMatch(r -> r.finding().code().key().equals(typed.get("code"))
                        && r.finding().setup().equals(typed.getOrDefault("setup", ""))
                        && r.finding().target().equals(typed.getOrDefault("target", ""))
                        && r.value().equals(typed.getOrDefault("value", "")));
    }

    private void decide(
            BookedJob book,
            String key,
            Principal who,
            String what,
            Map<String, Object> on,
            String reason,
            Optional<Object> after) {
        Decision decision = Decisions.now(people.shownName(who.getName()), what, on, reason, Optional.empty(), after);
        fieldBook.add(book.jobId(), key, who.getName(), new DecisionMade(decision));
    }
}
