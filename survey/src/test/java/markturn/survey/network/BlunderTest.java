package markturn.survey.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Predicate;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.finding.figure.Suspects;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.survey.result.SingleFault.Kind;
import markturn.survey.result.SingleFault.What;
import markturn.survey.result.Suspect;
import org.junit.jupiter.api.Test;

/**
 * Link traverses of four new stations with one planted blunder, twice as large as its test shows and told apart in theory. Source of what
 * is expected: the theory of the test (W. Baarda), and the truth that was planted.
 */
class BlunderTest {
    private static final int NEW = 4;

    /** The route from A over T1 to T4 to B; K orients A, L orients B. */
    private record World(Map<String, double[]> at, List<String> route, int setups) {
        /** The same without the last setup: the azimuth does not close. */
        World withoutLast() {
            return new World(at, route, setups - 1);
        }

        static World of(long seed) {
            Random random = new Random(seed);
            Map<String, double[]> at = new HashMap<>();
            List<String> route = new ArrayList<>(List.of("A"));
            at.put("K", new double[] {1400, 4900, 40});
            at.put("A", new double[] {1000, 5000, 30});
            double azimuth = Math.toRadians(60);
            double[] here = at.get("A");
            for (int i = 1; i <= NEW + 1; i++) {
                azimuth += (i % 2 == 0 ? 1 : -1) * Math.toRadians(50 + 40 * random.nextDouble());
                double length = 90 + 120 * random.nextDouble();
                String name = i > NEW ? "B" : "T" + i;
                here = new double[] {
                    here[0] + length * Math.cos(azimuth),
                    here[1] + length * Math.sin(azimuth),
                    here[2] + 8 * random.nextDouble() - 4
                };
                at.put(name, here);
                route.add(name);
            }
            at.put("L", new double[] {here[0] - 300, here[1] + 260, 45});
            return new World(at, route, NEW + 2);
        }

        /** Who is sighted from a station: the one before, the one after. */
        List<String> sights(int station) {
            String before = station == 0 ? "K" : route.get(station - 1);
            return station == NEW + 1 ? List.of("L", before) : List.of(before, route.get(station + 1));
        }
    }

    /** What is added to the sight from a station to a target: direction, slope distance, and the target's height as booked. */
    private interface Added {
        double[] to(String station, String target);
    }

    private static Job job(World world, Added added) {
        Job base = Jobs.with(new Earth(6371000, 0.13, false, 1), new Setup.BySights(List.of("B")), List.of());
        List<Mark> marks = new ArrayList<>();
        for (String name : List.of("K", "A", "B", "L")) {
            double[] at = world.at().get(name);
            marks.add(Mark.control(name, at[0], at[1], OptionalDouble.of(at[2]), ""));
        }
        for (int i = 1; i <= NEW; i++) {
            marks.add(Mark.named("T" + i, Mark.Kind.NEW));
        }
        List<Setup> setups = new ArrayList<>();
        for (int i = 0; i < world.setups(); i++) {
            String station = world.route().get(i);
            List<Reading> readings = new ArrayList<>();
            for (String target : world.sights(i)) {
                Role role = target.equals(world.sights(i).get(0)) ? Role.BACKSIGHT : Role.FORESIGHT;
                readings.addAll(sight(world, station, target, role, added.to(station, target)));
            }
            setups.add(Jobs.setup("S" + i, station, world.sights(i).get(0), readings));
        }
        return base.withMarks(marks)
                .withSetups(setups)
                .with(new Traverse("Link", world.route(), Traverse.Rule.COMPASS, false));
    }

    private static List<Reading> sight(World world, String from, String to, Role role, double[] added) {
        double[] a = world.at().get(from);
        double[] b = world.at().get(to);
        double circle = Math.atan2(b[1] - a[1], b[0] - a[0]) + added[0];
        double flat = Math.hypot(b[0] - a[0], b[1] - a[1]);
        double rise = b[2] - a[2];
        double zenith = Math.atan2(flat, rise) + added[3];
        double slope = Math.hypot(flat, rise) + added[1];
        return List.of(
                reading(to, role, Face.LEFT, circle, zenith, slope, added[2]),
                reading(to, role, Face.RIGHT, circle + Math.PI, 2 * Math.PI - zenith, slope, added[2]));
    }

    private static Reading reading(
            String to, Role role, Face face, double circle, double zenith, double slope, double height) {
        return Jobs.reading(
                        to,
                        role,
                        1,
                        face,
                        AngleUnit.DMS.write(Angles.onCircle(circle), 6),
                        AngleUnit.DMS.write(zenith, 6),
                        slope)
                .withTargetHeight(MeasuredHeight.toAxis(1.6 + height));
    }

    private static Added noise(World world, Random random) {
        Map<String, double[]> all = new HashMap<>();
        Job clean = job(world, (station, target) -> new double[4]);
        for (Setup setup : clean.setups()) {
            Weights weights = Weights.of(clean, setup);
            for (String target : world.sights(Integer.parseInt(setup.name().substring(1)))) {
                double length = Math.hypot(
                        world.at().get(target)[0] - world.at().get(setup.station())[0],
                        world.at().get(target)[1] - world.at().get(setup.station())[1]);
                all.put(setup.station() + " " + target, new double[] {
                    Math.sqrt(weights.direction(1, Jobs.PRISM, length)) * random.nextGaussian(),
                    Math.sqrt(weights.distance(1, Jobs.PRISM, length)) * random.nextGaussian(),
                    0.001 * random.nextGaussian(),
                    2 * Angles.SECOND / Math.sqrt(2) * random.nextGaussian()
                });
            }
        }
        return (station, target) -> all.get(station + " " + target);
    }

    private static final Predicate<String> FIXED =
            mark -> List.of("K", "A", "B", "L").contains(mark);

    private static List<FaultTest> trials(World world, boolean plan) throws Exception {
        SurveyResult clean = Survey.compute(job(world, (station, target) -> new double[4]));
        Map<String, Position> near = new HashMap<>();
        clean.measured().marks().forEach(m -> m.position().ifPresent(at -> near.put(m.name(), at)));
        Problem problem = Figure.problem(clean.job(), clean.measured().setups(), world.route(), near, FIXED);
        problem.adjust();
        return plan
                ? problem.hypotheses().ofTraverse().stream()
                        .map(h -> new FaultTest(problem.plan().adjustment(), h))
                        .toList()
                : problem.hypotheses().ofHeights((mark, what) -> {}).stream()
                        .filter(h -> h.what().kind() != Kind.CONTROL_ELEVATION)
                        .map(h -> new FaultTest(problem.heights().adjustment(), h))
                        .toList();
    }

    /** How much of a blunder of one unit a sight takes. */
    private static double[] takes(What what, String setup, String target, World world, double size) {
        boolean here = what.setup().equals(setup);
        boolean fore = world.sights(Integer.parseInt(setup.substring(1))).get(1).equals(target);
        return switch (what.kind()) {
            // The trial is of the first direction of the setup; the other one turned the other way is the same angle.
            case ANGLE -> new double[] {here && fore ? size : 0, 0, 0, 0};
            case DISTANCE -> new double[] {0, here && what.mark().equals(target) ? size : 0, 0, 0};
            case HEIGHT_DIFFERENCE -> new double[] {0, 0, here && what.mark().equals(target) ? -size : 0, 0};
            default -> throw new IllegalArgumentException(what.toString());
        };
    }

    private static final class Count {
        private int tried;
        private int found;
        private int named;
    }

    private static Count count(Kind kind, boolean plan) throws Exception {
        Count count = new Count();
        for (int seed = 0; count.tried < 100; seed++) {
            World world = World.of(seed);
            Random random = new Random(seed);
            List<FaultTest> trials = trials(world, plan);
            List<FaultTest> eligible = trials.stream()
                    .filter(t -> t.what().kind() == kind && t.detectable().isPresent())
                    .filter(t -> trials.stream().allMatch(o -> o == t || t.likeness(o) < Suspect.ALIKE))
                    .toList();
            if (eligible.isEmpty()) {
                continue;
            }
            FaultTest planted = eligible.get(random.nextInt(eligible.size()));
            double size = 2 * planted.detectable().getAsDouble() * (random.nextBoolean() ? 1 : -1);
            Added noise = noise(world, random);
            Job job = job(world, (station, target) -> {
                double[] sum = noise.to(station, target).clone();
                String setup = "S" + world.route().indexOf(station);
                double[] blunder = takes(planted.what(), setup, target, world, size);
                for (int i = 0; i < sum.length; i++) {
                    sum[i] += blunder[i];
                }
                return sum;
            });
            MeasuredTraverse run = Survey.compute(job).measured().traverses().get(0);
            List<Suspect> suspects = plan ? run.suspects() : run.levelSuspects();
            count.tried++;
            count.found += !suspects.isEmpty() && suspects.get(0).what().equals(planted.what()) ? 1 : 0;
            count.named += suspects.stream().anyMatch(s -> s.what().equals(planted.what())) ? 1 : 0;
        }
        return count;
    }

    @Test
    void anAngleALengthAndAHeightAreFoundInNinetyFiveOfAHundred() throws Exception {
        for (Kind kind : List.of(Kind.ANGLE, Kind.DISTANCE, Kind.HEIGHT_DIFFERENCE)) {
            Count count = count(kind, kind != Kind.HEIGHT_DIFFERENCE);
            assertThat(count.found).as("%s found, %d named", kind, count.named).isGreaterThanOrEqualTo(95);
            assertThat(count.named).as("%s in the group", kind).isGreaterThanOrEqualTo(98);
        }
    }

    @Test
    void whatCannotBeToldApartIsNamedTogether() throws Exception {
        int pairs = 0;
        for (int seed = 0; seed < 40; seed++) {
            World world = World.of(seed).withoutLast();
            List<FaultTest> angles = trials(world, true).stream()
                    .filter(t -> t.what().kind() == Kind.ANGLE)
                    .toList();
            for (FaultTest one : angles) {
                List<FaultTest> alike = angles.stream()
                        .filter(o -> o != one && one.likeness(o) >= 0.97)
                        .toList();
                if (alike.isEmpty()) {
                    continue;
                }
                double size = 4 * one.detectable().getAsDouble();
                Job job = job(
                        world,
                        (station, target) ->
                                takes(one.what(), "S" + world.route().indexOf(station), target, world, size));
                List<What> named = Survey.compute(job).measured().traverses().get(0).suspects().stream()
                        .map(Suspect::what)
                        .toList();
                assertThat(named).contains(one.what());
                alike.forEach(other -> assertThat(named).contains(other.what()));
                pairs++;
            }
        }
        assertThat(pairs).isPositive();
    }

    /** The suspects of a world with one thing added to one sight, as they are said. */
    private static List<Suspects.SuspectWords> said(World world, String station, String target, double... adds) {
        SurveyResult result = Survey.compute(
                job(world, (from, to) -> from.equals(station) && to.equals(target) ? adds : new double[4]));
        return Suspects.explained(
                result.job(), result.measured(), result.measured().traverses().get(0));
    }

    private static double azimuth(World world, String from, String to) {
        return Math.atan2(
                world.at().get(to)[1] - world.at().get(from)[1],
                world.at().get(to)[0] - world.at().get(from)[0]);
    }

    @Test
    void whatAnErrorLooksLikeIsSaid() {
        // Common practice, no source: the mistakes people make.
        World world = World.of(4);
        double[] from = world.at().get("T2");
        double[] to = world.at().get("T3");
        double length = Math.hypot(Math.hypot(to[0] - from[0], to[1] - from[1]), to[2] - from[2]);
        assertThat(said(world, "T2", "T3", 0, length / 0.3048 - length, 0, 0)
                        .get(0)
                        .hint())
                .contains("feet for metres");
        assertThat(said(world, "T2", "T3", 0, 0.030, 0, 0).get(0).hint()).contains("constant of R1");
        assertThat(said(world, "T2", "T3", 0, 1, 0, 0).get(0).hint()).contains("round number");
        assertThat(said(world, "T2", "T3", Math.toRadians(10 / 60.0), 0, 0, 0)
                        .get(0)
                        .hint())
                .contains("round number");
        double other = Angles.shortWay(azimuth(world, "T3", "T1") - azimuth(world, "T3", "T2"));
        Suspects.SuspectWords wrong = said(world, "T3", "T2", other, 0, 0, 0).get(0);
        assertThat(wrong.what()).contains("angle at T3");
        assertThat(wrong.hint()).contains("was T1 sighted");
        double rise = to[2] - from[2];
        Suspects.SuspectWords swapped =
                said(world, "T2", "T3", 0, 0, 0, 2 * Math.atan2(rise, length)).get(0);
        assertThat(swapped.what()).contains("from T2 (S2) to T3");
        assertThat(swapped.hint()).contains("wrong face");
        assertThat(said(world, "T2", "T3", 0, 0, 0.237, 0).get(0).hint()).isEmpty();
    }

    @Test
    void whatTheLegsTookIsWhatWasMissing() {
        // Textbook: corrections sum to the misclosure with its sign turned.
        World world = World.of(6);
        MeasuredTraverse run = Survey.compute(job(world, noise(world, new Random(6))))
                .measured()
                .traverses()
                .get(0);
        double latitudes = 0;
        double departures = 0;
        for (int i = 0; i < run.legs().size(); i++) {
            latitudes += run.correction(i).latitude().getAsDouble();
            departures += run.correction(i).departure().getAsDouble();
        }
        assertThat(latitudes).isCloseTo(-run.northing().getAsDouble(), within(1e-9));
        assertThat(departures).isCloseTo(-run.easting().getAsDouble(), within(1e-9));
        assertThat(run.correction(1).angle().getAsDouble())
                .isCloseTo(-run.angular().getAsDouble() / run.angles(), within(1e-15));
    }

    @Test
    void cleanTraversesHaveSeldomASuspect() {
        int suspected = 0;
        for (int seed = 0; seed < 100; seed++) {
            World world = World.of(seed);
            MeasuredTraverse run = Survey.compute(job(world, noise(world, new Random(seed))))
                    .measured()
                    .traverses()
                    .get(0);
            suspected += run.suspects().isEmpty() && run.levelSuspects().isEmpty() ? 0 : 1;
        }
        // Theory: one in a hundred in plan and one in elevation at most.
        assertThat(suspected).isLessThanOrEqualTo(6);
    }
}
