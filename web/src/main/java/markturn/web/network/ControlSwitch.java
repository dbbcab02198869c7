package markturn.web.network;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;

/**
 * The control marks of a job that are observed instead of held, and how well.
 *
 * @param observed their names; the others are held
 * @param stdDev one sigma of each of their coordinates, metres, where the mark has none of its own
 */
record ControlSwitch(Set<String> observed, double stdDev) {
    /** What a control mark is taken to be good for until somebody says otherwise, metres. */
    static final double USUAL = 0.005;

    /** As the job is booked. */
    static ControlSwitch of(Job job) {
        Set<String> observed = new TreeSet<>();
        control(job).stream().filter(m -> m.stdDev().isPresent()).forEach(m -> observed.add(m.name()));
        double stdDev = control(job).stream()
                .flatMap(m -> m.stdDev().stream())
                .mapToDouble(Mark.Deviations::northing)
                .findFirst()
                .orElse(USUAL);
        return new ControlSwitch(observed, stdDev);
    }

    static List<Mark> control(Job job) {
        return job.marks().stream().filter(m -> m.given().isPresent()).toList();
    }

    /** The marks that it changes, as they would be. */
    List<Mark> changed(Job job) {
        return control(job).stream()
                .filter(mark -> mark.stdDev().isPresent() != observed.contains(mark.name())
                        || mark.stdDev().filter(d -> d.northing() != stdDev).isPresent())
                .map(mark -> mark.withStdDev(
                        observed.contains(mark.name())
                                ? Optional.of(new Mark.Deviations(stdDev, stdDev, stdDev))
                                : Optional.empty()))
                .toList();
    }

    /** The job with it. */
    Job on(Job job) {
        Job switched = job;
        for (Mark mark : changed(job)) {
            switched = switched.withMark(mark.name(), m -> mark);
        }
        return switched;
    }

    /** A typed deviation in metres; the usual one where nothing was typed. */
    static double or(OptionalDouble typed) {
        return typed.orElse(USUAL);
    }
}
