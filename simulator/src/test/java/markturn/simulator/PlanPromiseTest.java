package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Minutes;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;
import markturn.survey.turning.PointingOrder;
import org.junit.jupiter.api.Test;

/**
 * What a plan promises, held against the finished job: the same setups, measured hundreds of times in a world whose truth is known. How often:
 * {@code -Dmarkturn.jobs}. Of 20 plans and 400 jobs each the share that is promised has a standard
 * deviation of a quarter of a percent at most.
 */
class PlanPromiseTest {
    private static final int PLANS = 20;
    private static final int JOBS = Integer.getInteger("markturn.jobs", 400);

    /** χ² of two degrees of freedom at 95 %. Textbook. */
    private static final double PLANE_95 = 5.991;

    private static final double LINE_95 = 1.96;

    /** A plan drawn by chance: four control marks around, three wanted, a free station and one on a control mark, in one to three sets. */
    private record Drawn(World world, WorkPlan plan, Site site) {
        static Drawn of(int seed) {
            Random random = new Random(seed);
            World world = new World();
            double[][] about = {{0, 0}, {0, 160}, {170, 0}, {160, 170}};
            for (int i = 0; i < about.length; i++) {
                world.with(
                        "C" + i,
                        1000 + about[i][0] + 30 * random.nextDouble(),
                        5000 + about[i][1] + 30 * random.nextDouble(),
                        10 + 4 * random.nextDouble());
            }
            List<WantedMark> wanted = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                World.TruePlace at = new World.TruePlace(
                        1020 + 150 * random.nextDouble(),
                        5020 + 150 * random.nextDouble(),
                        10 + 4 * random.nextDouble());
                world.with("W" + i, at.northing(), at.easting(), at.elevation());
                wanted.add(new WantedMark(
                        "W" + i, given(at), OptionalDouble.of(0.01), OptionalDouble.of(0.01), OptionalDouble.empty()));
            }
            world.with("P", 1060 + 60 * random.nextDouble(), 5060 + 60 * random.nextDouble(), 12);
            int sets = 1 + random.nextInt(3);
            List<PlannedSetup> setups = List.of(
                    setup(
                            "S1",
                            "P",
                            PlannedSetup.Method.RESECTION,
                            sets,
                            List.of("C0", "C1", "C2", "C3"),
                            Optional.of(given(world.at("P")))),
                    setup("S2", "C0", PlannedSetup.Method.OCCUPIED, sets, List.of("C1", "C2"), Optional.empty()));
            WorkPlan plan = new WorkPlan("drawn", WorkPlan.AXIS, WorkPlan.TARGET, Minutes.USUAL, wanted, setups);
            Job job = campaign(0, world, sets).job();
            Map<String, Position> known = new LinkedHashMap<>();
            job.marks().forEach(mark -> mark.given().ifPresent(at -> known.put(mark.name(), Position.held(at))));
            return new Drawn(world, plan, new Site(job, known, Ground.OPEN));
        }

        private static Mark.Coordinates given(World.TruePlace at) {
            return new Mark.Coordinates(at.northing(), at.easting(), OptionalDouble.of(at.elevation()));
        }

        private static PlannedSetup setup(
                String name,
                String station,
                PlannedSetup.Method method,
                int sets,
                List<String> back,
                Optional<Mark.Coordinates> place) {
            List<PlannedSetup.Aim> aims = new ArrayList<>();
            back.forEach(mark -> aims.add(new PlannedSetup.Aim(
                    mark, Reading.Role.BACKSIGHT, Campaigns.prism().name())));
            for (int i = 0; i < 3; i++) {
                aims.add(new PlannedSetup.Aim(
                        "W" + i, Reading.Role.FORESIGHT, Campaigns.prism().name()));
            }
            return new PlannedSetup(
                    name,
                    station,
                    method,
                    Campaigns.instrument(1).name(),
                    sets,
                    PointingOrder.School.RETURNING,
                    aims,
                    place);
        }

        private static Campaign campaign(long seed, World world, int sets) {
            Campaign campaign = new Campaign(
                    seed, world, ClassOfWork.Preset.ENGINEERING, Campaigns.instrument(1), Campaigns.prism(), sets);
            List.of("C0", "C1", "C2", "C3").forEach(campaign::control);
            return campaign;
        }

        /** The plan done once. */
        MeasuredNetwork done(long seed) {
            return done(seed, 0, 0);
        }

        /** The plan done once, while C3 stands beside its coordinates, metres. */
        MeasuredNetwork done(long seed, double north, double east) {
            World now = new World();
            world.names()
                    .forEach(name -> now.with(
                            name,
                            world.at(name).northing(),
                            world.at(name).easting(),
                            world.at(name).elevation()));
            Campaign campaign = campaign(seed, now, plan.setups().get(0).sets());
            now.knock("C3", north, east, 0);
            List.of("W0", "W1", "W2", "P").forEach(campaign::wanted);
            List<String> fore = List.of("W0", "W1", "W2");
            campaign.free("S1", "P", List.of("C0", "C1", "C2", "C3"), fore)
                    .occupy("S2", "C0", List.of("C1", "C2"), fore, List.of());
            SurveyResult result = Survey.compute(campaign.job());
            return Survey.network(result, share -> {});
        }
    }

    /** The 95 % ellipse that was promised holds 95 ± 1 % of the truths; so for elevations. */
    @Test
    void whatIsPromisedHolds() {
        AtomicInteger inPlan = new AtomicInteger();
        AtomicInteger inLevel = new AtomicInteger();
        AtomicInteger all = new AtomicInteger();
        IntStream.range(0, PLANS).parallel().forEach(number -> {
            Drawn drawn = Drawn.of(number);
            ForeseenNetwork foreseen = drawn.site().foresee(drawn.plan(), ForeseenNetwork.Depth.ALL);
            for (int i = 0; i < JOBS; i++) {
                MeasuredNetwork done = drawn.done(1000L * number + i);
                for (WantedMark wanted : drawn.plan().wanted()) {
                    Position promised =
                            foreseen.mark(wanted.name()).orElseThrow().position();
                    Position found = done.marks().stream()
                            .filter(m -> m.name().equals(wanted.name()))
                            .findFirst()
                            .orElseThrow()
                            .position();
                    double north = found.northing() - wanted.near().northing();
                    double east = found.easting() - wanted.near().easting();
                    double up = found.elevation().getAsDouble()
                            - wanted.near().elevation().getAsDouble();
                    all.incrementAndGet();
                    inPlan.addAndGet(squares(promised.plan(), north, east) <= PLANE_95 ? 1 : 0);
                    inLevel.addAndGet(
                            Math.abs(up)
                                            <= LINE_95
                                                    * Math.sqrt(promised.elevationVariance()
                                                            .getAsDouble())
                                    ? 1
                                    : 0);
                }
            }
        });
        assertThat(all.get()).isEqualTo(PLANS * JOBS * 3);
        assertThat(inPlan.get() / (double) all.get()).isBetween(0.94, 0.96);
        assertThat(inLevel.get() / (double) all.get()).isBetween(0.94, 0.96);
    }

    /**
     * A control mark that is off by what its sight is said to betray shows in four jobs of five at least; and what passes shifts no wanted mark farther than
     * the hidden error that was promised: held against the same job without the slip, so that chance plays no part.
     */
    @Test
    void whatIsSaidToBeBetrayedShowsAndHidesNoMoreThanWasPromised() {
        AtomicInteger shown = new AtomicInteger();
        int some = 50;
        IntStream.range(0, PLANS).parallel().forEach(number -> {
            Drawn drawn = Drawn.of(number);
            ForeseenNetwork foreseen = drawn.site().foresee(drawn.plan(), ForeseenNetwork.Depth.ALL);
            double off = foreseen.betrayed().stream()
                    .filter(b -> b.mark().equals("C3"))
                    .findFirst()
                    .orElseThrow()
                    .detectable()
                    .orElseThrow();
            Random way = new Random(number);
            for (int i = 0; i < some; i++) {
                double azimuth = 2 * Math.PI * way.nextDouble();
                double north = off * Math.cos(azimuth);
                double east = off * Math.sin(azimuth);
                MeasuredNetwork without = drawn.done(50_000L + 1000L * number + i);
                MeasuredNetwork with = drawn.done(50_000L + 1000L * number + i, north, east);
                shown.addAndGet(
                        with.faults().stream()
                                        .anyMatch(f -> f.isNoChance()
                                                && f.what().mark().equals("C3"))
                                ? 1
                                : 0);
                for (WantedMark wanted : drawn.plan().wanted()) {
                    double shift = place(without, wanted.name()).distanceTo(place(with, wanted.name()));
                    double promised = foreseen.mark(wanted.name())
                            .orElseThrow()
                            .plan()
                            .worst()
                            .orElseThrow();
                    assertThat(shift).isLessThanOrEqualTo(promised * IN_PLANE);
                }
            }
        });
        assertThat(shown.get() / (double) (PLANS * some)).isGreaterThan(0.78);
    }

    /** A slip in two ways is betrayed from 4.43 on, the promise of the hidden error is by 4.13: W. Baarda. */
    private static final double IN_PLANE = 4.43 / 4.13;

    private static Position place(MeasuredNetwork network, String mark) {
        return network.marks().stream()
                .filter(m -> m.name().equals(mark))
                .findFirst()
                .orElseThrow()
                .position();
    }

    private static double squares(Covariance of, double north, double east) {
        double determinant = of.nn() * of.ee() - of.ne() * of.ne();
        return (of.ee() * north * north - 2 * of.ne() * north * east + of.nn() * east * east) / determinant;
    }
}
