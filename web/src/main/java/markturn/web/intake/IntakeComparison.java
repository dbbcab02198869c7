package markturn.web.intake;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.formats.ImportedPoint;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;

/** Points of a file held against a job: what is new, what is there already, and what contradicts it. */
final class IntakeComparison {
    /** Closer than this two coordinates are the same, metres: the rounding of files. */
    private static final double SAME = 0.0006;

    private IntakeComparison() {}

    /** How a point stands to the job. */
    enum Standing {
        NEW,
        SAME,
        DIFFERS,
        /** A mark of that name is in the job, and has no place yet. */
        UNPLACED
    }

    /** One point held against the job; differences are file minus job, metres. */
    record Row(ImportedPoint point, Standing standing, OptionalDouble north, OptionalDouble east, OptionalDouble up) {
        boolean isConflict() {
            return standing == Standing.DIFFERS || standing == Standing.UNPLACED;
        }
    }

    static List<Row> against(BookedJob book, List<ImportedPoint> points) {
        return points.stream().map(point -> row(book, point)).toList();
    }

    private static Row row(BookedJob book, ImportedPoint point) {
        Job job = book.job();
        OptionalDouble none = OptionalDouble.empty();
        if (job.mark(point.name()).isEmpty()) {
            return new Row(point, Standing.NEW, none, none, none);
        }
        Optional<Position> at =
                book.result().measured().mark(job.trueName(point.name())).flatMap(MeasuredMark::position);
        if (at.isEmpty()) {
            return new Row(point, Standing.UNPLACED, none, none, none);
        }
        Position listed = Position.held(new Mark.Coordinates(point.northing(), point.easting(), point.elevation()));
        Position.Difference off = listed.minus(at.get());
        return new Row(
                point,
                off.isWithin(SAME) ? Standing.SAME : Standing.DIFFERS,
                OptionalDouble.of(off.north()),
                OptionalDouble.of(off.east()),
                off.up());
    }

    /** A name that is free in the job and among the points: the same with a number behind it. */
    static String freeName(Job job, Set<String> taken, String name) {
        String stem = name.length() > 55 ? name.substring(0, 55) : name;
        for (int n = 2; ; n++) {
            String next = stem + "-" + n;
            if (job.mark(next).isEmpty() && taken.add(next)) {
                return next;
            }
        }
    }

    /** The names of the points, to which new ones are added as they are given. */
    static Set<String> names(List<Row> rows) {
        Set<String> names = new HashSet<>();
        rows.forEach(row -> names.add(row.point().name()));
        return names;
    }
}
