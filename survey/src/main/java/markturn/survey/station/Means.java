package markturn.survey.station;

import java.util.Optional;
import markturn.survey.job.Job;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.GridLines;

/**
 * What a setup is computed with beside the job itself.
 *
 * @param propagation covariances, with those known of before
 * @param lines where the job is in a map projection
 */
public record Means(Propagation propagation, Optional<GridLines> lines) {
    /** Of a job, for one computation. */
    public static Means of(Job job) {
        return new Means(new Propagation(), GridLines.of(job));
    }
}
