package markturn.web.network;

import java.util.Optional;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Test;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.result.Observation;

/** What an adjusted network says, in words. */
final class NetworkWords {
    private NetworkWords() {}

    static String ellipse(Covariance plan, Words words) {
        Covariance.Ellipse ellipse = plan.ellipse();
        return words.difference(ellipse.semiMajor()) + " × " + words.difference(ellipse.semiMinor());
    }

    static String verdict(Test test) {
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
    static String next(MeasuredNetwork network) {
        Optional<Worth> worst = network.worst();
        boolean wrong = worst.filter(w -> w.observation().fit() == Observation.Fit.NO_CHANCE)
                .isPresent();
        if (network.test().accepted() && !wrong) {
            return "Nothing in the sights contradicts the control or each other.";
        }
        if (network.controlContradicts()) {
            return "The sights agree with each other but not with the control: a control mark has moved, or its coordinates are wrong"
                    + (network.observesCoordinates() ? ", or coordinates that are observed are." : ".")
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

    static NetworkController.MarkRow row(Adjusted mark, Words words) {
        return new NetworkController.MarkRow(
                mark,
                ellipse(mark.position().plan(), words),
                hidden(mark.plan(), words),
                mark.level().map(level -> hidden(level, words)).orElse(""));
    }

    /** How far a mark may be off without anybody seeing it, and by what. */
    private static String hidden(MeasuredNetwork.Hidden hidden, Words words) {
        String shown = hidden.by()
                .map(what -> words.difference(hidden.shift()) + ": " + what.words())
                .orElse(words.difference(0));
        return hidden.unseen()
                .map(what -> "any size: " + what.words() + (hidden.by().isPresent() ? "; else " + shown : ""))
                .orElse(shown);
    }

    static NetworkController.SightRow row(Worth worth, Words words) {
        Observation of = worth.observation();
        String says = switch (of.fit()) {
            case UNCHECKED -> "nothing checks it";
            case BY_CHANCE -> "expected from the instrument's figures";
            case LARGE -> "large, as one in twenty is";
            case NO_CHANCE -> "no chance: look at it";
        };
        return new NetworkController.SightRow(
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

    static String words(Observation.Kind kind) {
        return kind == Observation.Kind.ELEVATION_DIFFERENCE ? "height difference" : kind.key();
    }
}
