package markturn.simulator;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Minutes;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.turning.PointingOrder;

/**
 * How the work at Alder Weir was planned: a first idea, by eye, from one place on the bank, and what was proposed instead. The crest within
 * 5 mm, the far end of the pond within 3 mm in elevation, no hidden error above 10 mm.
 */
public final class AlderWeirPlans {
    private static final String INSTRUMENT = "Station 1";
    private static final String PRISM = "Prism";
    private static final double PLAN = 0.005;
    private static final double ELEVATION = 0.003;
    private static final double HIDDEN = 0.010;

    private AlderWeirPlans() {}

    /** The mill, the alders along the leat, and the water where nobody stands. */
    public static Ground ground() {
        return new Ground(List.of(
                obstacle("mill", Obstacle.Kind.BLOCKS_VIEW, true, new double[][] {
                    {1944, 5086.5}, {1944, 5103}, {1958, 5103}, {1958, 5086.5}
                }),
                obstacle("alders", Obstacle.Kind.BLOCKS_VIEW, false, new double[][] {
                    {2030, 5060}, {2052, 5085}, {2066, 5118}
                }),
                obstacle("weir pool", Obstacle.Kind.NO_GO, true, new double[][] {
                    {2024, 4985}, {2060, 4990}, {2108, 4940}, {2078, 4908}, {2052, 4958}, {2034, 4976}
                })));
    }

    private static Obstacle obstacle(String name, Obstacle.Kind kind, boolean closed, double[][] corners) {
        List<Place> places = new ArrayList<>();
        for (double[] corner : corners) {
            places.add(new Place(corner[0], corner[1]));
        }
        return new Obstacle(name, kind, closed, places, OptionalDouble.empty());
    }

    private static List<WantedMark> wanted() {
        OptionalDouble none = OptionalDouble.empty();
        List<WantedMark> all = new ArrayList<>();
        for (String crest : List.of("CREST 1", "CREST 2", "CREST 3")) {
            all.add(new WantedMark(crest, near(crest), OptionalDouble.of(PLAN), none, OptionalDouble.of(HIDDEN)));
        }
        all.add(new WantedMark(
                "POND 2", near("POND 2"), none, OptionalDouble.of(ELEVATION), OptionalDouble.of(HIDDEN)));
        return all;
    }

    private static Mark.Coordinates near(String mark) {
        World.TruePlace at = AlderWeirGround.world().at(mark);
        // By eye, from the map: to the metre.
        return new Mark.Coordinates(
                Math.rint(at.northing()), Math.rint(at.easting()), OptionalDouble.of(Math.rint(at.elevation())));
    }

    private static WorkPlan plan(String name, List<PlannedSetup> setups) {
        return new WorkPlan(name, WorkPlan.AXIS, WorkPlan.TARGET, Minutes.USUAL, wanted(), setups);
    }

    /** Everything from one place on the bank, with the two pillars that are nearest: quick, and nothing would show an error. */
    public static WorkPlan firstIdea() {
        return plan(
                "First idea",
                List.of(new PlannedSetup(
                        "N1",
                        "BANK",
                        PlannedSetup.Method.RESECTION,
                        INSTRUMENT,
                        1,
                        PointingOrder.School.RETURNING,
                        List.of(
                                back("PILLAR 1"),
                                back("PILLAR 4"),
                                fore("CREST 1"),
                                fore("CREST 2"),
                                fore("CREST 3"),
                                fore("POND 2")),
                        Optional.of(new Mark.Coordinates(1990, 4990, OptionalDouble.empty())))));
    }

    /** What was proposed for the same wishes: both pillars that see crest and pond, turned in far across the weir. */
    public static WorkPlan proposal() {
        return plan("Proposal", List.of(on("N1", "PILLAR 2"), on("N2", "PILLAR 1")));
    }

    private static PlannedSetup on(String name, String pillar) {
        return new PlannedSetup(
                name,
                pillar,
                PlannedSetup.Method.OCCUPIED,
                INSTRUMENT,
                1,
                PointingOrder.School.RETURNING,
                List.of(back("PILLAR 4"), fore("CREST 1"), fore("CREST 2"), fore("CREST 3"), fore("POND 2")));
    }

    private static PlannedSetup.Aim back(String mark) {
        return new PlannedSetup.Aim(mark, Reading.Role.BACKSIGHT, PRISM);
    }

    private static PlannedSetup.Aim fore(String mark) {
        return new PlannedSetup.Aim(mark, Reading.Role.FORESIGHT, PRISM);
    }
}
