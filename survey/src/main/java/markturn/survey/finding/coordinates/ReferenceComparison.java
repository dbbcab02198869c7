package markturn.survey.finding.coordinates;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.judgement.Judgement.Verdict;
import markturn.survey.finding.judgement.Legs;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.GridScale;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * A reference pair as one setup sees it: from the directions, distances and rises to both of its marks, or from the station to the other. It
 * needs no coordinates, so that it tests the instrument and its constants by themselves.
 *
 * @param setup name of the setup
 * @param height whether it is the height difference that is compared, not the distance
 * @param known as the pair has it, metres; a distance is horizontal, on the ground
 * @param measured as the setup has it, metres
 * @param chance what chance reaches in 0.1 % of comparisons, metres
 * @param limit what judges it, metres
 */
public record ReferenceComparison(
        ReferencePair pair, String setup, boolean height, double known, double measured, double chance, double limit) {
    private static final double CHANCE = Distributions.twoSided(0.001);

    /** Every comparison that the setups of a job allow. */
    public static List<ReferenceComparison> of(Job job, Measured measured) {
        List<ReferenceComparison> all = new ArrayList<>();
        for (ReferencePair pair : job.references()) {
            for (MeasuredSetup setup : measured.setups()) {
                distance(job, pair, setup).ifPresent(all::add);
                rise(job, pair, setup).ifPresent(all::add);
            }
        }
        return all;
    }

    private static Optional<SetAbstract> sets(Job job, MeasuredSetup setup, String mark) {
        return setup.abstracts().stream()
                .filter(a -> job.trueName(a.target()).equals(job.trueName(mark)))
                .findFirst();
    }

    private static boolean standsOn(Job job, MeasuredSetup setup, String mark) {
        return job.trueName(setup.setup().station()).equals(job.trueName(mark));
    }

    private static Optional<ReferenceComparison> distance(Job job, ReferencePair pair, MeasuredSetup setup) {
        if (pair.distance().isEmpty()) {
            return Optional.empty();
        }
        boolean first = standsOn(job, setup, pair.one());
        boolean second = standsOn(job, setup, pair.other());
        Optional<SetAbstract> one = sets(job, setup, pair.one()).filter(ReferenceComparison::isPlaced);
        Optional<SetAbstract> other = sets(job, setup, pair.other()).filter(ReferenceComparison::isPlaced);
        Weights weights = Weights.of(job, setup.setup());
        Seen seen;
        if (first && other.isPresent() || second && one.isPresent()) {
            SetAbstract sight = first ? other.get() : one.get();
            double length = sight.horizontal().getAsDouble();
            seen = new Seen(length, distanceVariance(job, weights, sight, length));
        } else if (one.isPresent() && other.isPresent()) {
            seen = between(job, weights, one.get(), other.get());
        } else {
            return Optional.empty();
        }
        // What was measured is on the grid; a tape lies on the ground.
        double ground = seen.length() / GridScale.inForce(job).orElse(1);
        return Optional.of(compared(
                job,
                pair,
                setup,
                false,
                pair.distance().getAsDouble(),
                ground,
                Math.hypot(pair.stdDev(), Math.sqrt(seen.variance())),
                Limit.BACKSIGHT_DISTANCE));
    }

    private record Seen(double length, double variance) {}

    private static boolean isPlaced(SetAbstract sets) {
        return sets.horizontal().isPresent() && sets.direction().isPresent();
    }

    /** Along each line its ranging, across it its pointing; each by its share of the line between the marks. */
    private static Seen between(Job job, Weights weights, SetAbstract one, SetAbstract other) {
        double angle = other.direction().getAsDouble() - one.direction().getAsDouble();
        double toOne = one.horizontal().getAsDouble();
        double toOther = other.horizontal().getAsDouble();
        double north = toOther * Math.cos(angle) - toOne;
        double east = toOther * Math.sin(angle);
        double at = Math.atan2(east, north);
        double variance = share(job, weights, one, toOne, at) + share(job, weights, other, toOther, at - angle);
        return new Seen(Math.hypot(north, east), variance);
    }

    private static double share(Job job, Weights weights, SetAbstract sets, double length, double at) {
        double across = Math.sin(at) * length;
        return Math.pow(Math.cos(at), 2) * distanceVariance(job, weights, sets, length)
                + across * across * weights.direction(Math.max(0.5, sets.count()), reflector(job, sets), length);
    }

    private static double distanceVariance(Job job, Weights weights, SetAbstract sets, double length) {
        return weights.distance(
                Math.max(1, sets.fix().pointings().means().distanceCount()), reflector(job, sets), length);
    }

    private static Reflector reflector(Job job, SetAbstract sets) {
        return job.sighted(sets.fix().pointings().readings().get(0).reading());
    }

    private static Optional<ReferenceComparison> rise(Job job, ReferencePair pair, MeasuredSetup setup) {
        if (pair.rise().isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble toOne = rise(job, setup, pair.one());
        OptionalDouble toOther = rise(job, setup, pair.other());
        if (toOne.isEmpty() || toOther.isEmpty()) {
            return Optional.empty();
        }
        double variance = riseVariance(job, setup, pair.one()) + riseVariance(job, setup, pair.other());
        return Optional.of(compared(
                job,
                pair,
                setup,
                true,
                pair.rise().getAsDouble(),
                toOther.getAsDouble() - toOne.getAsDouble(),
                Math.hypot(pair.riseStdDev(), Math.sqrt(variance)),
                Limit.BACKSIGHT_ELEVATION));
    }

    /** From the station's mark to a mark; 0 to the station itself. */
    private static OptionalDouble rise(Job job, MeasuredSetup setup, String mark) {
        return standsOn(job, setup, mark)
                ? OptionalDouble.of(0)
                : sets(job, setup, mark).map(SetAbstract::elevationDifference).orElse(OptionalDouble.empty());
    }

    private static double riseVariance(Job job, MeasuredSetup setup, String mark) {
        return sets(job, setup, mark)
                .filter(s -> s.horizontal().isPresent() && s.zenith().isPresent())
                .map(s -> Legs.riseVariance(job, setup, s))
                .orElse(0.0);
    }

    private static ReferenceComparison compared(
            Job job,
            ReferencePair pair,
            MeasuredSetup setup,
            boolean height,
            double known,
            double measured,
            double stdDev,
            Limit limit) {
        double chance = CHANCE * stdDev;
        return new ReferenceComparison(
                pair,
                setup.name(),
                height,
                known,
                measured,
                chance,
                job.classOfWork().judged(limit, chance));
    }

    /** Measured less known, metres. */
    public double difference() {
        return measured - known;
    }

    /** The verdict, as of every comparison. */
    public Verdict verdict() {
        double size = Math.abs(difference());
        return size > limit ? Verdict.OVER_LIMIT : size > chance ? Verdict.BEYOND_CHANCE : Verdict.WITHIN_CHANCE;
    }

    /** What it says, in a sentence. */
    public String sentence(Words words) {
        String how = pair.how().isEmpty() ? "known" : pair.how();
        return "%s %s to %s: %s %s, instrument %s; %s %s, %s."
                .formatted(
                        height ? "Height difference" : "Distance",
                        pair.one(),
                        pair.other(),
                        how,
                        words.height(known),
                        words.height(measured),
                        words.difference(difference()),
                        difference() > 0 ? "more" : "less",
                        verdict().words());
    }
}
