package markturn.survey.finding.judgement;

import markturn.survey.chance.Distributions;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredTraverse;

/** The limits a traverse is judged by: as somebody typed them, or the larger of the class limit and what chance reaches in 0.1 % of traverses. */
public final class TraverseLimits {
    private static final double CHANCE = Distributions.twoSided(0.001);

    private TraverseLimits() {}

    /** Of the angular misclosure, radians; the traverse must close in angle. */
    public static double angular(Job job, MeasuredTraverse of) {
        return judged(
                job,
                Limit.ANGULAR_MISCLOSURE,
                of.angularLimit().orElse(0),
                of.predicted().angular());
    }

    /** Of the linear misclosure, metres. */
    public static double linear(Job job, MeasuredTraverse of) {
        double byClass = of.length().orElse(0) / job.classOfWork().limit(Limit.LINEAR_MISCLOSURE);
        return judged(
                job,
                Limit.LINEAR_MISCLOSURE,
                byClass,
                of.predicted().plan().ellipse().semiMajor());
    }

    /** Of the elevation misclosure, metres: so much for each root of a leg. */
    public static double elevation(Job job, MeasuredTraverse of) {
        double byClass = job.classOfWork().limit(Limit.ELEVATION_MISCLOSURE)
                * Math.sqrt(of.legs().size());
        return judged(job, Limit.ELEVATION_MISCLOSURE, byClass, of.predicted().elevation());
    }

    private static double judged(Job job, Limit quantity, double byClass, double stdDev) {
        return job.classOfWork().isTyped(quantity) ? byClass : Math.max(byClass, CHANCE * stdDev);
    }

    /** Of the two lengths of a leg that was measured both ways, metres: the limit by which {@code both-ways-differ} is judged. */
    public static double bothWays(Job job, Measured measured, MeasuredTraverse.Leg leg) {
        double variance = variance(job, measured, leg.from(), leg.to()) + variance(job, measured, leg.to(), leg.from());
        return Legs.bothWaysLimit(job, Limit.BOTH_WAYS_DISTANCE, Math.sqrt(variance));
    }

    private static double variance(Job job, Measured measured, String from, String to) {
        return measured.setups().stream()
                .filter(setup -> job.trueName(setup.setup().station()).equals(job.trueName(from)))
                .flatMap(setup -> setup.abstracts().stream()
                        .filter(sets -> job.trueName(sets.target()).equals(job.trueName(to)))
                        .filter(sets -> sets.horizontal().isPresent())
                        .map(sets -> Legs.distanceVariance(job, setup, sets)))
                .findFirst()
                .orElse(0.0);
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
                                        && Math.abs(of.angular().getAsDouble()) > angular(job, of)));
    }
}
