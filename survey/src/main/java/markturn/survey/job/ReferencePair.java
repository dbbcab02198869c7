package markturn.survey.job;

import java.util.OptionalDouble;

/**
 * What is known of two marks from each other without the instrument: a taped or otherwise known distance, a height difference, or both.
 *
 * @param one a mark of the job
 * @param other another mark of it
 * @param distance horizontal, on the ground, metres; empty where only the height difference is known
 * @param stdDev of the distance, metres
 * @param rise from one to the other, metres; empty where only the distance is known
 * @param riseStdDev of the height difference, metres
 * @param how it was measured, in words
 */
public record ReferencePair(
        String one,
        String other,
        OptionalDouble distance,
        double stdDev,
        OptionalDouble rise,
        double riseStdDev,
        String how) {}
