package markturn.survey.finding.judgement;

import java.util.OptionalInt;
import markturn.survey.chance.Distributions;
import markturn.survey.job.Limit;

/**
 * One tested quantity against the limit that judges it.
 *
 * @param setup name of the setup
 * @param target name of the target, or empty for the setup as a whole
 * @param value signed, radians or metres by the quantity's dimension
 * @param classLimit of the class of work, or as somebody typed it
 * @param typed whether somebody typed it: then it is judged exactly as typed
 * @param chance what chance reaches with these instruments in 0.1 % of setups
 * @param stdDev of one difference, a priori
 * @param pairs how many differences a spread is the largest of; 1 for a single one
 */
public record Judgement(
        Limit quantity,
        String setup,
        String target,
        OptionalInt set,
        double value,
        double classLimit,
        boolean typed,
        double chance,
        double stdDev,
        int pairs) {
    /** Rarer than this chance is not worth a word. */
    private static final double RARE = 0.005;

    /** How a comparison came out: the one verdict that every page, the report and the findings show. */
    public enum Verdict {
        WITHIN_CHANCE("within chance"),
        BEYOND_CHANCE("beyond chance, within its limit"),
        OVER_LIMIT("over its limit");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        /** The verdict in words. */
        public String words() {
            return words;
        }
    }

    /** What judges it: a typed limit as it is, else the larger of the class limit and what chance reaches. */
    public double limit() {
        return typed ? classLimit : Math.max(classLimit, chance);
    }

    /** The verdict. */
    public Verdict verdict() {
        if (isOut()) {
            return Verdict.OVER_LIMIT;
        }
        return Math.abs(value) > chance ? Verdict.BEYOND_CHANCE : Verdict.WITHIN_CHANCE;
    }

    /** Whether it is over its limit. */
    public boolean isOut() {
        return Math.abs(value) > limit();
    }

    /** Whether the instrument's own figures, not the class, set the limit. */
    public boolean chanceGoverns() {
        return limit() > classLimit;
    }

    /** How often chance alone exceeds the limit, 0 to 1; 0 where the quantity has no deviation. */
    public double oftenByChance() {
        double once = stdDev > 0 ? Distributions.beyond(limit() / stdDev) : 0;
        return 1 - Math.pow(1 - once, pairs);
    }

    /** By how much it is over its limit, same unit; negative where it is within. */
    public double beyond() {
        return Math.abs(value) - limit();
    }

    /** Whether it was held against a limit that somebody typed and that chance alone exceeds more than rarely. */
    public boolean isOftenByChance() {
        return typed && oftenByChance() > RARE;
    }
}
