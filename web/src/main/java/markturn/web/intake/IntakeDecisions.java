package markturn.web.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.MarksAdded;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;

/**
 * What was decided in the preview, made into entries: new marks, checks, new names. Nothing that stands in the job is touched.
 *
 * @param control whether the points are control others gave; otherwise located points
 * @param source where they come from
 * @param stdDev of the coordinates where they become checks, metres
 * @param usual what becomes of a conflict that nobody decided by itself
 * @param single what was decided for single names
 */
record IntakeDecisions(boolean control, String source, double stdDev, Conflict usual, Map<String, Conflict> single) {
    /** Some four megabytes: a quarter of what the database takes at once. */
    private static final int MARKS_AN_ENTRY = 25_000;

    /** What becomes of a point whose name is in the job already. */
    enum Conflict {
        CHECK,
        NEW_NAME,
        LEAVE_OUT;

        String key() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }

        static Conflict of(String key) {
            for (Conflict one : values()) {
                if (one.key().equals(key)) {
                    return one;
                }
            }
            return CHECK;
        }
    }

    /** The entries, and what they do in numbers. */
    record Made(List<MarksAdded> entries, int marks, int checks, int renamed, int leftOut) {}

    Made of(Job job, List<IntakeComparison.Row> rows) {
        Set<String> taken = IntakeComparison.names(rows);
        List<MarksAdded> entries = new ArrayList<>();
        List<Mark> marks = new ArrayList<>();
        List<SatelliteFix> checks = new ArrayList<>();
        int renamed = 0;
        int leftOut = 0;
        int all = 0;
        int checked = 0;
        for (IntakeComparison.Row row : rows) {
            Conflict conflict =
                    row.isConflict() ? single.getOrDefault(row.point().name(), usual) : Conflict.LEAVE_OUT;
            if (row.standing() == IntakeComparison.Standing.NEW) {
                marks.add(mark(row, row.point().name()));
                all++;
            } else if (conflict == Conflict.NEW_NAME) {
                marks.add(mark(
                        row, IntakeComparison.freeName(job, taken, row.point().name())));
                renamed++;
            } else if (conflict == Conflict.CHECK) {
                checks.add(check(row));
                checked++;
            } else {
                leftOut++;
            }
            if (marks.size() + checks.size() == MARKS_AN_ENTRY) {
                entries.add(new MarksAdded(List.copyOf(marks), List.copyOf(checks), source));
                marks.clear();
                checks.clear();
            }
        }
        if (marks.size() + checks.size() > 0) {
            entries.add(new MarksAdded(List.copyOf(marks), List.copyOf(checks), source));
        }
        return new Made(entries, all, checked, renamed, leftOut);
    }

    private static Mark.Coordinates coordinates(IntakeComparison.Row row) {
        return new Mark.Coordinates(
                row.point().northing(), row.point().easting(), row.point().elevation());
    }

    private Mark mark(IntakeComparison.Row row, String name) {
        OptionalDouble up = row.point().elevation();
        return control
                ? Mark.control(name, row.point().northing(), row.point().easting(), up, source)
                        .withCode(row.point().code())
                : new Mark(
                        name,
                        Mark.Kind.LOCATED,
                        Optional.of(coordinates(row)),
                        Optional.empty(),
                        source,
                        Optional.empty(),
                        row.point().code(),
                        Optional.empty());
    }

    private SatelliteFix check(IntakeComparison.Row row) {
        return new SatelliteFix(
                row.point().name(),
                coordinates(row),
                new Mark.Deviations(stdDev, stdDev, stdDev),
                row.standing() == IntakeComparison.Standing.UNPLACED
                        ? SatelliteFix.Use.OBSERVATION
                        : SatelliteFix.Use.CHECK,
                Reading.Origin.TYPED,
                source);
    }
}
