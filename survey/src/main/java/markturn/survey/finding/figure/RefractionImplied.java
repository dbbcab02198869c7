package markturn.survey.finding.figure;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.GatheringRule;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.judgement.Legs;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * The coefficient of refraction that zenith angles both ways imply: with {@code s} the sum of both height differences over a line of length
 * D, {@code k = k₀ + s·R/D²}. The mean of both is free of it. Textbook; said only where the lines are long enough to tell.
 */
final class RefractionImplied implements GatheringRule<RefractionImplied.Sight> {
    /** Known to no better than this, a coefficient says nothing. Common practice, no source. */
    private static final double TELLS = 0.1;

    private static final double CHANCE = 3.3;

    /** Weighted sums over the legs. */
    private static final class Sums {
        private int legs;
        private double weights;
        private double weighed;

        void take(double off, double variance) {
            legs++;
            weights += 1 / variance;
            weighed += off / variance;
        }
    }

    /**
     * A sight with a rise in it.
     *
     * @param from true name of where it goes from
     * @param there from and to in one word, {@code back} the other way
     * @param length in the plan, metres
     * @param rise metres
     * @param variance of the rise, refraction left out; square metres
     */
    record Sight(String from, String to, String there, String back, double length, double rise, double variance) {}

    @Override
    public List<Sight> gather(SetupEvidence evidence) {
        return sights(evidence.settings(), evidence.setup(), evidence.ends());
    }

    private static List<Sight> sights(Job job, MeasuredSetup setup, List<SetAbstract> those) {
        return those.stream()
                .filter(sets -> sets.elevationDifference().isPresent()
                        && sets.horizontal().isPresent())
                .map(sets -> sight(job, setup, sets))
                .toList();
    }

    private static Sight sight(Job job, MeasuredSetup setup, SetAbstract sets) {
        String from = job.trueName(setup.setup().station());
        String to = job.trueName(sets.target());
        double length = sets.horizontal().getAsDouble();
        double refraction = length
                * length
                * Weights.REFRACTION_UNCERTAINTY
                / (2 * job.earth().radius());
        return new Sight(
                from,
                to,
                from + "\n" + to,
                to + "\n" + from,
                length,
                sets.elevationDifference().getAsDouble(),
                Legs.riseVariance(job, setup, sets) - refraction * refraction);
    }

    @Override
    public Stream<Finding> judge(Evidence evidence, List<Sight> gathered) {
        Job job = evidence.job();
        if (!job.earth().curvature() || job.planOnly()) {
            return Stream.empty();
        }
        List<Sight> sights = Legs.stoodOnDetail(job, evidence.setups())
                ? evidence.setups()
                        .flatMap(setup -> sights(job, setup, setup.abstracts()).stream())
                        .toList()
                : gathered;
        Set<String> stations = sights.stream().map(Sight::from).collect(Collectors.toSet());
        Map<String, Sight> there = new HashMap<>();
        Sums sums = new Sums();
        for (Sight sight : sights) {
            if (!stations.contains(sight.to())) {
                continue;
            }
            Sight back = there.get(sight.back());
            if (back != null) {
                double byHeight = job.earth().radius() / (sight.length() * sight.length());
                sums.take(
                        (sight.rise() + back.rise()) * byHeight,
                        (sight.variance() + back.variance()) * byHeight * byHeight);
            }
            there.putIfAbsent(sight.there(), sight);
        }
        if (sums.legs == 0 || 1 / Math.sqrt(sums.weights) > TELLS) {
            return Stream.empty();
        }
        return Stream.of(found(job, sums));
    }

    private static Finding found(Job job, Sums sums) {
        double off = sums.weighed / sums.weights;
        double stdDev = 1 / Math.sqrt(sums.weights);
        double implied = job.earth().refraction() + off;
        return Finding.of(
                        FindingCode.REFRACTION_IMPLIED,
                        Severity.NOTE,
                        "",
                        "",
                        "Zenith angles both ways over %d %s imply a refraction coefficient of %s, standard deviation %s; %s is taken. %s"
                                .formatted(
                                        sums.legs,
                                        sums.legs == 1 ? "leg" : "legs",
                                        Words.number(implied, 2),
                                        Words.number(stdDev, 2),
                                        Words.number(job.earth().refraction(), 2),
                                        Math.abs(off) > CHANCE * stdDev
                                                ? "Means of both ways are free of it; one-way heights are not: correct the coefficient, or sight back."
                                                : "The difference is within chance; means of both ways are free of it."))
                .with(Measure.PLAIN, implied, job.earth().refraction());
    }
}
