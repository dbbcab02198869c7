package markturn.web.network;

import java.security.Principal;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.finding.Words;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Test;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.result.Observation;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The network of a job: its tests, its marks, its residuals by size. It changes nothing. */
@Controller
class NetworkController {
    private final FieldBook fieldBook;

    NetworkController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** A mark as the page shows it. */
    public record MarkRow(Adjusted mark, String ellipse, String hidden) {}

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
    String page(@PathVariable String id, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, "Close");
        Words words = new Words(book.job().units());
        MeasuredNetwork network = Survey.network(book.result());
        model.addAttribute("network", network);
        if (network.why().isEmpty()) {
            model.addAttribute(
                    "alone",
                    network.leastConstraint()
                            .map(NetworkController::verdict)
                            .orElse(
                                    "the control is no more than holds the figure in place: there is nothing more to compare"));
            model.addAttribute("onControl", verdict(network.test()));
            model.addAttribute("next", next(network));
            model.addAttribute("drawing", NetworkDrawing.of(book.result(), network, words));
            model.addAttribute(
                    "marks", network.marks().stream().map(m -> row(m, words)).toList());
            model.addAttribute(
                    "sights",
                    network.observations().stream()
                            .sorted(Comparator.comparingDouble(
                                            (Worth w) -> w.observation().size())
                                    .reversed())
                            .map(w -> row(w, words))
                            .toList());
        }
        return "network/page";
    }

    private static String verdict(Test test) {
        if (test.varianceFactor().isEmpty()) {
            return "nothing is left over: nothing is proved";
        }
        return "variance factor %s from %d left over; limit %s: %s"
                .formatted(
                        Words.number(test.varianceFactor().getAsDouble(), 2),
                        test.redundancy(),
                        Words.number(test.limit().getAsDouble(), 2),
                        test.accepted() ? "not contradicted" : "larger than the instruments' figures allow");
    }

    /** What to do next, in a sentence. */
    private static String next(MeasuredNetwork network) {
        Optional<Worth> worst = network.worst();
        boolean wrong = worst.filter(w -> w.observation().fit() == Observation.Fit.NO_CHANCE)
                .isPresent();
        if (network.test().accepted() && !wrong) {
            return "Nothing in the sights contradicts the control or each other.";
        }
        if (network.controlContradicts()) {
            return "The sights agree with each other but not with the control: a control mark has moved, or its coordinates are wrong."
                    + worst.map(w -> " The largest residual is" + where(w) + ".")
                            .orElse("");
        }
        return worst.map(w -> "Look first at the " + words(w.observation().kind()) + where(w)
                        + ": it fits worst. Observe it again; nothing is left out by itself.")
                .orElse("");
    }

    private static String where(Worth worth) {
        return worth.setup().isEmpty()
                ? " of " + worth.observation().target()
                : " from " + worth.setup() + " to " + worth.observation().target();
    }

    private static MarkRow row(Adjusted mark, Words words) {
        OptionalDouble hidden = mark.hidden();
        Covariance.Ellipse ellipse = mark.position().plan().ellipse();
        return new MarkRow(
                mark,
                words.difference(ellipse.semiMajor()) + " × " + words.difference(ellipse.semiMinor()),
                hidden.isPresent() ? words.difference(hidden.getAsDouble()) : "any size: one sight is unchecked");
    }

    private static SightRow row(Worth worth, Words words) {
        Observation of = worth.observation();
        String says = switch (of.fit()) {
            case UNCHECKED -> "nothing checks it";
            case BY_CHANCE -> "as chance has it";
            case LARGE -> "large, as one in twenty is";
            case NO_CHANCE -> "no chance: look at it";
        };
        return new SightRow(
                worth.setup(),
                of.target(),
                words(of.kind()),
                (of.residual() < 0 ? "-" : "") + value(of, Math.abs(of.residual()), words),
                of.standardised().isPresent() ? Words.number(of.standardised().getAsDouble(), 1) : "–",
                of.detectable().isPresent() ? value(of, of.detectable().getAsDouble(), words) : "–",
                says,
                of.fit() == Observation.Fit.NO_CHANCE);
    }

    private static String value(Observation of, double value, Words words) {
        return of.kind().angular() ? words.small(value) : words.difference(value);
    }

    private static String words(Observation.Kind kind) {
        return kind == Observation.Kind.ELEVATION_DIFFERENCE ? "height difference" : kind.key();
    }
}
