package markturn.survey.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;

/** Coordinates of a job that are observed: given with deviations, or by satellites; of a held mark, fixes that are to take part. */
final class ObservedCoordinates {
    /** A coordinate that is observed without a deviation is as good as held, metres. */
    static final double SMALLEST = 1e-6;

    private final Job job;
    private final Datum datum;

    ObservedCoordinates(Job job, Datum datum) {
        this.job = job;
        this.datum = datum;
    }

    /** Coordinates as they were seen once. */
    record Seen(Mark.Coordinates at, Mark.Deviations stdDev) {
        double north() {
            return Math.max(stdDev.northing(), SMALLEST);
        }

        double east() {
            return Math.max(stdDev.easting(), SMALLEST);
        }

        double up() {
            return Math.max(stdDev.elevation(), SMALLEST);
        }
    }

    /** Those of a mark; none where its coordinates are held and no fix tests them, or where nothing gives any. */
    List<Seen> of(String name) {
        List<Seen> all = new ArrayList<>();
        Optional<Mark> mark = job.mark(name);
        boolean held = datum.plan().contains(name);
        mark.filter(m -> !held && m.given().isPresent() && m.stdDev().isPresent())
                .ifPresent(m -> all.add(new Seen(m.given().get(), m.stdDev().get())));
        job.standingFixes().stream()
                .filter(fix -> fix.use() == SatelliteFix.Use.OBSERVATION
                        && job.trueName(fix.mark()).equals(name))
                .forEach(fix -> all.add(new Seen(fix.ofMark(), fix.stdDev())));
        return all;
    }
}
