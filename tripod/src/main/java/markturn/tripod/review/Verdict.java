package markturn.tripod.review;

import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Sentence;

/** What a setup comes to, in a sentence, and what to do next. */
public record Verdict(boolean clear, String sentence, String next) {
    public static Verdict of(BookedJob book, MeasuredSetup setup) {
        long stops = book.result().findingsOf(setup.name()).stream()
                .filter(Finding::isOpenStop)
                .count();
        int left =
                book.order(setup.setup()).pointings().remaining(setup.setup()).size();
        if (stops > 0) {
            return new Verdict(
                    false,
                    stops == 1 ? "One stop is open on this setup." : stops + " stops are open on this setup.",
                    "Re-observe what fails, strike it out, or accept the finding with a reason.");
        }
        if (left > 0) {
            return new Verdict(
                    false,
                    left == 1
                            ? "The sets are not finished: 1 pointing is left."
                            : Sentence.of("The sets are not finished: %d pointings are left.", left),
                    left == 1
                            ? "Go back and turn it, or accept what stands."
                            : "Go back and turn them, or accept what stands.");
        }
        return new Verdict(true, agreement(book, setup), "Accept it, or go back and book more.");
    }

    private static String agreement(BookedJob book, MeasuredSetup setup) {
        OptionalDouble largest = setup.abstracts().stream()
                .filter(s -> s.sets() > 1)
                .map(SetAbstract::residuals)
                .flatMap(java.util.List::stream)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(v -> Math.abs(v.getAsDouble()))
                .max();
        Words words = new Words(book.job().units());
        String sets = largest.isPresent()
                ? Sentence.of("Largest residual of a set %s.", words.small(largest.getAsDouble()))
                : "One set shows no spread: nothing contradicts it, and nothing proves it.";
        String back = setup.backsights().stream()
                .filter(b -> b.distanceDifference().isPresent())
                .findFirst()
                .map(b -> Sentence.of(
                        " The distance to %s differs by %s: %s.",
                        b.target(),
                        words.difference(b.distanceDifference().getAsDouble()),
                        book.result().judgements().stream()
                                .filter(j -> j.quantity() == Limit.BACKSIGHT_DISTANCE
                                        && j.setup().equals(setup.name())
                                        && j.target().equals(b.target()))
                                .map(j -> j.verdict().words())
                                .findFirst()
                                .orElse("not judged")))
                .orElse(" No backsight distance tests the marks.");
        return sets + back;
    }
}
