package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.standing.StoodBefore;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.SeverityShown;

/** What each look at known marks says of this setup, in words: against coordinates, against what is known between marks, against how it stood. */
final class BacksightWords {
    private final BookedJob book;
    private final SurveyResult result;
    private final Setup setup;
    private final MeasuredSetup measured;
    private final Display show;

    BacksightWords(BookedJob book, Setup setup, Display show) {
        this.book = book;
        this.result = book.result();
        this.setup = setup;
        this.measured = result.measured().setup(setup.name());
        this.show = show;
    }

    List<SeverityShown> comparisons() {
        if (setup.isFree()) {
            return FreeWords.comparisons(result, measured, show);
        }
        Words words = new Words(book.job().units());
        List<SeverityShown> rows = new ArrayList<>();
        for (MeasuredSetup.Backsight backsight : measured.backsights()) {
            if (backsight.distanceDifference().isEmpty()) {
                rows.add(new SeverityShown(
                        Optional.of(Finding.Severity.NOTE), backsight.target() + ": " + nothingToCompare(backsight)));
                continue;
            }
            if (measured.booked().isOnWrongFace(backsight.target())) {
                rows.add(
                        new SeverityShown(
                                Optional.of(Finding.Severity.STOP),
                                backsight.target()
                                        + ": a zenith angle of it belongs to the other face. Strike that line out: until then its distance and elevation cannot be compared."));
                continue;
            }
            double distance = backsight.distanceDifference().getAsDouble();
            String elevation = backsight.elevationDifference().isPresent()
                    ? ", elevation "
                            + words.besideKnown(backsight.elevationDifference().getAsDouble(), "higher", "lower")
                    : "";
            Judgement.Verdict verdict = result.judgements().stream()
                    .filter(j -> isOfBacksight(j, backsight.target()))
                    .map(Judgement::verdict)
                    .max(Comparator.naturalOrder())
                    .orElse(Judgement.Verdict.WITHIN_CHANCE);
            boolean out = verdict == Judgement.Verdict.OVER_LIMIT;
            rows.add(new SeverityShown(
                    out ? Optional.of(Finding.Severity.STOP) : Optional.empty(),
                    Sentence.of(
                            "%s: distance %s%s. %s",
                            backsight.target(),
                            words.besideKnown(distance, "longer than known", "shorter than known"),
                            elevation,
                            out ? "Over its limit: stop and look." : capital(verdict.words()) + ".")));
        }
        ReferenceComparison.of(book.job(), result.measured()).stream()
                .filter(c -> c.setup().equals(setup.name()))
                .forEach(c -> rows.add(new SeverityShown(
                        c.verdict() == Judgement.Verdict.OVER_LIMIT
                                ? Optional.of(Finding.Severity.STOP)
                                : Optional.empty(),
                        c.sentence(words))));
        StoodBefore.of(book.job(), result.measured(), setup.name())
                .forEach(before -> rows.add(new SeverityShown(
                        before.stands() ? Optional.empty() : Optional.of(Finding.Severity.WARN),
                        before.sentence(words))));
        return rows;
    }

    /** Why a backsight's distance could not be compared: it was not measured, or there is nothing to hold it against. */
    private String nothingToCompare(MeasuredSetup.Backsight backsight) {
        if (backsight.distance().isEmpty()) {
            return "no distance measured. Measure it: it tests both marks.";
        }
        boolean here = measured.station().isPresent();
        return Sentence.of(
                "its distance is booked, but %s has no coordinates to compare it with.",
                here ? backsight.target() : setup.station());
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private boolean isOfBacksight(Judgement judgement, String target) {
        return judgement.setup().equals(setup.name())
                && judgement.target().equals(target)
                && (judgement.quantity() == Limit.BACKSIGHT_DISTANCE
                        || judgement.quantity() == Limit.BACKSIGHT_ELEVATION);
    }
}
