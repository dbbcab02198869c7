package markturn.survey.finding.figure;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
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
final class RefractionImplied implements Rule {
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

    @Override
    public Stream<Finding> judge(Evidence evidence) {
        Job job = evidence.job();
        if (!job.earth().curvature() || job.planOnly()) {
            return Stream.empty();
        }
        Map<String, SetAbstract> there = new HashMap<>();
        Map<String, MeasuredSetup> setups = new HashMap<>();
        Sums sums = new Sums();
        evidence.setups().forEach(setup -> {
            String from = job.trueName(setup.setup().station());
            for (SetAbstract sets : setup.abstracts()) {
                if (sets.elevationDifference().isEmpty() || sets.horizontal().isEmpty()) {
                    continue;
                }
                String to = job.trueName(sets.target());
                Optional.ofNullable(there.get(to + "\n" + from))
                        .ifPresent(back -> take(job, sums, setup, sets, setups.get(to + "\n" + from), back));
                there.putIfAbsent(from + "\n" + to, sets);
                setups.putIfAbsent(from + "\n" + to, setup);
            }
        });
        if (sums.legs == 0 || 1 / Math.sqrt(sums.weights) > TELLS) {
            return Stream.empty();
        }
        return Stream.of(found(job, sums));
    }

    private static void take(
            Job job, Sums sums, MeasuredSetup one, SetAbstract sets, MeasuredSetup other, SetAbstract back) {
        double length = sets.horizontal().getAsDouble();
        double byHeight = job.earth().radius() / (length * length);
        double sum = sets.elevationDifference().getAsDouble()
                + back.elevationDifference().getAsDouble();
        double variance = variance(job, one, sets) + variance(job, other, back);
        sums.take(sum * byHeight, variance * byHeight * byHeight);
    }

    /** Of a height difference, refraction left out. */
    private static double variance(Job job, MeasuredSetup setup, SetAbstract sets) {
        double length = sets.horizontal().getAsDouble();
        double refraction = length
                * length
                * Weights.REFRACTION_UNCERTAINTY
                / (2 * job.earth().radius());
        return Legs.riseVariance(job, setup, sets) - refraction * refraction;
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
