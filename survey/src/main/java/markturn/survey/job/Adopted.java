package markturn.survey.job;

import java.time.Instant;
import java.util.Optional;

/** A coordinate adopted by decision: what, from which run, when, by whom and why. It takes that mark's place from the start. */
public record Adopted(
        String mark,
        Mark.Coordinates position,
        Optional<Mark.Deviations> stdDev,
        String from,
        Optional<Instant> at,
        String by,
        String reason) {}
