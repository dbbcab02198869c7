package markturn.survey.finding;

import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredTraverse;

/** The limits a traverse is judged by: the larger of the class limit and what chance reaches in 0.1 % of traverses. */
public final class TraverseLimits {
    private static final double CHANCE = NormalDistribution.twoSided(0.001);

    private TraverseLimits() {}

    /** Of the angular misclosure, radians; the traverse must close in angle. */
    public static double angular(MeasuredTraverse of) {
        return Math.max(of.angularLimit().orElse(0), CHANCE * of.predicted().angular());
    }

    /** Of the linear misclosure, metres. */
    public static double linear(Job job, MeasuredTraverse of) {
        double byClass = of.length().orElse(0) / job.classOfWork().limit(Limit.LINEAR_MISCLOSURE);
        return Math.max(byClass, CHANCE * of.predicted().plan().ellipse().semiMajor());
    }

    /** Of the elevation misclosure, metres: so much for each root of a leg. */
    public static double elevation(Job job, MeasuredTraverse of) {
        double byClass = job.classOfWork().limit(Limit.ELEVATION_MISCLOSURE)
                * Math.sqrt(of.legs().size());
        return Math.max(byClass, CHANCE * of.predicted().elevation());
    }

    private static boolean isOutInElevation(Job job, MeasuredTraverse of) {
        return of.elevation().isPresent() && Math.abs(of.elevation().getAsDouble()) > elevation(job, of);
    }

    /** Whether a closed traverse misses in plan, in angle or in elevation by more than its limit. */
    public static boolean isOut(Job job, MeasuredTraverse of) {
        return isOutInElevation(job, of)
                || of.northing().isPresent()
                        && (of.linear().getAsDouble() > linear(job, of)
                                || (of.angular().isPresent()
                                        && Math.abs(of.angular().getAsDouble()) > angular(of)));
    }
}
