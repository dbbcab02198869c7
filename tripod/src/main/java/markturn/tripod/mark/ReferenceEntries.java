package markturn.tripod.mark;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.ReferenceNoted;
import markturn.survey.job.Circle;
import markturn.survey.job.ReferencePair;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Outcome;

/** A distance, a height difference or an azimuth between two marks that is known without the instrument, as an entry. */
public final class ReferenceEntries {
    private static final double LONGEST = 1e5;

    private final BookedJob book;

    /** In that book. */
    public ReferenceEntries(BookedJob book) {
        this.book = book;
    }

    /** Enters a pair. */
    public Outcome enter(Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        OptionalDouble distance = form.length("reference-distance", 0, LONGEST, "a horizontal distance above 0");
        OptionalDouble rise = form.length("reference-rise", -LONGEST, LONGEST, "a height difference");
        double stdDev = deviation(form, distance, "reference-stdDev");
        double riseStdDev = deviation(form, rise, "reference-riseStdDev");
        Optional<Circle> azimuth = form.azimuth("reference-azimuth");
        OptionalDouble azimuthStdDev =
                form.number("reference-azimuthStdDev", 0.01, 10_000, "a standard deviation, above 0");
        if (azimuth.isPresent() && azimuthStdDev.isEmpty()) {
            form.fault("reference-azimuthStdDev", "Empty: expected how good the azimuth is");
        }
        if (distance.isEmpty() && rise.isEmpty() && azimuth.isEmpty()) {
            form.fault("reference-distance", "Expected a distance, a height difference or an azimuth");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        return Outcome.of(new ReferenceNoted(new ReferencePair(
                form.text("reference-from"),
                form.text("reference-to"),
                distance,
                stdDev,
                rise,
                riseStdDev,
                form.text("how"),
                azimuth,
                azimuthStdDev.orElse(0) * book.job().units().angle().small())));
    }

    private static double deviation(Form form, OptionalDouble of, String field) {
        OptionalDouble typed = form.number(field, 0, 1000, "millimetres, above 0");
        if (of.isPresent() && typed.orElse(0) == 0) {
            form.fault(field, "Empty: expected how good it is, in millimetres");
        }
        return typed.orElse(0) / 1000;
    }
}
