package markturn.web.turning;

import java.util.List;
import java.util.Optional;
import markturn.survey.finding.Finding;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/** What the page of a setup shows: the booked lines in ink, the live line, the coming pointings in pencil. */
public record TurningPage(
        MeasuredSetup setup,
        List<Line> lines,
        Optional<Live> live,
        List<Coming> coming,
        int setsWanted,
        int left,
        List<Comparison> comparisons,
        List<Finding> findings,
        CircleDrawing circle) {

    /**
     * A booked line.
     *
     * @param heading what begins here, such as {@code Set 2}; empty inside it
     * @param margin what the line is worth, in short phrases
     * @param judgements what is out of its limit, in words
     */
    public record Line(
            String key,
            String heading,
            Reading reading,
            String circle,
            String zenith,
            String slope,
            String height,
            String time,
            List<String> margin,
            List<Judged> judgements) {}

    /** A judgement beside the number that caused it. */
    public record Judged(Finding.Severity severity, String words) {}

    /**
     * The line in hand.
     *
     * @param aside whether it was called for out of the order
     * @param expected roughly where the circle will point; empty where nothing is known
     */
    public record Live(
            String target,
            Reading.Role role,
            int set,
            Reading.Face face,
            String reflector,
            Optional<MeasuredHeight> height,
            boolean aside,
            String expected,
            String sentence) {}

    /** A pointing still to come. */
    public record Coming(int set, String face, String target, String expected) {}

    /** A backsight against its known inverse, in words. */
    public record Comparison(String target, Optional<Finding.Severity> severity, String words) {}

    /** The last line that stands. */
    public Optional<Line> last() {
        return lines.stream().filter(l -> l.reading().stands()).reduce((earlier, later) -> later);
    }

    /** Whether the order is through and nothing was called for aside. */
    public boolean isThrough() {
        return live.isEmpty();
    }
}
