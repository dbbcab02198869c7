package markturn.web.review;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.finding.Words;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Observation;
import markturn.web.fieldbook.Book;

/**
 * An independent check as a review shows it: both differences against their combined precision, and what such a check would have missed.
 */
public record CheckRow(
        String mark, String from, OptionalDouble north, OptionalDouble east, OptionalDouble up, String verdict) {
    private static final double CHANCE = 3.3;

    /** The checks that concern a setup: what it checked, and satellite fixes of what it fixed. */
    static List<CheckRow> of(Book book, MeasuredSetup setup) {
        Words words = new Words(book.job().units());
        List<String> sights = setup.setup().orientation().sights().stream()
                .map(book.job()::trueName)
                .toList();
        return book.result().measured().checks().stream()
                .filter(c -> c.northingDifference().isPresent() && !sights.contains(c.mark()))
                .filter(c -> c.from().equals(setup.name()) || isFixOf(book, c, setup))
                .map(c -> new CheckRow(
                        c.mark(),
                        c.from(),
                        c.northingDifference(),
                        c.eastingDifference(),
                        c.elevationDifference(),
                        verdict(c, words)))
                .toList();
    }

    private static boolean isFixOf(Book book, Check check, MeasuredSetup setup) {
        return book.job().setup(check.from()).isEmpty()
                && book.result()
                        .measured()
                        .mark(check.mark())
                        .flatMap(MeasuredMark::from)
                        .filter(setup.name()::equals)
                        .isPresent();
    }

    private static String verdict(Check check, Words words) {
        double plan = check.plan().getAsDouble();
        double sigma = check.positionStdDev().orElse(0);
        boolean contradicts = plan > CHANCE * sigma
                || (check.elevationDifference().isPresent()
                        && Math.abs(check.elevationDifference().getAsDouble())
                                > CHANCE * check.elevationStdDev().orElse(0));
        String up = check.elevationStdDev().isPresent()
                ? ", "
                        + words.difference(Observation.DETECTABLE_FACTOR
                                * check.elevationStdDev().getAsDouble()) + " in height"
                : "";
        return "%s (combined precision %s). It would have missed less than %s in the plan%s."
                .formatted(
                        contradicts ? "Contradicted: beyond what chance explains" : "Not contradicted",
                        words.difference(sigma),
                        words.difference(Observation.DETECTABLE_FACTOR * sigma),
                        up);
    }
}
