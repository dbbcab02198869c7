package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Resected;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.SeverityShown;

/** What stands above the lines of a free station: where it is as far as known, and where to turn for further marks. */
final class FreeWords {
    private static final int MARKS_SHOWN = 4;

    private FreeWords() {}

    static List<SeverityShown> comparisons(SurveyResult result, MeasuredSetup setup, Display show) {
        Resected resected = setup.resected().orElseThrow();
        Words words = new Words(result.job().units());
        List<SeverityShown> rows = new ArrayList<>();
        if (setup.station().isEmpty()) {
            rows.add(new SeverityShown(
                    Optional.of(Finding.Severity.NOTE),
                    "No position yet: " + resected.undetermined().orElse("") + "."));
            return rows;
        }
        Position station = setup.station().get();
        Covariance.Ellipse ellipse = station.plan().ellipse();
        long marks = resected.sights().stream().filter(Resected.Sighted::isUsed).count();
        boolean stopped = result.findingsOf(setup.name()).stream().anyMatch(Finding::isOpenStop);
        rows.add(new SeverityShown(
                Optional.empty(),
                Sentence.of(
                        "%s lies at N %s E %s, %s, from %d marks; %s.",
                        setup.setup().station(),
                        show.length(station.northing()),
                        show.length(station.easting()),
                        stopped
                                ? "how well is not said while a stop is open"
                                : Sentence.of(
                                        "within %s by %s",
                                        words.difference(ellipse.semiMajor()), words.difference(ellipse.semiMinor())),
                        marks,
                        resected.redundancy() == 0
                                ? "nothing is left to check it"
                                : (resected.redundancy() == 1
                                                ? "1 observation is"
                                                : resected.redundancy() + " observations are")
                                        + " left to check it")));
        turnTo(result, setup, station, words, show).ifPresent(rows::add);
        return rows;
    }

    /** After two marks it is known where to look for the others. */
    private static Optional<SeverityShown> turnTo(
            SurveyResult result, MeasuredSetup setup, Position station, Words words, Display show) {
        List<String> sighted = setup.setup().orientation().sights().stream()
                .map(result.job()::trueName)
                .toList();
        Double zero = setup.booked().zeros().isEmpty()
                ? null
                : setup.booked().zeros().get(setup.booked().zeros().lastKey());
        if (zero == null || setup.orientation().isEmpty()) {
            return Optional.empty();
        }
        List<String> turns = result.measured().marks().stream()
                .filter(m ->
                        m.mark().kind() == Mark.Kind.CONTROL && m.position().isPresent())
                .filter(m -> !sighted.contains(m.name()))
                .limit(MARKS_SHOWN)
                .map(m -> turn(m, station, zero - setup.orientation().getAsDouble(), words, show))
                .toList();
        return turns.isEmpty()
                ? Optional.empty()
                : Optional.of(new SeverityShown(
                        Optional.empty(), "Turn to " + String.join("; ", turns) + ". Each further mark says more."));
    }

    private static String turn(MeasuredMark mark, Position station, double toCircle, Words words, Display show) {
        Position at = mark.position().orElseThrow();
        double circle = Angles.onCircle(station.azimuthTo(at) + toCircle);
        return Sentence.of(
                "%s for %s, %s",
                show.coarse(java.util.OptionalDouble.of(circle)), mark.name(), words.line(station.distanceTo(at)));
    }
}
