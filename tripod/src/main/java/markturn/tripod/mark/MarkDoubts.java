package markturn.tripod.mark;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.LikeNames;
import markturn.survey.job.Mark;
import markturn.survey.job.Mark.Coordinates;
import markturn.survey.show.Sentence;

/** What is asked about a given mark before it is entered: its name is read like another, another lies there, its elevation is far off. */
public final class MarkDoubts {
    /** Two given marks nearer than this are one that was entered twice, or a slip, metres. Common practice, no source. */
    private static final double ONE_PLACE = 0.005;

    /** Farther from the other elevations than this is likelier a slip of the decimal point, metres. Common practice, no source. */
    private static final double FAR_UP = 500;

    private MarkDoubts() {}

    /** The first doubt; empty where there is none. */
    public static Optional<String> words(Job job, Mark mark) {
        return Stream.of(name(job, mark), place(job, mark), elevation(job, mark))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<String> name(Job job, Mark mark) {
        return LikeNames.twin(job, mark.name())
                .map(other -> Sentence.of("%s looks like %s, which this job knows", mark.name(), other));
    }

    private static Stream<Coordinates> given(Job job) {
        return job.marks().stream().flatMap(m -> m.given().stream());
    }

    private static Optional<String> place(Job job, Mark mark) {
        Coordinates at = mark.given().orElseThrow();
        return job.marks().stream()
                .filter(m -> m.given()
                        .filter(g -> Math.hypot(g.northing() - at.northing(), g.easting() - at.easting()) < ONE_PLACE)
                        .isPresent())
                .findFirst()
                .map(other -> Sentence.of("%s lies at that very place", other.name()));
    }

    private static Optional<String> elevation(Job job, Mark mark) {
        OptionalDouble up = mark.given().orElseThrow().elevation();
        List<Double> others = given(job)
                .map(Coordinates::elevation)
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .sorted()
                .toList();
        if (up.isEmpty() || others.isEmpty()) {
            return Optional.empty();
        }
        double off = up.getAsDouble() - others.get(others.size() / 2);
        return Math.abs(off) > FAR_UP
                ? Optional.of(Sentence.of(
                        "It lies %s %s than the others",
                        new Words(job.units()).line(Math.abs(off)), off > 0 ? "higher" : "lower"))
                : Optional.empty();
    }
}
