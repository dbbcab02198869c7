package markturn.web.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.formats.ImportedPoint;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.transform.InBoth;
import markturn.survey.transform.SystemFit;
import markturn.survey.transform.SystemFit.Kind;

/**
 * Points that come in another system of coordinates, brought into the job's by the marks that are known in both. Applied to what comes in,
 * never to what was observed.
 */
record OtherSystem(
        Kind kind, SystemFit fit, List<ImportedPoint> points, List<SystemFit.Residual> residuals, String words) {
    /** What can be chosen, by the key of the form. */
    static final Map<String, String> CHOICES = choices();

    private static Map<String, String> choices() {
        Map<String, String> choices = new LinkedHashMap<>();
        choices.put("", "the job's own");
        choices.put(key(Kind.SCALE_HELD), "another: shifted and turned, scale held");
        choices.put(key(Kind.SCALE_FREE), "another: shifted, turned, one scale");
        choices.put(key(Kind.AFFINE), "another: affine, each axis by itself");
        return choices;
    }

    private static String key(Kind kind) {
        return kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /** The kind that was chosen; empty for the job's own system. */
    static Optional<Kind> chosen(String key) {
        for (Kind kind : Kind.values()) {
            if (key(kind).equals(key)) {
                return Optional.of(kind);
            }
        }
        return Optional.empty();
    }

    /** The marks that a list and the job both know, the job by a position. */
    static List<InBoth> inBoth(BookedJob book, List<ImportedPoint> points) {
        List<InBoth> both = new ArrayList<>();
        for (ImportedPoint point : points) {
            Optional<Position> at = book.result()
                    .measured()
                    .mark(book.job().trueName(point.name()))
                    .flatMap(MeasuredMark::position);
            at.ifPresent(known -> both.add(new InBoth(
                    point.name(),
                    coordinates(point),
                    new Mark.Coordinates(known.northing(), known.easting(), known.elevation()))));
        }
        return both;
    }

    private static Mark.Coordinates coordinates(ImportedPoint point) {
        return new Mark.Coordinates(point.northing(), point.easting(), point.elevation());
    }

    /** Fits a list onto the job; empty where too few marks are known in both, or these lie on one line. */
    static Optional<OtherSystem> of(BookedJob book, List<ImportedPoint> points, Kind kind) {
        List<InBoth> both = inBoth(book, points);
        return SystemFit.of(kind, both).map(fit -> {
            List<ImportedPoint> moved = points.stream().map(p -> moved(fit, p)).toList();
            return new OtherSystem(kind, fit, moved, fit.residuals(), words(book, both, points, fit, kind));
        });
    }

    private static ImportedPoint moved(SystemFit fit, ImportedPoint point) {
        Mark.Coordinates to = fit.apply(coordinates(point));
        return new ImportedPoint(
                point.name(), to.northing(), to.easting(), to.elevation(), point.code(), point.place());
    }

    /** What the fit comes to, which mark disagrees, and what another choice would change. */
    private static String words(
            BookedJob book, List<InBoth> both, List<ImportedPoint> points, SystemFit fit, Kind kind) {
        Words words = new Words(book.job().units());
        Display show = new Display(book.job().units());
        StringBuilder said = new StringBuilder("%d marks are known in both systems: turned by %s%s."
                .formatted(
                        both.size(),
                        words.angle(fit.turn()),
                        kind == Kind.SCALE_HELD
                                ? ""
                                : ", scale %s ppm".formatted(show.number((fit.scale() - 1) * 1e6, 1))));
        OptionalDouble stdDev = fit.stdDev();
        said.append(
                stdDev.isPresent()
                        ? " One coordinate is off by %s (standard deviation from %d left over)."
                                .formatted(words.difference(stdDev.getAsDouble()), fit.redundancy())
                        : " Nothing is left over to check it: residuals of zero prove nothing. One more mark in both would.");
        fit.disagrees()
                .ifPresent(mark ->
                        said.append(" %s does not fit the others: look at it before these come in.".formatted(mark)));
        List<Mark.Coordinates> places =
                points.stream().map(OtherSystem::coordinates).toList();
        for (Kind other : Kind.values()) {
            if (other != kind) {
                SystemFit.of(other, both)
                        .ifPresent(fitted -> said.append(" %s instead would put the farthest point %s elsewhere."
                                .formatted(name(other), words.difference(fit.apartFrom(fitted, places)))));
            }
        }
        return said.toString();
    }

    private static String name(Kind kind) {
        return switch (kind) {
            case SCALE_HELD -> "The scale held";
            case SCALE_FREE -> "One scale";
            case AFFINE -> "An affine fit";
        };
    }

    /** As the source of what comes in, and in the record. */
    String record() {
        double largest = residuals.stream()
                .max(Comparator.comparingDouble(SystemFit.Residual::plan))
                .map(SystemFit.Residual::plan)
                .orElse(0.0);
        return "from another system, %s, %d marks, largest residual %s m"
                .formatted(name(kind).toLowerCase(java.util.Locale.ROOT), residuals.size(), Words.number(largest, 3));
    }
}
