package markturn.survey.finding;

import java.util.OptionalInt;
import markturn.survey.job.Limit;

/**
 * One tested quantity against the limit that judges it.
 *
 * @param setup name of the setup
 * @param target name of the target, or empty for the setup as a whole
 * @param value signed, radians or metres by the quantity's dimension
 * @param classLimit of the class of work
 * @param limit the larger of the class limit and what chance reaches with these instruments
 */
public record Judgement(
        Limit quantity, String setup, String target, OptionalInt set, double value, double classLimit, double limit) {
    /** Whether it is out. */
    public boolean isOut() {
        return Math.abs(value) > limit;
    }

    /** Whether the instrument's own figures, not the class, set the limit. */
    public boolean chanceGoverns() {
        return limit > classLimit;
    }

    /** By how much it is out, same unit; negative where it is within. */
    public double beyond() {
        return Math.abs(value) - limit;
    }
}
