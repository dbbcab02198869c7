package markturn.survey.station;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup.Look;

/**
 * What the last look at the backsight shows, taken out by time from the single shots since the look before it: linear interpolation, as
 * a settling leg is usually treated. Common practice, no source. Sets need none of it: each carries its own zero.
 */
final class DriftCorrection {
    private DriftCorrection() {}

    /** The setup with corrected circles; as it is where times are missing. */
    static Setup apply(Job job, Setup setup, List<Look> looks) {
        if (looks.isEmpty()) {
            return setup;
        }
        Look last = looks.get(looks.size() - 1);
        Optional<Look> before = looks.size() > 1 ? Optional.of(looks.get(looks.size() - 2)) : Optional.empty();
        double changeBefore = before.map(Look::change).orElse(0.0);
        int from = before.map(Look::place).orElseGet(() -> lastBacksight(job, setup, last));
        if (from < 0 || last.at().isEmpty() || setup.readings().get(from).at().isEmpty()) {
            return setup;
        }
        Instant begin = setup.readings().get(from).at().get();
        double whole = seconds(begin, last.at().get());
        if (whole <= 0) {
            return setup;
        }
        List<Reading> corrected = new ArrayList<>(setup.readings());
        for (int place = from + 1; place < last.place(); place++) {
            Reading reading = corrected.get(place);
            if (reading.set().isEmpty() && reading.at().isPresent()) {
                double share = seconds(begin, reading.at().get()) / whole;
                double change = changeBefore + share * (last.change() - changeBefore);
                corrected.set(place, reading.withCircle(turned(reading.circle(), -change)));
            }
        }
        return setup.withReadings(corrected);
    }

    private static int lastBacksight(Job job, Setup setup, Look look) {
        int last = -1;
        for (int place = 0; place < look.place(); place++) {
            Reading reading = setup.readings().get(place);
            if (reading.stands()
                    && reading.role() == Reading.Role.BACKSIGHT
                    && job.trueName(reading.target()).equals(job.trueName(look.target()))) {
                last = place;
            }
        }
        return last;
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }

    private static Circle turned(Circle circle, double by) {
        return new Circle(Angles.onCircle(circle.radians() + by), circle.written());
    }
}
