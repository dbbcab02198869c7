package markturn.survey.plan;

import java.util.OptionalDouble;
import markturn.survey.job.Mark;

/**
 * A mark that the work shall give, and how well.
 *
 * @param near where it lies about
 * @param plan it shall lie within that of its place, 95 %, metres; empty where nothing is asked
 * @param elevation the same of its elevation
 * @param hidden no error that stays hidden may shift it farther in plan, metres
 */
public record WantedMark(
        String name, Mark.Coordinates near, OptionalDouble plan, OptionalDouble elevation, OptionalDouble hidden) {
    /** Whether anything is asked of it. */
    public boolean isAsked() {
        return plan.isPresent() || elevation.isPresent() || hidden.isPresent();
    }
}
