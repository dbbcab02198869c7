package markturn.tripod.mark;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.tripod.typed.Form;

/** Marks as they were filled in: what is at fault stays with its field. */
public final class MarkForm {
    /** What a deviation may be, metres. */
    private static final double SMALLEST = 1e-4;

    private static final double LARGEST = 100;

    private MarkForm() {}

    /** A fix without its precision can neither be compared nor adjusted. */
    public static double deviation(Form form, String field) {
        OptionalDouble value = form.length(field, SMALLEST, LARGEST, "one standard deviation, as the receiver says it");
        if (value.isEmpty() && !form.faults().containsKey(field)) {
            form.fault(field, "Empty: expected one standard deviation, as the receiver says it");
        }
        return value.orElse(LARGEST);
    }

    public static boolean isBlank(Form form, int row) {
        return form.isEmpty("name-" + row) && form.isEmpty("northing-" + row) && form.isEmpty("easting-" + row);
    }

    public static Mark read(Form form, int row) {
        double northing = required(form, "northing-" + row, "a northing");
        double easting = required(form, "easting-" + row, "an easting");
        OptionalDouble elevation =
                form.length("elevation-" + row, -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an elevation");
        Mark mark = Mark.control(
                form.name("name-" + row, "the name of the mark"),
                northing,
                easting,
                elevation,
                form.text("source-" + row));
        return withFound(mark, form.text("found-" + row));
    }

    public static double required(Form form, String field, String what) {
        OptionalDouble value = form.length(field, -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, what);
        if (value.isEmpty()) {
            form.fault(field, "Empty: expected " + what);
        }
        return value.orElse(0);
    }

    public static Mark withFound(Mark mark, String found) {
        Optional<Mark.Found> state = java.util.Arrays.stream(Mark.Found.values())
                .filter(f -> f.key().equals(found))
                .findFirst();
        return mark.withFound(state);
    }

    public static Mark corrected(Form form, Mark before) {
        double northing = required(form, "given-northing", "a northing");
        double easting = required(form, "given-easting", "an easting");
        OptionalDouble elevation =
                form.length("given-elevation", -Mark.Coordinates.FARTHEST, Mark.Coordinates.FARTHEST, "an elevation");
        return before.withGiven(
                new Mark.Coordinates(northing, easting, elevation),
                form.isEmpty("source") ? before.source() : form.text("source"));
    }
}
