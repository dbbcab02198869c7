package markturn.survey.finding.coordinates;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.result.Unplaced;

/** A mark that was sighted and has no place yet: one more sight would give it one, and it is said from where. */
final class OneSightMore implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        return evidence.measured().unplaced().stream().map(mark -> switch (mark.why()) {
            case ONE_SETUP -> one(evidence, mark);
            case TWO_PLACES ->
                Finding.of(
                        FindingCode.TWO_PLACES,
                        Severity.WARN,
                        last(mark),
                        mark.mark(),
                        "%s has two places that fit its distances alike: one on each side of the line between the setups. Sight its direction once, roughly is enough, or measure it from a third place."
                                .formatted(mark.mark()));
            case NOWHERE ->
                Finding.of(
                        FindingCode.TWO_PLACES,
                        Severity.WARN,
                        last(mark),
                        mark.mark(),
                        "%s has no place: the sights to it from %s do not meet. Look whether each was to the same point, and sight it again."
                                .formatted(mark.mark(), Words.names(mark.setups())));
        });
    }

    private static String last(Unplaced mark) {
        return mark.setups().get(mark.setups().size() - 1);
    }

    private static Finding one(Evidence evidence, Unplaced mark) {
        MeasuredSetup setup = evidence.measured().setup(last(mark));
        return Finding.of(
                FindingCode.ONE_SIGHT_MORE,
                Severity.WARN,
                setup.name(),
                mark.mark(),
                "%s needs one more sight: %s alone does not place it. %s."
                        .formatted(
                                mark.mark(),
                                isDirection(setup, mark) ? "a direction" : "a distance",
                                from(evidence, setup, mark)
                                        .map(where -> "Best from " + where)
                                        .orElse("Sight it from another setup, across this line")));
    }

    private static boolean isDirection(MeasuredSetup setup, Unplaced mark) {
        return setup.shots().stream()
                .anyMatch(s -> s.mark().equals(mark.mark()) && s.direction().isPresent());
    }

    /** The known mark from which its line would be crossed nearest to a right angle, where it lies about as far as what else was sighted. */
    private static Optional<String> from(Evidence evidence, MeasuredSetup setup, Unplaced mark) {
        Position station = setup.station().orElseThrow();
        Optional<Shot> sighted = setup.shots().stream()
                .filter(s -> s.mark().equals(mark.mark()) && s.direction().isPresent())
                .findFirst();
        if (sighted.isEmpty()) {
            return Optional.empty();
        }
        double azimuth =
                setup.orientation().getAsDouble() + sighted.get().direction().getAsDouble();
        double about = setup.shots().stream()
                .filter(s -> s.horizontal().isPresent())
                .mapToDouble(s -> s.horizontal().getAsDouble())
                .average()
                .orElse(50);
        double north = station.northing() + about * Math.cos(azimuth);
        double east = station.easting() + about * Math.sin(azimuth);
        return evidence.measured().marks().stream()
                .filter(m -> m.position().isPresent() && m.mark().kind() != Mark.Kind.LOCATED)
                .filter(m -> m.position().get().distanceTo(station) > 1)
                .max(Comparator.comparingDouble(m -> crossing(m, north, east, azimuth)))
                .map(m -> "%s (it would cross this line at about %d°)"
                        .formatted(m.name(), Math.round(Math.toDegrees(Math.asin(crossing(m, north, east, azimuth))))));
    }

    private static double crossing(MeasuredMark mark, double north, double east, double azimuth) {
        Position at = mark.position().orElseThrow();
        double there = Math.atan2(east - at.easting(), north - at.northing());
        return Math.abs(Math.sin(Angles.shortWay(there - azimuth)));
    }
}
