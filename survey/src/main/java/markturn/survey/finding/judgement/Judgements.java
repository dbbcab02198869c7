package markturn.survey.finding.judgement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.chance.Distributions;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.Check;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Observation;
import markturn.survey.result.Resected;
import markturn.survey.result.SetAbstract;

/**
 * Every tested quantity of a job with the limit that judges it: as somebody typed it, or the larger of the class limit and what chance reaches. Chance is 0.1 % per
 * setup (3.3 sigma for a single test), shared among the setup's tests, so that clean work raises no alarm.
 */
public final class Judgements {
    private static final double ALPHA_PER_SETUP = 0.001;

    /** A quantity before its limit is known; {@code pairs} is how many differences a spread is the largest of. */
    private record Test(Limit quantity, String target, OptionalInt set, double value, double sigma, int pairs) {}

    private final Job job;
    private final Map<String, List<Check>> checks;

    private Judgements(Job job, Measured measured) {
        this.job = job;
        this.checks = measured.checks().stream().collect(Collectors.groupingBy(Check::from));
    }

    /** All judgements, setup by setup. */
    public static List<Judgement> of(Job job, Measured measured, JudgementCache before) {
        Judgements judgements = new Judgements(job, measured);
        List<Judgement> all = new ArrayList<>();
        measured.setups()
                .forEach(setup -> all.addAll(before.judgements(
                        setup,
                        judgements.checksFrom(setup.name()),
                        () -> judgements.judge(setup.name(), judgements.testsOf(setup)))));
        before.done();
        judgements.judgeSatelliteFixes(all);
        return all;
    }

    private void judgeSatelliteFixes(List<Judgement> all) {
        List<Test> tests = new ArrayList<>();
        checks.keySet().stream()
                .filter(from -> job.setup(from).isEmpty())
                .sorted()
                .forEach(from -> secondFixes(from, tests));
        all.addAll(judge("", tests));
    }

    private List<Judgement> judge(String setup, List<Test> tests) {
        return tests.stream()
                .map(test -> {
                    double chance =
                            Distributions.twoSided(ALPHA_PER_SETUP / tests.size() / test.pairs()) * test.sigma();
                    double classLimit = job.classOfWork().limit(test.quantity());
                    return new Judgement(
                            test.quantity(),
                            setup,
                            test.target(),
                            test.set(),
                            test.value(),
                            classLimit,
                            job.classOfWork().isTyped(test.quantity()),
                            chance,
                            test.sigma(),
                            test.pairs());
                })
                .toList();
    }

    private List<Test> testsOf(MeasuredSetup setup) {
        Instrument instrument = job.instrument(setup.setup().instrument());
        List<Test> tests = new ArrayList<>();
        spread(
                Limit.COLLIMATION_SPREAD,
                FacePairs.collimations(setup, instrument),
                instrument.directionStdDev(),
                tests);
        spread(Limit.INDEX_SPREAD, FacePairs.indexes(setup, instrument), instrument.zenithStdDev(), tests);
        SetResiduals residuals = new SetResiduals(setup, instrument);
        for (SetAbstract sets : setup.abstracts()) {
            residuals(sets, residuals, instrument, tests);
            distances(sets, instrument, tests);
        }
        if (setup.setup().isFree()) {
            resection(setup, tests);
        } else {
            backsights(setup, tests);
        }
        heights(setup, instrument, tests);
        HalfSets.closures(setup)
                .forEach(closure -> tests.add(new Test(
                        Limit.HALF_SET_CLOSURE,
                        closure.target(),
                        OptionalInt.of(closure.set()),
                        closure.value(),
                        // Two pointings, each on one face.
                        2 * instrument.directionStdDev(),
                        1)));
        setup.closingSight()
                .ifPresent(c -> tests.add(
                        new Test(Limit.CLOSING_SIGHT, c.target(), OptionalInt.empty(), c.direction(), c.stdDev(), 1)));
        secondFixes(setup.name(), tests);
        return tests;
    }

    private static void backsights(MeasuredSetup setup, List<Test> tests) {
        for (MeasuredSetup.Backsight backsight : setup.backsights()) {
            test(
                    Limit.BACKSIGHT_DISTANCE,
                    backsight.target(),
                    backsight.distanceDifference(),
                    backsight.distanceStdDev(),
                    tests);
            test(
                    Limit.BACKSIGHT_ELEVATION,
                    backsight.target(),
                    backsight.elevationDifference(),
                    backsight.elevationStdDev(),
                    tests);
        }
    }

    /** Each mark's residual in the plan and in elevation; its own deviation is that of what is left over, σ√r. */
    private static void resection(MeasuredSetup setup, List<Test> tests) {
        for (Resected.Sighted sight : setup.resected().map(Resected::sights).orElse(List.of())) {
            if (sight.isUsed() && sight.residual().isPresent()) {
                double sigma = Math.hypot(
                        leftOver(setup, sight.target(), Observation.Kind.DISTANCE),
                        sight.distance() * leftOver(setup, sight.target(), Observation.Kind.DIRECTION));
                test(Limit.RESECTION_POSITION, sight.target(), sight.residual(), OptionalDouble.of(sigma), tests);
            }
            if (sight.elevation()) {
                double sigma = leftOver(setup, sight.target(), Observation.Kind.ELEVATION_DIFFERENCE);
                test(Limit.RESECTION_ELEVATION, sight.target(), sight.up(), OptionalDouble.of(sigma), tests);
            }
        }
    }

    private static double leftOver(MeasuredSetup setup, String target, Observation.Kind kind) {
        return setup.observations().stream()
                .filter(o -> o.used() && o.target().equals(target) && o.kind() == kind)
                .mapToDouble(o -> o.stdDev() * Math.sqrt(o.redundancy().orElse(0)))
                .max()
                .orElse(0);
    }

    /** Heights taped twice, and the plummet, which no chance excuses. */
    private void heights(MeasuredSetup setup, Instrument instrument, List<Test> tests) {
        setup.setup().instrumentHeight().ifPresent(h -> twice(h, "", Math.sqrt(2) * instrument.heightStdDev(), tests));
        Set<String> told = new HashSet<>();
        for (BookedReading booked : setup.booked().readings()) {
            Reading reading = booked.reading();
            MeasuredHeight height = reading.targetHeight().orElse(null);
            if (height != null && height.again().isPresent() && told.add(reading.target())) {
                twice(
                        height,
                        reading.target(),
                        Math.sqrt(2) * job.sighted(reading).heightStdDev(),
                        tests);
            }
        }
        OptionalDouble plummet = setup.setup().settingUp().plummet();
        if (plummet.isPresent()) {
            tests.add(new Test(Limit.PLUMMET, "", OptionalInt.empty(), plummet.getAsDouble(), 0, 1));
        }
    }

    private static void twice(MeasuredHeight height, String target, double sigma, List<Test> tests) {
        if (height.difference().isPresent()) {
            double difference = height.difference().getAsDouble();
            tests.add(new Test(Limit.HEIGHT_TWICE, target, OptionalInt.empty(), difference, sigma, 1));
        }
    }

    private static void spread(Limit quantity, List<FacePairs.Pair> pairs, double sigma, List<Test> tests) {
        double[] values = pairs.stream()
                .filter(p -> !p.isGross())
                .mapToDouble(FacePairs.Pair::value)
                .sorted()
                .toArray();
        if (values.length > 1) {
            int differences = values.length * (values.length - 1) / 2;
            double spread = values[values.length - 1] - values[0];
            tests.add(new Test(quantity, "", OptionalInt.empty(), spread, Math.sqrt(2) * sigma, differences));
        }
    }

    /** A set's residual is that of a difference of two directions; over n sets its variance is 2σ²(1 − 1/n). */
    private static void residuals(SetAbstract sets, SetResiduals judged, Instrument instrument, List<Test> tests) {
        if (sets.sets() < 2) {
            return;
        }
        double sigma = instrument.directionStdDev() * Math.sqrt(2 * (1 - 1.0 / sets.sets()));
        for (int i = 0; i < sets.residuals().size(); i++) {
            OptionalDouble residual = judged.of(sets, i);
            if (residual.isPresent()) {
                tests.add(new Test(
                        Limit.SET_RESIDUAL, sets.target(), OptionalInt.of(i + 1), residual.getAsDouble(), sigma, 1));
            }
        }
    }

    private static void distances(SetAbstract sets, Instrument instrument, List<Test> tests) {
        if (sets.fix().single()) {
            return;
        }
        double[] values = sets.distances().stream()
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .sorted()
                .toArray();
        if (values.length > 1) {
            double sigma = Math.hypot(instrument.distanceStdDev(), instrument.distancePpm() * 1e-6 * values[0]);
            tests.add(new Test(
                    Limit.DISTANCE_SPREAD,
                    sets.target(),
                    OptionalInt.empty(),
                    values[values.length - 1] - values[0],
                    Math.sqrt(2) * sigma,
                    values.length * (values.length - 1) / 2));
        }
    }

    private List<Check> checksFrom(String from) {
        return checks.getOrDefault(from, List.of());
    }

    private void secondFixes(String from, List<Test> tests) {
        for (Check check : checksFrom(from)) {
            if (!orients(from, check.mark())) {
                test(Limit.SECOND_FIX_POSITION, check.mark(), check.plan(), check.positionStdDev(), tests);
                test(
                        Limit.SECOND_FIX_ELEVATION,
                        check.mark(),
                        check.elevationDifference(),
                        check.elevationStdDev(),
                        tests);
            }
        }
    }

    /** A sight back on what orients the setup tests the circle; the closing sight judges that, and nothing is said twice. */
    private boolean orients(String setup, String mark) {
        return job.setup(setup)
                .map(s -> s.orientation().sights().stream().map(job::trueName).anyMatch(mark::equals))
                .orElse(false);
    }

    private static void test(
            Limit quantity, String target, OptionalDouble value, OptionalDouble sigma, List<Test> tests) {
        if (value.isPresent()) {
            tests.add(new Test(quantity, target, OptionalInt.empty(), value.getAsDouble(), sigma.getAsDouble(), 1));
        }
    }

    /** Roles that a booked set must answer for: detail may be single-face. */
    public static boolean isTurnedInSets(Reading.Role role) {
        return role == Reading.Role.BACKSIGHT || role == Reading.Role.FORESIGHT;
    }
}
