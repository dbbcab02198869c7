package markturn.web.network;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Optional;
import markturn.survey.SurveyResult;
import markturn.survey.result.MeasuredNetwork;
import markturn.web.frame.LongWork;
import org.springframework.stereotype.Component;

/** Networks being adjusted, one after the other beside the pages, and the last ones that were. */
@Component
class NetworkRuns {
    private static final int KEPT = 8;

    /** The page says that one may leave it and come back. */
    private static final Duration LEAVING = Duration.ofMinutes(15);

    private final LongWork<Asked, Done> runs = new LongWork<>("networks", 1, KEPT, Duration.ofSeconds(2), LEAVING);

    /**
     * What is adjusted.
     *
     * @param control what of the control was switched, as asked; empty as it is booked
     */
    record Asked(String job, long revision, String control) {}

    /** A job with its network. */
    record Done(SurveyResult result, MeasuredNetwork network) {}

    /** How long a page waits before it shows how far the work is. */
    void setPatience(Duration patience) {
        runs.setPatience(patience);
    }

    /**
     * The network of a job, if it is there soon; started where it was not. Of a job to which more was booked an adjustment under way is of
     * use to nobody, and ends.
     *
     * @param adjusted computes and adjusts the job, beside the page
     */
    Optional<Done> soon(Asked asked, LongWork.Work<Done> adjusted) {
        runs.cancelOutdated(other -> other.job().equals(asked.job()) && other.revision() < asked.revision());
        return runs.soon(asked, adjusted);
    }

    /** An adjustment under way or done; empty where there is none. */
    Optional<LongWork.Run<Done>> known(Asked asked) {
        return runs.known(asked);
    }

    /** Ends an adjustment; nothing happens where there is none. */
    void cancel(Asked asked) {
        runs.cancel(asked);
    }

    @PreDestroy
    void close() {
        runs.close();
    }
}
