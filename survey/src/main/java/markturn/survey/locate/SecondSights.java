package markturn.survey.locate;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Propagation;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/** What was decided about located points that were fixed a second time: the last decision for a mark and a setup holds. */
final class SecondSights {
    private static final String AGAIN = " again";

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

    /**
     * Two fixes meaned by their variances; what only one has stays as it is there. Textbook weighted mean; what both share is not made
     * smaller by it.
     *
     * @param mark true name of the mark that both fix
     */
    static Position mean(String mark, Position first, Position second, Propagation propagation) {
        double weight = share(
                first.plan().nn() + first.plan().ee(),
                second.plan().nn() + second.plan().ee());
        Lineage plan = Lineage.of(
                mark + " mean plan",
                2,
                List.of(
                        new Lineage.Part(first.planLineage(mark), new double[] {1 - weight, 0, 0, 1 - weight}),
                        new Lineage.Part(second.planLineage(mark + AGAIN), new double[] {weight, 0, 0, weight})),
                new double[4]);
        Position level = level(mark, first, second, propagation);
        return new Position(
                first.northing() * (1 - weight) + second.northing() * weight,
                first.easting() * (1 - weight) + second.easting() * weight,
                level.elevation(),
                Covariance.of(propagation.variance(plan)),
                level.elevationVariance(),
                new Position.MadeLineages(Optional.of(plan), level.lineage().level()));
    }

    /** The meaned elevation, in the plan of the first. */
    private static Position level(String mark, Position first, Position second, Propagation propagation) {
        if (first.elevation().isEmpty() || second.elevation().isEmpty()) {
            return first.elevation().isPresent() ? first : second;
        }
        double of = share(
                first.elevationVariance().orElse(0), second.elevationVariance().orElse(0));
        Lineage level = Lineage.of(
                mark + " mean level",
                1,
                List.of(
                        new Lineage.Part(first.levelLineage(mark), new double[] {1 - of}),
                        new Lineage.Part(second.levelLineage(mark + AGAIN), new double[] {of})),
                new double[1]);
        return new Position(
                first.northing(),
                first.easting(),
                OptionalDouble.of(first.elevation().getAsDouble() * (1 - of)
                        + second.elevation().getAsDouble() * of),
                first.plan(),
                OptionalDouble.of(propagation.variance(level)[0]),
                new Position.MadeLineages(first.lineage().plan(), Optional.of(level)));
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
    Optional<Position> decide(
            Job job, String mark, String setup, Position first, Position second, Propagation propagation) {
        if (!mayMove(job, mark)) {
            return Optional.empty();
        }
        return switch (of(mark, setup)) {
            case KEEP -> Optional.empty();
            case MEAN -> Optional.of(mean(mark, first, second, propagation));
            case REPLACE -> Optional.of(second);
        };
    }
}
