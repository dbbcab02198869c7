package markturn.web.frame;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import markturn.survey.job.Decision;

/** Decisions as the pages make them: of now. */
public final class Decisions {
    private Decisions() {}

    /** @param by the name that stays in the record */
    public static Decision now(String by, String what, Map<String, Object> on, String reason) {
        return now(by, what, on, reason, Optional.empty(), Optional.empty());
    }

    /** With what it was before and is after, where a note was changed. */
    public static Decision now(
            String by,
            String what,
            Map<String, Object> on,
            String reason,
            Optional<Object> before,
            Optional<Object> after) {
        return new Decision(
                Optional.of(Instant.now().truncatedTo(ChronoUnit.SECONDS)), by, what, on, reason, before, after);
    }
}
