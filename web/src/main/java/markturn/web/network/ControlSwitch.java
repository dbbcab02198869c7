package markturn.web.network;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.fieldbook.Shown;

/**
 * The control marks of a job that are observed instead of held, and how well.
 *
 * @param observed their names; the others are held
 * @param stdDev one sigma of each coordinate of every observed mark, metres; empty where each keeps its own, and the one that is
 *     observed from now on is taken for as good as the first that is
 */
record ControlSwitch(Set<String> observed, OptionalDouble stdDev) {
    /** What a control mark is taken to be good for until somebody says otherwise, metres. */
    private static final double USUAL = 0.005;

    /** As the job is booked. */
    static ControlSwitch of(Job job) {
        Set<String> observed = new TreeSet<>();
        control(job).stream().filter(m -> m.stdDev().isPresent()).forEach(m -> observed.add(m.name()));
        return new ControlSwitch(observed, OptionalDouble.empty());
    }

    static List<Mark> control(Job job) {
        return job.marks().stream().filter(m -> m.given().isPresent()).toList();
    }

    /** What a mark of the job is taken to be good for that was held so far, metres. */
    static double usual(Job job) {
        return control(job).stream()
                .flatMap(m -> m.stdDev().stream())
                .mapToDouble(Mark.Deviations::northing)
                .findFirst()
                .orElse(USUAL);
    }

    /** The control as it is booked, for whoever switches it: what they saw. */
    static String shown(Job job) {
        return Shown.of(
                control(job).stream().map(m -> m.name() + " " + m.stdDev()).collect(Collectors.joining("\n")));
    }

    /** The marks that it changes, as they would be. */
    List<Mark> changed(Job job) {
        return control(job).stream()
                .map(mark -> mark.withStdDev(wanted(mark, job)))
                .filter(mark -> !job.mark(mark.name()).orElseThrow().equals(mark))
                .toList();
    }

    private Optional<Mark.Deviations> wanted(Mark mark, Job job) {
        if (!observed.contains(mark.name())) {
            return Optional.empty();
        }
        double good = stdDev.orElse(usual(job));
        return stdDev.isPresent() || mark.stdDev().isEmpty()
                ? Optional.of(new Mark.Deviations(good, good, good))
                : mark.stdDev();
    }

    /** The job with it. */
    Job on(Job job) {
        Job switched = job;
        for (Mark mark : changed(job)) {
            switched = switched.withMark(mark.name(), m -> mark);
        }
        return switched;
    }
}
