package markturn.survey.finding.figure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleSupplier;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.GatheringRule;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.judgement.Legs;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/** A leg measured from both ends whose two lengths or height differences disagree. */
final class BothWaysDiffer implements GatheringRule<BothWaysDiffer.Leg> {

    /**
     * A measured sight from a station to a mark, by their true names.
     *
     * @param there both names in one word, {@code back} the other way
     */
    record Leg(String from, String to, String there, String back, MeasuredSetup setup, SetAbstract sets) {
        static Leg of(String from, String to, MeasuredSetup setup, SetAbstract sets) {
            return new Leg(from, to, from + "\n" + to, to + "\n" + from, setup, sets);
        }
    }

    @Override
    public List<Leg> gather(SetupEvidence evidence) {
        return legs(evidence.settings(), evidence.setup(), evidence.ends());
    }

    private static List<Leg> legs(Job job, MeasuredSetup setup, List<SetAbstract> those) {
        String from = job.trueName(setup.setup().station());
        return those.stream()
                .filter(sets -> sets.horizontal().isPresent())
                .map(sets -> Leg.of(from, job.trueName(sets.target()), setup, sets))
                .toList();
    }

    @Override
    public Stream<Finding> judge(Evidence evidence, List<Leg> gathered) {
        Job job = evidence.job();
        List<Leg> legs = Legs.stoodOnDetail(job, evidence.setups())
                ? evidence.setups()
                        .flatMap(setup -> legs(job, setup, setup.abstracts()).stream())
                        .toList()
                : gathered;
        List<Finding> found = new ArrayList<>();
        Set<String> told = new HashSet<>();
        Map<String, Leg> earlier = new HashMap<>();
        for (Leg back : legs) {
            Leg there = earlier.get(back.back());
            if (there != null && told.add(there.there())) {
                compare(evidence, there, back, found);
            }
            earlier.putIfAbsent(back.there(), back);
        }
        return found.stream();
    }

    private static void compare(Evidence evidence, Leg there, Leg back, List<Finding> found) {
        double distance = back.sets().horizontal().getAsDouble()
                - there.sets().horizontal().getAsDouble();
        judge(
                evidence,
                there,
                back,
                Limit.BOTH_WAYS_DISTANCE,
                distance,
                () -> stdDev(evidence.job(), there, back),
                "lengths",
                found);
        if (there.sets().elevationDifference().isPresent()
                && back.sets().elevationDifference().isPresent()) {
            double rise = back.sets().elevationDifference().getAsDouble()
                    + there.sets().elevationDifference().getAsDouble();
            judge(
                    evidence,
                    there,
                    back,
                    Limit.BOTH_WAYS_ELEVATION,
                    rise,
                    () -> riseStdDev(evidence.job(), there, back),
                    "height differences",
                    found);
        }
    }

    private static void judge(
            Evidence evidence,
            Leg there,
            Leg back,
            Limit quantity,
            double value,
            DoubleSupplier sigma,
            String what,
            List<Finding> found) {
        double byClass = evidence.job().classOfWork().limit(quantity);
        if (Math.abs(value) <= byClass) {
            return;
        }
        double limit = Legs.bothWaysLimit(evidence.job(), quantity, sigma.getAsDouble());
        if (Math.abs(value) <= limit) {
            return;
        }
        found.add(Finding.of(
                        FindingCode.BOTH_WAYS_DIFFER,
                        Severity.WARN,
                        back.setup().name(),
                        back.sets().target(),
                        "The %s of %s-%s there and back differ by %s; limit %s. Look at heights, constants and which mark each end stood on; measure one end again."
                                .formatted(
                                        what,
                                        there.from(),
                                        there.to(),
                                        evidence.words().difference(value),
                                        evidence.words().difference(limit)))
                .with(Measure.LENGTH, value, limit));
    }

    private static double stdDev(Job job, Leg there, Leg back) {
        return Math.sqrt(Legs.distanceVariance(job, there.setup(), there.sets())
                + Legs.distanceVariance(job, back.setup(), back.sets()));
    }

    private static double riseStdDev(Job job, Leg there, Leg back) {
        return Math.sqrt(Legs.riseVariance(job, there.setup(), there.sets())
                + Legs.riseVariance(job, back.setup(), back.sets()));
    }
}
