package markturn.survey.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Circle;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Network;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Observation;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.SingleFault;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.DiagonalMatrix;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;
import org.junit.jupiter.api.Test;

/** Networks of five marks that all sight each other, two of them control, against a general optimiser. */
class NetworkRunTest {
    private static final int MARKS = 5;
    private static final double[][] ABOUT = {{0, 0}, {0, 400}, {200, 480}, {330, 200}, {210, -90}};

    /** The places of a seeded network, turned about the origin and moved. */
    private record World(double[][] places, double turn) {
        static World of(long seed, double turn, double north, double east) {
            Random random = new Random(seed);
            double[][] places = new double[MARKS][];
            for (int i = 0; i < MARKS; i++) {
                double n = ABOUT[i][0] + 40 * random.nextDouble();
                double e = ABOUT[i][1] + 40 * random.nextDouble();
                places[i] = new double[] {
                    north + n * Math.cos(turn) - e * Math.sin(turn), east + n * Math.sin(turn) + e * Math.cos(turn)
                };
            }
            return new World(places, turn);
        }

        double azimuth(int from, int to) {
            return Math.atan2(places[to][1] - places[from][1], places[to][0] - places[from][0]);
        }

        double length(int from, int to) {
            return Math.hypot(places[to][0] - places[from][0], places[to][1] - places[from][1]);
        }
    }

    private static List<Reading> sight(World world, int from, int to, Role role, Random noise, double[] wrong) {
        double own = world.azimuth(from, to) - world.turn() + noise.nextGaussian() * 2 * Angles.SECOND + wrong[0];
        double length = world.length(from, to) + noise.nextGaussian() * 0.002 + wrong[1];
        return Jobs.pair(
                "M" + to,
                role,
                1,
                AngleUnit.DMS.write(Angles.onCircle(own), 9),
                AngleUnit.DMS.write(Angles.onCircle(own + Math.PI), 9),
                length);
    }

    /** The job of a world with seeded noise; {@code wrong} is added to the direction and the distance from M2 to M3. */
    private static Job job(World world, long seed, double... wrong) {
        Random noise = new Random(seed);
        Job job = Jobs.with(new Earth(6371000, 0.13, false, 1), new Setup.BySights(List.of("B")), List.of());
        List<Mark> marks = new ArrayList<>();
        List<Setup> setups = new ArrayList<>();
        for (int i = 0; i < MARKS; i++) {
            double[] at = world.places()[i];
            marks.add(
                    i < 2
                            ? Mark.control("M" + i, at[0], at[1], OptionalDouble.of(10), "")
                            : Mark.named("M" + i, Mark.Kind.NEW));
            List<Reading> readings = new ArrayList<>();
            int back = i == 0 ? 1 : 0;
            readings.addAll(sight(world, i, back, Role.BACKSIGHT, noise, new double[2]));
            for (int to = 0; to < MARKS; to++) {
                if (to != i && to != back) {
                    readings.addAll(
                            sight(world, i, to, Role.FORESIGHT, noise, i == 2 && to == 3 ? wrong : new double[2]));
                }
            }
            setups.add(Jobs.setup("S" + i, "M" + i, "M" + back, readings));
        }
        return job.withMarks(marks).withSetups(setups).with(new Network(true, false));
    }

    private static SurveyResult computed(Job job) {
        return Survey.compute(job);
    }

    private static MeasuredNetwork network(SurveyResult result) {
        return result.measured().network().orElseThrow();
    }

    private static Map<String, Adjusted> byName(MeasuredNetwork network) {
        Map<String, Adjusted> all = new TreeMap<>();
        network.marks().forEach(m -> all.put(m.name(), m));
        return all;
    }

    /** One observation of the optimiser's own model. */
    private record Row(ToDoubleFunction<double[]> misfit, double stdDev) {}

    private static double at(World world, double[] x, int mark, int axis) {
        return mark < 2 ? world.places()[mark][axis] : x[2 * (mark - 2) + axis];
    }

    /** Where the optimiser's own model has its unknown centrings: after coordinates and orientations, north and east by setup. */
    private static final int CENTRINGS = 2 * (MARKS - 2) + MARKS;

    private static double standing(World world, double[] x, int mark, int axis) {
        return at(world, x, mark, axis) + x[CENTRINGS + 2 * mark + axis];
    }

    private static List<Row> rows(World world, SurveyResult result) {
        List<Row> rows = new ArrayList<>();
        for (int s = 0; s < MARKS; s++) {
            MeasuredSetup setup = result.measured().setups().get(s);
            Weights weights = new Weights(Jobs.INSTRUMENT, 0, result.job().earth());
            int centring = CENTRINGS + 2 * s;
            rows.add(new Row(x -> x[centring], Jobs.INSTRUMENT.centringStdDev()));
            rows.add(new Row(x -> x[centring + 1], Jobs.INSTRUMENT.centringStdDev()));
            for (SetAbstract sets : setup.abstracts()) {
                int from = s;
                int to = Integer.parseInt(sets.target().substring(1));
                double length = sets.horizontal().getAsDouble();
                rows.add(new Row(
                        x -> Angles.shortWay(Math.atan2(
                                        at(world, x, to, 1) - standing(world, x, from, 1),
                                        at(world, x, to, 0) - standing(world, x, from, 0))
                                - x[2 * (MARKS - 2) + from]
                                - sets.direction().getAsDouble()),
                        Math.sqrt(weights.direction(1, Jobs.PRISM, length))));
                rows.add(new Row(
                        x -> Math.hypot(
                                        at(world, x, to, 1) - standing(world, x, from, 1),
                                        at(world, x, to, 0) - standing(world, x, from, 0))
                                - length,
                        Math.sqrt(weights.distance(1, Jobs.PRISM, length))));
            }
        }
        for (ReferencePair pair : result.job().references()) {
            int from = Integer.parseInt(pair.one().substring(1));
            int to = Integer.parseInt(pair.other().substring(1));
            rows.add(new Row(
                    x -> Math.hypot(
                                    at(world, x, to, 1) - at(world, x, from, 1),
                                    at(world, x, to, 0) - at(world, x, from, 0))
                            - pair.distance().getAsDouble(),
                    pair.stdDev()));
            pair.azimuth()
                    .ifPresent(azimuth -> rows.add(new Row(
                            x -> Angles.shortWay(Math.atan2(
                                            at(world, x, to, 1) - at(world, x, from, 1),
                                            at(world, x, to, 0) - at(world, x, from, 0))
                                    - azimuth.radians()),
                            pair.azimuthStdDev())));
        }
        return rows;
    }

    /** A tape from M2 to M3, so much too long, and a height difference of nothing: all marks here lie at 10. */
    private static ReferencePair taped(World world, double tooLong) {
        return new ReferencePair(
                "M2",
                "M3",
                OptionalDouble.of(world.length(2, 3) + tooLong),
                0.001,
                OptionalDouble.of(0),
                0.001,
                "steel tape");
    }

    /** The same with an azimuth, as by a gyroscope to 5 seconds, so much too large. */
    private static ReferencePair turned(World world, double tooLarge) {
        ReferencePair tape = taped(world, 0.001);
        double azimuth =
                Math.atan2(world.places()[3][1] - world.places()[2][1], world.places()[3][0] - world.places()[2][0])
                        + tooLarge;
        return new ReferencePair(
                tape.one(),
                tape.other(),
                tape.distance(),
                tape.stdDev(),
                tape.rise(),
                tape.riseStdDev(),
                "tape and gyroscope",
                Optional.of(new Circle(Angles.onCircle(azimuth), "")),
                5 * Angles.SECOND);
    }

    private static LeastSquaresOptimizer.Optimum optimum(World world, SurveyResult result) {
        List<Row> rows = rows(world, result);
        double[] start = new double[CENTRINGS + 2 * MARKS];
        for (int i = 2; i < MARKS; i++) {
            start[2 * (i - 2)] = world.places()[i][0];
            start[2 * (i - 2) + 1] = world.places()[i][1];
        }
        for (int i = 0; i < MARKS; i++) {
            start[2 * (MARKS - 2) + i] =
                    result.measured().setups().get(i).orientation().getAsDouble();
        }
        MultivariateJacobianFunction model = point -> {
            double[] x = point.toArray();
            double[] values = new double[rows.size()];
            double[][] jacobian = new double[rows.size()][x.length];
            for (int i = 0; i < values.length; i++) {
                ToDoubleFunction<double[]> misfit = rows.get(i).misfit();
                values[i] = misfit.applyAsDouble(x);
                for (int j = 0; j < x.length; j++) {
                    double step = j >= 2 * (MARKS - 2) && j < CENTRINGS ? 1e-6 : 1e-3;
                    double[] more = x.clone();
                    double[] less = x.clone();
                    more[j] += step;
                    less[j] -= step;
                    jacobian[i][j] = (misfit.applyAsDouble(more) - misfit.applyAsDouble(less)) / (2 * step);
                }
            }
            return new Pair<>(new org.hipparchus.linear.ArrayRealVector(values), (RealMatrix)
                    new org.hipparchus.linear.Array2DRowRealMatrix(jacobian));
        };
        double[] weights =
                rows.stream().mapToDouble(r -> 1 / (r.stdDev() * r.stdDev())).toArray();
        return new LevenbergMarquardtOptimizer()
                .optimize(new LeastSquaresBuilder()
                        .start(start)
                        .model(model)
                        .target(new double[rows.size()])
                        .weight(new DiagonalMatrix(weights))
                        .maxEvaluations(1000)
                        .maxIterations(1000)
                        .build());
    }

    /** An azimuth a thousandth of a radian wrong is an azimuth, not a distance of a millimetre. Source: the error that was put in. */
    @Test
    void aWrongAzimuthIsNamedAsOne() {
        World world = World.of(4, 0, 1000, 5000);
        MeasuredNetwork network = network(computed(job(world, 4, 0, 0).plus(turned(world, 0.001))));
        // With two control marks alone a moved one turns the whole as well, and explains it nearly as well.
        SingleFault worst = network.faults().stream()
                .limit(3)
                .filter(fault -> fault.what().words().equals("azimuth of M2 – M3"))
                .findFirst()
                .orElseThrow();
        assertThat(worst.timesLimit())
                .isGreaterThan(0.95 * network.faults().get(0).timesLimit());
        assertThat(worst.what().kind().angular()).isTrue();
        assertThat(Math.abs(worst.size())).isCloseTo(0.001, within(5 * 5 * Angles.SECOND));
        assertThat(network.observations())
                .filteredOn(w -> w.observation().kind() == Observation.Kind.AZIMUTH)
                .singleElement()
                .satisfies(w -> assertThat(w.observation().fit()).isEqualTo(Observation.Fit.NO_CHANCE));
    }

    @Test
    void randomNetworksAgreeWithAGeneralOptimiser() {
        // Source: Hipparchus' Levenberg-Marquardt with a model of its own and differenced derivatives.
        for (int seed = 0; seed < 30; seed++) {
            World world = World.of(seed, 0, 1000, 5000);
            Job job = job(world, seed, 0, 0);
            // One in three with a taped distance between two of its marks, one with an azimuth as well.
            SurveyResult result = computed(
                    switch (seed % 3) {
                        case 0 -> job;
                        case 1 -> job.plus(taped(world, 0.001));
                        default -> job.plus(turned(world, 2 * Angles.SECOND));
                    });
            MeasuredNetwork network = network(result);
            LeastSquaresOptimizer.Optimum optimum = optimum(world, result);
            RealMatrix covariance = optimum.getCovariances(1e-12);
            Map<String, Adjusted> marks = byName(network);
            assertThat(marks).hasSize(MARKS - 2);
            for (int i = 2; i < MARKS; i++) {
                Adjusted mark = marks.get("M" + i);
                int north = 2 * (i - 2);
                assertThat(mark.position().northing())
                        .isCloseTo(optimum.getPoint().getEntry(north), within(1e-6));
                assertThat(mark.position().easting())
                        .isCloseTo(optimum.getPoint().getEntry(north + 1), within(1e-6));
                assertThat(mark.position().plan().nn() / covariance.getEntry(north, north))
                        .isCloseTo(1, within(1e-5));
                assertThat(mark.position().plan().ee() / covariance.getEntry(north + 1, north + 1))
                        .isCloseTo(1, within(1e-5));
            }
        }
    }

    @Test
    void redundancyIsCountedAndShared() throws Exception {
        // By hand: 20 directions and 20 distances less 6 coordinates and 5 orientations; 20 height differences less 3
        // elevations. Centring and height of each setup are an unknown and an observation more, and take their share.
        // Source: textbook, the redundancy numbers sum to the redundancy.
        MeasuredNetwork network = network(computed(job(World.of(1, 0, 0, 0), 1, 0, 0)));
        assertThat(network.test().redundancy()).isEqualTo(29 + 17);
        SurveyResult result = computed(job(World.of(1, 0, 0, 0), 1, 0, 0));
        Map<String, Position> known = new TreeMap<>();
        result.measured().marks().forEach(m -> known.put(m.name(), m.position().orElseThrow()));
        Set<String> held = Set.of("M0", "M1");
        Problem problem = new Problem(
                result.job(),
                Stood.of(result.measured().setups()),
                known,
                Rays.of(result.job(), result.measured().setups(), known),
                List.of(),
                new Datum(held, Optional.empty(), false, held, true));
        problem.adjust();
        double shared = 0;
        for (Part part : problem.parts()) {
            for (int i = 0; i < part.said().size(); i++) {
                shared += part.redundancy(i);
            }
        }
        assertThat(shared).isCloseTo(29 + 17, within(1e-6));
        // One coordinate and one elevation of the second control mark come free.
        assertThat(network.leastConstraint().orElseThrow().redundancy()).isEqualTo(28 + 16);
    }

    @Test
    void aTapedPairIsOneObservationMoreAndAWrongTapeIsNamed() {
        World world = World.of(1, 0, 0, 0);
        Job job = job(world, 1, 0, 0);
        // One distance and one height difference more than by hand above.
        MeasuredNetwork network = network(computed(job.plus(taped(world, 0))));
        assertThat(network.test().redundancy()).isEqualTo(29 + 17 + 2);
        assertThat(network.leastConstraint().orElseThrow().redundancy()).isEqualTo(28 + 16 + 2);
        assertThat(network.test().accepted()).isTrue();
        assertThat(computed(job.plus(taped(world, 0.030))).findings())
                .anyMatch(f -> f.code() == FindingCode.NETWORK_RESIDUAL
                        && f.text().contains("the distance of M2 – M3 fits worst")
                        && f.text().contains("measure it again"));
    }

    @Test
    void turningAndMovingTheWorldChangesNothing() {
        MeasuredNetwork one = network(computed(job(World.of(5, 0, 1000, 5000), 5, 0, 0)));
        double turn = 1.1;
        MeasuredNetwork other = network(computed(job(World.of(5, turn, 500000, 4000000), 5, 0, 0)));
        assertThat(other.test().varianceFactor().getAsDouble())
                .isCloseTo(one.test().varianceFactor().getAsDouble(), within(1e-6));
        Map<String, Adjusted> turned = byName(other);
        byName(one).forEach((name, mark) -> {
            double n = mark.position().northing() - 1000;
            double e = mark.position().easting() - 5000;
            assertThat(turned.get(name).position().northing())
                    .isCloseTo(500000 + n * Math.cos(turn) - e * Math.sin(turn), within(1e-6));
            assertThat(turned.get(name).position().plan().ellipse().semiMajor())
                    .isCloseTo(mark.position().plan().ellipse().semiMajor(), within(1e-8));
        });
    }

    @Test
    void cleanNetworksAreAcceptedAndAWrongSightIsProposed() {
        int refused = 0;
        int proposed = 0;
        int cases = 100;
        for (int seed = 0; seed < cases; seed++) {
            World world = World.of(seed, 0, 0, 0);
            refused += network(computed(job(world, seed, 0, 0))).test().accepted() ? 0 : 1;
            // 30" is far beyond what a direction of 2" hides in so full a network.
            List<Finding> findings =
                    computed(job(world, seed, 30 * Angles.SECOND, 0)).findings();
            proposed += findings.stream()
                            .anyMatch(f -> f.code() == FindingCode.NETWORK_RESIDUAL
                                    && f.setup().equals("S2")
                                    && f.target().equals("M3"))
                    ? 1
                    : 0;
        }
        // Theory: one in a hundred; heights here carry no noise, which only makes it rarer.
        assertThat(refused).isLessThanOrEqualTo(4);
        assertThat(proposed).isGreaterThanOrEqualTo(95);
    }

    @Test
    void aMovedControlMarkIsToldFromWrongSights() {
        World world = World.of(3, 0, 0, 0);
        Job job = job(world, 3, 0, 0);
        Job moved = job.withMark(
                "M1",
                m -> Mark.control("M1", world.places()[1][0], world.places()[1][1] + 0.05, OptionalDouble.of(10), ""));
        SurveyResult result = computed(moved);
        assertThat(network(result).test().accepted()).isFalse();
        assertThat(network(result).leastConstraint().orElseThrow().accepted()).isTrue();
        assertThat(result.findings())
                .anyMatch(f -> f.code() == FindingCode.NETWORK_TEST && f.text().contains("control mark does not fit"));
    }

    /** The job of a world with a satellite fix of M1, held control, off by so much to the east and upwards. */
    private static Job fixed(World world, long seed, double east, double up) {
        double[] at = world.places()[1];
        return job(world, seed, 0, 0)
                .plus(new SatelliteFix(
                        "M1",
                        new Mark.Coordinates(at[0], at[1] + east, OptionalDouble.of(10 + up)),
                        new Mark.Deviations(0.01, 0.01, 0.02),
                        SatelliteFix.Use.OBSERVATION));
    }

    @Test
    void aFixOfHeldControlTestsItAndMovesNothing() {
        // By hand: three residuals of held less observed, each with nothing to share its redundancy with.
        World world = World.of(2, 0, 1000, 5000);
        MeasuredNetwork without = network(computed(job(world, 2, 0, 0)));
        MeasuredNetwork with = network(computed(fixed(world, 2, 0.015, -0.04)));
        assertThat(with.test().redundancy()).isEqualTo(without.test().redundancy() + 3);
        assertThat(with.test().varianceFactor().getAsDouble() * with.test().redundancy())
                .isCloseTo(
                        without.test().varianceFactor().getAsDouble()
                                        * without.test().redundancy()
                                + 1.5 * 1.5
                                + 2 * 2,
                        within(1e-6));
        assertThat(with.observations())
                .filteredOn(w -> w.setup().isEmpty())
                .extracting(
                        w -> w.observation().kind(),
                        w -> Math.round(w.observation().residual() * 1e6))
                .containsExactly(
                        tuple(Observation.Kind.NORTHING, 0L),
                        tuple(Observation.Kind.EASTING, -15000L),
                        tuple(Observation.Kind.ELEVATION, 40000L));
        byName(with)
                .forEach((name, mark) -> assertThat(mark.position())
                        .usingRecursiveComparison()
                        .ignoringFields("lineage")
                        .isEqualTo(byName(without).get(name).position()));
    }

    @Test
    void aFixOfHeldControlShowsWhatMovedIt() {
        World world = World.of(3, 0, 0, 0);
        double[] at = world.places()[1];
        // The mark's list is wrong by 80 mm; the satellites and the sights agree on where it stands.
        SurveyResult moved = computed(fixed(world, 3, 0, 0)
                .withMark("M1", m -> Mark.control("M1", at[0], at[1] + 0.08, OptionalDouble.of(10), "")));
        assertThat(network(moved).faults().get(0).what())
                .isEqualTo(new SingleFault.What(SingleFault.Kind.CONTROL_MARK, "", "M1"));
        // The fix is wrong: the sights agree with the list, and the fix alone is named.
        SurveyResult wrong = computed(fixed(world, 3, 0.08, 0));
        assertThat(network(wrong).faults().get(0).what())
                .isEqualTo(new SingleFault.What(SingleFault.Kind.COORDINATES, "", "M1"));
        assertThat(wrong.findings())
                .anyMatch(f -> f.code() == FindingCode.NETWORK_RESIDUAL
                        && f.target().equals("M1")
                        && f.text().contains("easting of M1"));
    }

    @Test
    void aFixOfHeldControlShowsWhatNothingElseWould() {
        // Theory: a network on two marks may turn about the one as the other is wrong sideways, and no sight shows it.
        World world = World.of(4, 0, 0, 0);
        Map<String, Adjusted> without = byName(network(computed(job(world, 4, 0, 0))));
        double[] first = world.places()[0];
        MeasuredNetwork both = network(computed(fixed(world, 4, 0, 0)
                .plus(new SatelliteFix(
                        "M0",
                        new Mark.Coordinates(first[0], first[1], OptionalDouble.of(10)),
                        new Mark.Deviations(0.01, 0.01, 0.02),
                        SatelliteFix.Use.OBSERVATION))));
        byName(both).forEach((name, mark) -> {
            assertThat(without.get(name).plan().worst()).isEmpty();
            assertThat(mark.plan().worst()).isPresent();
            // 4.13 times 10 mm at one end turns nothing beyond the other end by more than the network's shape allows.
            assertThat(mark.plan().shift()).isBetween(0.01, 0.08);
        });
    }

    @Test
    void faultsInOneWayAndInTwoAreRankedAlike() {
        // Source: Hipparchus' distributions; its own inverse is good to 1e-6 that far out.
        ChiSquaredDistribution two = new ChiSquaredDistribution(2);
        NormalDistribution normal = new NormalDistribution();
        for (double value : new double[] {0.1, 1, 5, -2 * Math.log(0.001), 30, 50}) {
            double tail = Math.exp(-value / 2);
            assertThat(1 - two.cumulativeProbability(value)).isCloseTo(tail, within(1e-9));
            assertThat(Distributions.deviate(value))
                    .isCloseTo(-normal.inverseCumulativeProbability(tail / 2), within(1e-6));
        }
    }

    @Test
    void controlWithoutElevationGetsThatOfItsFix() {
        World world = World.of(6, 0, 0, 0);
        double[] at = world.places()[1];
        MeasuredNetwork network = network(computed(fixed(world, 6, 0, 0)
                .withMark("M1", m -> Mark.control("M1", at[0], at[1], OptionalDouble.empty(), ""))));
        assertThat(network.why()).isEmpty();
        assertThat(network.observations())
                .anyMatch(w -> w.observation().kind() == Observation.Kind.ELEVATION
                        && Math.abs(w.observation().residual()) < 0.02);
    }

    @Test
    void adoptedItTakesThePlaceOfWhatWasCarried() {
        SurveyResult result = computed(job(World.of(4, 0, 0, 0), 4, 0, 0).with(new Network(true, true)));
        byName(network(result)).forEach((name, mark) -> {
            assertThat(result.measured()
                            .mark(name)
                            .orElseThrow()
                            .position()
                            .orElseThrow()
                            .northing())
                    .isEqualTo(mark.position().northing());
            assertThat(result.measured().mark(name).orElseThrow().adjustedBy()).contains("network");
        });
    }

    @Test
    void theEllipseOf95IsThatOfTwoDegreesOfFreedom() {
        // Source: Hipparchus' chi-square distribution.
        double exact = Math.sqrt(new ChiSquaredDistribution(2).inverseCumulativeProbability(0.95));
        assertThat(new Covariance(4, 1, 0).ellipse().of95().semiMajor()).isCloseTo(2 * exact, within(1e-3));
    }

    private static double detectable(MeasuredNetwork network, boolean direction) {
        return network.observations().stream()
                .filter(w -> w.setup().equals("S2") && w.observation().target().equals("M3"))
                .filter(w ->
                        w.observation().kind() == (direction ? Observation.Kind.DIRECTION : Observation.Kind.DISTANCE))
                .mapToDouble(w -> w.observation().detectable().orElseThrow())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void noWrongSightThatHidesMovesAMarkFartherThanIsSaid() {
        // Source: by trying it. The same noise with and without an error as large as its test may let pass.
        for (int seed = 0; seed < 100; seed++) {
            World world = World.of(seed, 0, 0, 0);
            MeasuredNetwork clean = network(computed(job(world, seed, 0, 0)));
            for (boolean direction : new boolean[] {true, false}) {
                double error = detectable(clean, direction);
                Map<String, Adjusted> wrong =
                        byName(network(computed(job(world, seed, direction ? error : 0, direction ? 0 : error))));
                byName(clean).forEach((name, mark) -> {
                    double moved = mark.position().distanceTo(wrong.get(name).position());
                    // A hundredth of a millimetre for what is not linear in so large an error.
                    assertThat(moved).isLessThanOrEqualTo(mark.plan().shift() + 1e-5);
                    assertThat(moved).isPositive();
                });
            }
        }
    }
}
