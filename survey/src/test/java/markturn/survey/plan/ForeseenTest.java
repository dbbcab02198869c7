package markturn.survey.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.network.ForeseenNetwork.Depth;
import markturn.survey.result.Covariance;
import markturn.survey.turning.PointingOrder;
import org.junit.jupiter.api.Test;

/**
 * What is shown while a finger drags, and the ground's colours, held against the network that is foreseen whole. The network itself is held
 * against finished jobs elsewhere.
 */
class ForeseenTest {
    private static final int PLANS = 60;

    private static PlannedSetup free(String name, Place place, List<PlannedSetup.Aim> aims) {
        return new PlannedSetup(
                name,
                name,
                PlannedSetup.Method.RESECTION,
                "station",
                2,
                PointingOrder.School.RETURNING,
                aims,
                Optional.of(new Mark.Coordinates(place.northing(), place.easting(), OptionalDouble.empty())));
    }

    private static List<PlannedSetup.Aim> aims(int control, int wanted) {
        List<PlannedSetup.Aim> aims = new ArrayList<>();
        for (int i = 0; i < control; i++) {
            aims.add(new PlannedSetup.Aim("C" + i, Reading.Role.BACKSIGHT, "prism"));
        }
        for (int i = 0; i < wanted; i++) {
            aims.add(new PlannedSetup.Aim("W" + i, Reading.Role.FORESIGHT, "prism"));
        }
        return aims;
    }

    private static WorkPlan plan(Random random, List<PlannedSetup> setups) {
        return new WorkPlan(
                "plan",
                WorkPlan.AXIS,
                WorkPlan.TARGET,
                Minutes.USUAL,
                List.of(Sites.wanted(random, "W0", 0.01), Sites.wanted(random, "W1", 0.01)),
                setups);
    }

    private static void isAlike(Covariance one, Covariance other) {
        double size = Math.max(other.nn(), other.ee());
        assertThat(one.nn()).isCloseTo(other.nn(), within(1e-4 * size));
        assertThat(one.ee()).isCloseTo(other.ee(), within(1e-4 * size));
        assertThat(one.ne()).isCloseTo(other.ne(), within(1e-4 * size));
    }

    @Test
    void aDraggedSetupSaysWhatTheWholeNetworkSays() {
        int compared = 0;
        for (int seed = 0; seed < PLANS; seed++) {
            Random random = new Random(seed);
            Site site = Sites.site(random, 4, 2);
            Place from = Sites.place(random);
            Place to = Sites.place(random);
            WorkPlan plan =
                    plan(random, List.of(free("S1", from, aims(4, 2)), free("S2", Sites.place(random), aims(4, 2))));
            Dragged.Given given = new Dragged(site, plan, "S1").at(to);
            WorkPlan there =
                    plan.with(List.of(free("S1", to, aims(4, 2)), plan.setups().get(1)));
            ForeseenNetwork network = site.foresee(there, Depth.PRECISION);
            for (String mark : List.of("S1", "W0", "W1")) {
                Optional<Covariance> whole =
                        network.mark(mark).map(m -> m.position().plan());
                if (whole.isPresent()) {
                    isAlike(given.spread().get(mark), whole.get());
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(2 * PLANS);
    }

    @Test
    void theGroundIsWorthWhatASetupThereIsWorth() {
        int compared = 0;
        for (int seed = 0; seed < PLANS; seed++) {
            Random random = new Random(seed);
            Site site = Sites.site(random, 4, 3);
            Place place = Sites.place(random);
            WorkPlan plan = plan(random, List.of());
            WhereToStand.Worth worth = new WhereToStand(site, plan, "", "station", "prism", 2).at(place);
            ForeseenNetwork network = site.foresee(plan.with(List.of(free("S1", place, aims(4, 0)))), Depth.PRECISION);
            Optional<Double> within = network.mark("S1")
                    .map(m -> m.position().plan().ellipse().of95().semiMajor());
            assertThat(worth.within().isPresent()).isEqualTo(within.isPresent());
            if (within.isPresent()) {
                assertThat(worth.within().getAsDouble()).isCloseTo(within.get(), within(1e-3 * within.get()));
                boolean good = worth.marks() >= 3 && within.get() <= 0.01;
                assertThat(worth.step() == WhereToStand.Step.POORLY).isEqualTo(!good);
                compared++;
            }
        }
        assertThat(compared).isGreaterThan(PLANS / 2);
    }

    @Test
    void nobodyStandsOnNoGoGround() {
        Site open = Sites.site(new Random(1), 4, 0);
        Obstacle pond = new Obstacle(
                "pond",
                Obstacle.Kind.NO_GO,
                true,
                List.of(new Place(1050, 5050), new Place(1050, 5080), new Place(1080, 5080)),
                OptionalDouble.empty());
        Site site = new Site(open.job(), open.known(), new Ground(List.of(pond)));
        WhereToStand ground = new WhereToStand(site, WorkPlan.empty("none"), "", "station", "prism", 1);
        assertThat(ground.at(new Place(1055, 5070)).step()).isEqualTo(WhereToStand.Step.NO_GO);
        assertThat(ground.at(new Place(1045, 5070)).step()).isNotEqualTo(WhereToStand.Step.NO_GO);
        // It hides nothing: a line of sight runs above water.
        assertThat(site.ground().isSeen(end(1040, 5070), end(1090, 5070))).isTrue();
    }

    private static Ground.End end(double northing, double easting) {
        return new Ground.End(new Place(northing, easting), OptionalDouble.empty());
    }

    /** The station comes first that others need: it finds what they turn in on. Common practice, no source. */
    @Test
    void setupsAreMadeInAnOrderInWhichEachIsTurnedIn() {
        PlannedSetup far = on("far", "W1", List.of(aim("W0"), aim("W2")));
        PlannedSetup first = on("first", "C0", List.of(aim("W0"), aim("C1"), aim("W1")));
        WorkOrder order = WorkOrder.of(Set.of("C0", "C1"), List.of(far, first));
        assertThat(order.setups()).extracting(PlannedSetup::name).isEqualTo(List.of("first", "far"));
        assertThat(order.setups().get(0).aims())
                .extracting(PlannedSetup.Aim::target)
                .isEqualTo(List.of("C1", "W0", "W1"));
        assertThat(order.setups().get(0).aims())
                .extracting(PlannedSetup.Aim::role)
                .isEqualTo(List.of(Reading.Role.BACKSIGHT, Reading.Role.FORESIGHT, Reading.Role.FORESIGHT));
        assertThat(order.setups().get(1).aims().get(0).role()).isEqualTo(Reading.Role.BACKSIGHT);
        assertThat(order.stuck()).isEmpty();
        assertThat(WorkOrder.of(Set.of("C0"), List.of(far)).stuck()).hasSize(1);
    }

    private static PlannedSetup on(String name, String station, List<PlannedSetup.Aim> aims) {
        return new PlannedSetup(
                name, station, PlannedSetup.Method.OCCUPIED, "station", 1, PointingOrder.School.RETURNING, aims);
    }

    private static PlannedSetup.Aim aim(String target) {
        return new PlannedSetup.Aim(target, Reading.Role.FORESIGHT, "prism");
    }

    /** A mark that is gone is made up for by another, or by more sets; what stands already is left alone. */
    @Test
    void theRestIsPlannedAgain() {
        Random random = new Random(5);
        Site site = Sites.site(random, 4, 0);
        WorkPlan plan = plan(
                random,
                List.of(free("S1", new Place(1100, 5100), aims(4, 2))
                        .sighting(List.of(
                                new PlannedSetup.Aim("C1", Reading.Role.BACKSIGHT, "prism"),
                                new PlannedSetup.Aim("W0", Reading.Role.FORESIGHT, "prism"),
                                new PlannedSetup.Aim("W1", Reading.Role.FORESIGHT, "prism")))));
        assertThat(Proposal.shortfalls(site, plan)).isNotEmpty();
        WorkPlan again = Replanned.of(site, plan, setup -> false, (setup, mark) -> !mark.equals("C0"));
        assertThat(Proposal.shortfalls(site, again)).isEmpty();
        assertThat(again.setups().get(0).aims())
                .extracting(PlannedSetup.Aim::target)
                .doesNotContain("C0")
                .hasSizeGreaterThan(3);
        assertThat(Replanned.of(site, plan, setup -> true, (setup, mark) -> true))
                .isEqualTo(plan);
    }

    /** 60 and 80 over a base of 100: a right angle. Textbook. */
    @Test
    void twoDistancesMeetOnEitherSide() {
        Place a = new Place(1000, 5000);
        Place b = new Place(1100, 5000);
        Place right = Sketched.meet(a, 60, b, 80, true).orElseThrow();
        assertThat(right.northing()).isCloseTo(1036, within(1e-9));
        assertThat(right.easting()).isCloseTo(5048, within(1e-9));
        assertThat(Sketched.meet(a, 60, b, 80, false).orElseThrow().easting()).isCloseTo(4952, within(1e-9));
        assertThat(Sketched.meet(a, 10, b, 80, true)).isEmpty();
        assertThat(Sketched.meet(a, 200, b, 80, true)).isEmpty();
    }
}
