package markturn.web.review;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Basis;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Proof;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.survey.show.Display;
import markturn.tripod.review.CheckRow;
import markturn.tripod.review.ResectionSheet;
import markturn.tripod.review.ResidualDrawing;
import markturn.tripod.review.ReviewEntries;
import markturn.tripod.review.Verdict;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.act.Acts;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class ReviewController {
    private final Acts acts;

    ReviewController(Acts acts) {
        this.acts = acts;
    }

    /** A setup as the list of reviews shows it. */
    public record SetupRow(String name, String station, boolean proved, long stops, Optional<Decision> accepted) {
        /** Who accepted it, when and how; empty where nobody did. */
        public String acceptedBy(Display show) {
            return accepted.map(decision -> Stream.of(
                                    Optional.of(decision.by()),
                                    decision.at().map(show::dayAndTime),
                                    decision.after().map(String::valueOf))
                            .flatMap(Optional::stream)
                            .collect(Collectors.joining(", ")))
                    .orElse("");
        }
    }

    /** A finding with the value by which an answer knows it again. */
    public record FindingRow(Finding finding, String value) {
        /** Whether it waits for an answer: a note is only to be read. */
        public boolean answerable() {
            return finding.answer().isEmpty() && finding.severity() != Finding.Severity.NOTE;
        }
    }

    @GetMapping("/job/{id}/review")
    String all(@PathVariable String id, Model model, Principal who) {
        BookedJob book = acts.book(id, who);
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
        return findings.stream()
                .map(finding -> new FindingRow(finding, ReviewEntries.shownValue(finding, book.job())))
                .toList();
    }

    @GetMapping("/job/{id}/review/{name}")
    String one(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        return page(acts.book(id, who), name, model);
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
        boolean onTheGround = GridScale.inForce(book.job()).orElse(1) == 1;
        model.addAttribute("distanceCalled", onTheGround ? "Horizontal" : "Grid distance");
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
        String again = measured.resected()
                .flatMap(Resected::suspicion)
                .map(s -> s.targets().get(0))
                .orElse("");
        model.addAttribute("again", again);
        model.addAttribute(
                "sightAgain", Address.ofJob(book.jobId()).sight(setup.name(), Reading.Role.BACKSIGHT, again));
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

    /** Accepts a setup as it was looked at. */
    @PostMapping("/job/{id}/review/{name}/accept")
    String accept(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        return answer(
                id,
                name,
                typed,
                model,
                who,
                (book, occasion) ->
                        book.job().setup(name).map(setup -> new ReviewEntries(book, occasion).accept(setup, typed)));
    }

    /** Opens an accepted setup again. */
    @PostMapping("/job/{id}/review/{name}/reopen")
    String reopen(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        return answer(
                id,
                name,
                typed,
                model,
                who,
                (book, occasion) -> Optional.of(new ReviewEntries(book, occasion).reopen(name)));
    }

    /** Answers a finding with a reason and a name. */
    @PostMapping("/job/{id}/review/answer")
    String answer(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        return answer(
                id,
                typed.getOrDefault("setup", ""),
                typed,
                model,
                who,
                (book, occasion) -> Optional.of(new ReviewEntries(book, occasion).answer(typed)));
    }

    /** The page anew, or with what is at fault; without a setup the list of all. */
    String answer(
            String id,
            String setup,
            Map<String, String> typed,
            Model model,
            Principal who,
            BiFunction<BookedJob, Occasion, Optional<Outcome>> act) {
        Acts.Booked booked = acts.store(id, typed, who, "message", act);
        if (booked.book().isPresent()) {
            return "redirect:/job/" + id + "/review" + (setup.isEmpty() ? "" : "/" + NameInAddress.of(setup));
        }
        model.addAttribute("message", String.join(" ", booked.faults().values()));
        return setup.isEmpty() ? all(id, model, who) : page(acts.book(id, who), setup, model);
    }
}
