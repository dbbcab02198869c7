package markturn.web.detail;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * A shot that reads to the last digit like one just booked: no two pointings do, so that it is asked about before it is stored.
 *
 * @param before the shot it repeats
 * @param now the shot in hand
 */
record Again(Reading before, Reading now) {
    private static final Duration JUST = Duration.ofMinutes(1);

    /** The shot that this one repeats; empty where there is none, or where it was booked more than a minute ago. */
    static Optional<Again> of(Setup setup, Reading now) {
        Instant since = now.at().orElseThrow().minus(JUST);
        return setup.readings().stream()
                .filter(r -> r.stands() && r.at().isPresent() && !r.at().get().isBefore(since))
                .filter(r -> r.circle().equals(now.circle())
                        && r.zenith().equals(now.zenith())
                        && r.slope().equals(now.slope()))
                .reduce((earlier, later) -> later)
                .map(before -> new Again(before, now));
    }

    /** Whether this very question was answered. */
    boolean isMeant(String answered) {
        return answer().equals(answered);
    }

    private String answer() {
        return before.target() + " " + before.circle().written();
    }

    /** The question, by field of the page. */
    Map<String, String> asked() {
        return Map.of(
                "again",
                answer(),
                "message",
                "Again the same? These very readings were booked as %s %d s ago. Nothing is stored yet; book once more to store them as %s too."
                        .formatted(
                                before.target(),
                                Duration.between(
                                                before.at().orElseThrow(),
                                                now.at().orElseThrow())
                                        .toSeconds(),
                                now.target()));
    }
}
