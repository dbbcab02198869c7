package markturn.tripod.detail;

import java.util.Comparator;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.survey.show.Sentence;

/** A point that lies where another one lies already, under another name: said as soon as it is booked. */
public final class NearTwin {
    private NearTwin() {}

    /** What is said of a mark that was just booked; empty where nothing lies near it. */
    public static Optional<String> warning(BookedJob book, String target) {
        Job job = book.job();
        Measured measured = book.result().measured();
        String name = job.trueName(target);
        Optional<Position> here = measured.mark(name).flatMap(MeasuredMark::position);
        double near = job.classOfWork().limit(Limit.SECOND_FIX_POSITION);
        return here.flatMap(at -> measured.marks().stream()
                .filter(m -> !m.name().equals(name)
                        && m.position().isPresent()
                        && m.mark().kind() != Mark.Kind.CONTROL)
                .filter(m -> m.position().get().distanceTo(at) <= near)
                .min(Comparator.comparingDouble(m -> m.position().get().distanceTo(at)))
                .map(m -> Sentence.of(
                        "%s lies %s from %s: if it is the same point, strike it and sight %s again by its name.",
                        name,
                        new Words(job.units()).difference(m.position().get().distanceTo(at)),
                        m.name(),
                        m.name())));
    }
}
