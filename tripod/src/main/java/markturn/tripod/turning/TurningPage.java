package markturn.tripod.turning;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Pen;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.BeforePickingUp;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/**
 * What the page of a setup shows: the booked lines in ink, the live line, the coming pointings in pencil.
 *
 * @param leftOut how many lines of a long setup are not among those shown
 * @param round what may leave the round: its targets
 */
public record TurningPage(
        MeasuredSetup setup,
        List<BookLine> lines,
        int leftOut,
        Optional<Live> live,
        List<Coming> coming,
        List<String> round,
        int setsWanted,
        int left,
        List<Comparison> comparisons,
        List<Finding> findings,
        CircleDrawing circle,
        State state) {
    /**
     * How the setup stands beside its lines.
     *
     * @param compared whether a backsight has been sighted and compared: until then every line is unproved
     * @param heldBy who writes here with another device
     * @param practice whether a simulated station stands here
     * @param broken whether work was interrupted and the first target is to be sighted again
     * @param mismatch how the circle differs after the break, in words, where it differs beyond its limit
     * @param ageOfLook how long ago the backsight was sighted, in words; empty where unknown
     * @param closingDue whether the class's interval is over
     * @param doubtful how many shots lie between the last good look back and a bad one
     * @param loose what would stay unproved if the instrument were picked up now
     * @param foresights where one could move to
     */
    public record State(
            boolean compared,
            Optional<Pen> heldBy,
            boolean practice,
            boolean broken,
            String mismatch,
            String ageOfLook,
            boolean closingDue,
            int doubtful,
            List<BeforePickingUp.Loose> loose,
            List<String> foresights) {}

    /**
     * A booked line.
     *
     * @param heading what begins here, such as {@code Set 2}; empty inside it
     * @param margin what the line is worth, in short phrases
     * @param judgements what is out of its limit, in words
     * @param earlier whether it is folded away where many lines stand above the one in hand; what is out of its limit never is
     */
    public record BookLine(
            String key,
            String heading,
            Reading reading,
            String circle,
            String zenith,
            String slope,
            String height,
            String time,
            List<String> margin,
            List<Judged> judgements,
            boolean earlier) {
        /** {@code L} or {@code R}. */
        public String face() {
            return reading.face() == Reading.Face.LEFT ? "L" : "R";
        }

        public String target() {
            return reading.target();
        }

        /** The role in words. */
        public String role() {
            return reading.role().name().toLowerCase(Locale.ROOT);
        }

        public boolean stands() {
            return reading.stands();
        }

        /** The number of its set; empty outside the sets. */
        public String set() {
            return reading.set().isPresent() && heading.startsWith("Set ")
                    ? String.valueOf(reading.set().getAsInt())
                    : "";
        }

        /** What correcting its note is called to who cannot see the line. */
        public String correctLabel() {
            return "Correct what was noted with " + reading.target() + " " + circle;
        }

        /** What striking it out is called to who cannot see the line. */
        public String strikeLabel() {
            return "Strike out " + reading.target() + " face "
                    + reading.face().name().toLowerCase(Locale.ROOT) + " " + circle;
        }
    }

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
            OptionalDouble centringStdDev,
            boolean aside,
            String expected,
            String sentence) {}

    /** A pointing still to come. */
    public record Coming(int set, String face, String target, String expected) {}

    /** A backsight against its known inverse, in words. */
    public record Comparison(String target, Optional<Finding.Severity> severity, String words) {}

    /** How many lines are folded away. */
    public long earlier() {
        return lines.stream().filter(BookLine::earlier).count();
    }

    /** The last line that stands. */
    public Optional<BookLine> last() {
        return lines.stream().filter(l -> l.reading().stands()).reduce((earlier, later) -> later);
    }

    /** Whether the order is through and nothing was called for aside. */
    public boolean isThrough() {
        return live.isEmpty();
    }
}
