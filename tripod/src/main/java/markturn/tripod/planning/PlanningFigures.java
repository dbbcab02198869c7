package markturn.tripod.planning;

import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;

/** In what small lengths people say how well a mark shall lie: millimetres, or hundredths of a foot. */
public final class PlanningFigures {
    private static final double MILLIMETRES = 0.001;
    private static final double HUNDREDTHS = 0.01;

    private PlanningFigures() {}

    /** One of them, in units of the job's lengths. */
    public static double small(Units units) {
        return units.length() == LengthUnit.METRE ? MILLIMETRES : HUNDREDTHS;
    }

    /** How it is written. */
    public static String smallSign(Units units) {
        return units.length() == LengthUnit.METRE
                ? "mm"
                : "0.01 " + units.length().sign();
    }
}
