package markturn.survey.finding.judgement;

import java.util.stream.Stream;
import markturn.survey.chance.Distributions;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.SetMeans;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/** What a leg, as measured from one end, is worth: variances in square metres. */
public final class Legs {
    private Legs() {}

    /**
     * Whether a sight may be one end of a leg that was measured from both: detail on located points is not, as the instrument stands on
     * other marks.
     */
    public static boolean isEnd(Job job, SetAbstract sets) {
        return sets.fix().role() != Reading.Role.DETAIL || !isLocated(job, sets.target());
    }

    /** Whether somebody did stand on a located point after all: then every sight may be such an end. */
    public static boolean stoodOnDetail(Job job, Stream<MeasuredSetup> setups) {
        return setups.anyMatch(setup -> isLocated(job, setup.setup().station()));
    }

    private static boolean isLocated(Job job, String mark) {
        return job.mark(mark)
                .map(m -> m.sameAs().flatMap(job::mark).orElse(m))
                .filter(m -> m.kind() == Mark.Kind.LOCATED)
                .isPresent();
    }

    public static double distanceVariance(Job job, MeasuredSetup setup, SetAbstract sets) {
        return weights(job, setup)
                .distance(
                        sets.fix().pointings().means().distanceCount(),
                        reflector(job, sets),
                        sets.horizontal().getAsDouble());
    }

    /** Chance of a false alarm per setup, shared among some ten legs and rises that meet there. */
    private static final double ALPHA = 0.001 / 10;

    /** What a leg's lengths or height differences may differ by both ways, metres: as typed, or the larger of the class limit and chance. */
    public static double bothWaysLimit(Job job, Limit quantity, double stdDev) {
        return job.classOfWork().judged(quantity, Distributions.twoSided(ALPHA) * stdDev);
    }

    public static double riseVariance(Job job, MeasuredSetup setup, SetAbstract sets) {
        SetMeans means = sets.fix().pointings().means();
        Instrument instrument = job.instrument(setup.setup().instrument());
        return weights(job, setup)
                        .heightDifference(
                                means.zenithCount(),
                                means.distanceCount(),
                                reflector(job, sets),
                                sets.horizontal().getAsDouble(),
                                sets.zenith().getAsDouble())
                + instrument.heightStdDev() * instrument.heightStdDev();
    }

    private static Weights weights(Job job, MeasuredSetup setup) {
        return Weights.of(job, setup.setup());
    }

    private static Reflector reflector(Job job, SetAbstract sets) {
        return job.sighted(sets.fix().pointings().readings().get(0).reading());
    }
}
