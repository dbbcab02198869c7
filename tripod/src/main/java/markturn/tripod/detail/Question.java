package markturn.tripod.detail;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.job.Job;
import markturn.survey.job.LikeNames;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;

/**
 * What is asked before a shot is stored, where it looks like a slip: whoever books once more means it.
 *
 * @param answer the words that stand for this very question once it was answered
 * @param sentence what is asked
 */
public record Question(String answer, String sentence) {
    private static final Duration JUST = Duration.ofMinutes(1);
    /** Between the questions that were answered; in no name, as names are one line. */
    private static final String BETWEEN = "\n";

    /**
     * The first question that is still open.
     *
     * @param answered the questions that were answered, as {@link #asked} gave them
     */
    public static Optional<Question> first(Job job, Setup setup, Reading now, String answered) {
        return Stream.of(sameReadings(setup, now), twin(job, now))
                .flatMap(Optional::stream)
                .filter(question -> !Arrays.asList(answered.split(BETWEEN)).contains(question.answer()))
                .findFirst();
    }

    /** A shot that reads to the last digit like one just booked: no two pointings do. */
    private static Optional<Question> sameReadings(Setup setup, Reading now) {
        Instant since = now.at().orElseThrow().minus(JUST);
        return setup.readings().stream()
                .filter(r -> r.stands() && r.at().isPresent() && !r.at().get().isBefore(since))
                .filter(r -> r.circle().equals(now.circle())
                        && r.zenith().equals(now.zenith())
                        && r.slope().equals(now.slope()))
                .reduce((earlier, later) -> later)
                .map(before -> new Question(
                        "same " + before.target() + " " + before.circle().written(),
                        Sentence.of(
                                "Again the same? These very readings were booked as %s %d s ago. Nothing is stored yet; book once more to store them as %s too.",
                                before.target(),
                                Duration.between(
                                                before.at().orElseThrow(),
                                                now.at().orElseThrow())
                                        .getSeconds(),
                                now.target())));
    }

    /** A new name that is read like a known one. */
    private static Optional<Question> twin(Job job, Reading now) {
        return LikeNames.twin(job, now.target())
                .map(known -> new Question(
                        "name " + now.target(),
                        Sentence.of(
                                "%s looks like %s, which this job knows. Write it alike if it is the same; book once more if it is another.",
                                now.target(), known)));
    }

    /** The question, by field of the page. */
    public Map<String, String> asked(String answered) {
        return Map.of("again", answered.isEmpty() ? answer : answered + BETWEEN + answer, "message", sentence);
    }
}
