package markturn.survey.locate;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/** What was decided about located points that were fixed a second time: the last decision for a mark and a setup holds. */
final class SecondSights {
    private final Map<String, Decision.SecondSight> decided = new HashMap<>();

    SecondSights(Job job) {
        for (Decision decision : job.decisions()) {
            Decision.SecondSight.of(decision)
                    .ifPresent(how -> decided.put(
                            key(job.trueName(decision.concerning("mark")), decision.concerning("setup")), how));
        }
    }

    boolean isEmpty() {
        return decided.isEmpty();
    }

    private static String key(String mark, String setup) {
        return mark + "\n" + setup;
    }

    /** What is to be done with a mark seen again from that setup; by itself the first is kept. */
    Decision.SecondSight of(String mark, String setup) {
        return decided.getOrDefault(key(mark, setup), Decision.SecondSight.KEEP);
    }

    /** Two fixes meaned by their variances; what only one has stays as it is there. Textbook weighted mean. */
    static Position mean(Position first, Position second) {
        double weight = share(
                first.plan().nn() + first.plan().ee(),
                second.plan().nn() + second.plan().ee());
        OptionalDouble up = first.elevation();
        OptionalDouble upVariance = first.elevationVariance();
        if (second.elevation().isPresent()) {
            if (up.isEmpty()) {
                up = second.elevation();
                upVariance = second.elevationVariance();
            } else {
                double a = upVariance.orElse(0);
                double b = second.elevationVariance().orElse(0);
                double of = share(a, b);
                up = OptionalDouble.of(
                        up.getAsDouble() * (1 - of) + second.elevation().getAsDouble() * of);
                upVariance = OptionalDouble.of((1 - of) * (1 - of) * a + of * of * b);
            }
        }
        return new Position(
                first.northing() * (1 - weight) + second.northing() * weight,
                first.easting() * (1 - weight) + second.easting() * weight,
                up,
                times(first.plan(), 1 - weight).plus(times(second.plan(), weight)),
                upVariance);
    }

    private static Covariance times(Covariance of, double weight) {
        double w = weight * weight;
        return new Covariance(of.nn() * w, of.ee() * w, of.ne() * w);
    }

    /** The weight of the second; what is held outweighs everything. */
    private static double share(double first, double second) {
        return first + second == 0 ? 0.5 : first / (first + second);
    }

    /** Whether a decision may touch a mark: only a located point, on which nothing else rests. */
    static boolean mayMove(Job job, String mark) {
        return job.mark(mark)
                .filter(m -> m.kind() == markturn.survey.job.Mark.Kind.LOCATED)
                .filter(m -> m.given().isEmpty())
                .isPresent();
    }

    /** The position after a second sight; empty where the first stays. */
    Optional<Position> decide(Job job, String mark, String setup, Position first, Position second) {
        if (!mayMove(job, mark)) {
            return Optional.empty();
        }
        return switch (of(mark, setup)) {
            case KEEP -> Optional.empty();
            case MEAN -> Optional.of(mean(first, second));
            case REPLACE -> Optional.of(second);
        };
    }
}
