package markturn.tripod.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Units;
import markturn.survey.network.ForeseenNetwork.Depth;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Minutes;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import markturn.survey.turning.PointingOrder;
import org.junit.jupiter.api.Test;

/** What a plan says in words, on a square of four control marks; the numbers behind it are tested where they are computed. */
class PlanForeseenTest {
    private static final Ground OPEN = Ground.OPEN;

    private static Site site(Ground ground) {
        Job job = Job.opened(
                        "square",
                        "",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                        false,
                        new Earth(6371000, 0.13, true, 1))
                .plus(new Instrument(
                        "station",
                        2 * Angles.SECOND,
                        2 * Angles.SECOND,
                        0.002,
                        2,
                        0.0007,
                        0.001,
                        OptionalDouble.empty(),
                        Atmosphere.USUAL_REFERENCE,
                        Optional.empty()))
                .plus(new Reflector("prism", 0, 0.001, 0.001, Optional.empty()));
        Map<String, Position> known = new LinkedHashMap<>();
        double[][] corners = {{1000, 5000}, {1100, 5000}, {1100, 5100}, {1000, 5100}};
        for (int i = 0; i < corners.length; i++) {
            Mark mark = Mark.control("C" + i, corners[i][0], corners[i][1], OptionalDouble.of(10), "");
            job = job.plus(mark);
            known.put(mark.name(), Position.held(mark.given().orElseThrow()));
        }
        return new Site(job, known, ground);
    }

    private static PlannedSetup free(double north, double east, int control) {
        List<PlannedSetup.Aim> aims = new ArrayList<>();
        for (int i = 0; i < control; i++) {
            aims.add(new PlannedSetup.Aim("C" + i, Reading.Role.BACKSIGHT, "prism"));
        }
        aims.add(new PlannedSetup.Aim("W", Reading.Role.FORESIGHT, "prism"));
        return new PlannedSetup(
                "S1",
                "P1",
                PlannedSetup.Method.RESECTION,
                "station",
                1,
                PointingOrder.School.RETURNING,
                aims,
                Optional.of(new Mark.Coordinates(north, east, OptionalDouble.empty())));
    }

    private static WorkPlan plan(OptionalDouble within, OptionalDouble hidden, PlannedSetup... setups) {
        Mark.Coordinates near = new Mark.Coordinates(1040, 5030, OptionalDouble.of(10));
        return new WorkPlan(
                "plan",
                WorkPlan.AXIS,
                WorkPlan.TARGET,
                Minutes.USUAL,
                List.of(new WantedMark("W", near, within, OptionalDouble.empty(), hidden)),
                List.of(setups));
    }

    private static PlanForeseen foreseen(Ground ground, WorkPlan plan) {
        return new PlanForeseen(site(ground), plan, Depth.ALL);
    }

    @Test
    void theVerdictComesFirst() {
        OptionalDouble none = OptionalDouble.empty();
        assertThat(foreseen(OPEN, plan(OptionalDouble.of(0.01), none)).verdict())
                .isEqualTo("No setup is planned yet.");
        assertThat(foreseen(OPEN, plan(none, none, free(1050, 5050, 4))).verdict())
                .startsWith("Nothing is asked of a mark yet");
        assertThat(foreseen(OPEN, plan(OptionalDouble.of(0.01), none, free(1050, 5050, 4)))
                        .verdict())
                .isEqualTo("All that is asked will be had, in 40 min.");
        assertThat(foreseen(OPEN, plan(OptionalDouble.of(0.001), none, free(1050, 5050, 4)))
                        .verdict())
                .matches(
                        "Not all that is asked will be had: W would lie within [0-9.]+ mm in plan, 1\\.0 mm is asked\\.");
        assertThat(foreseen(OPEN, plan(OptionalDouble.of(0.01), OptionalDouble.of(0.01), free(1050, 5050, 4)))
                        .verdict())
                .contains("in W an error of any size could stay hidden, 10 mm is asked");
        assertThat(foreseen(OPEN, plan(OptionalDouble.of(0.01), none, free(1050, 5050, 1)))
                        .verdict())
                .startsWith("As it stands these sights do not determine every mark");
    }

    /** Directions and distances to k marks less place and orientation: 2k − 3. Textbook. */
    @Test
    void whatChecksAStationIsCounted() {
        OptionalDouble none = OptionalDouble.empty();
        assertThat(said(OPEN, plan(none, none, free(1050, 5050, 2))))
                .contains("2 known marks: one thing checks it, the distance between them.");
        assertThat(said(OPEN, plan(none, none, free(1050, 5050, 4)))).contains("4 known marks: 5 things check it.");
    }

    private static List<String> said(Ground ground, WorkPlan plan) {
        return foreseen(ground, plan).of(plan.setups().get(0));
    }

    /** Four corners of a square lie on one circle: near it angles alone do not place a station, in its middle they do. Textbook. */
    @Test
    void theDangerCircleIsNamedWhereItIsNear() {
        OptionalDouble none = OptionalDouble.empty();
        double radius = 50 * Math.sqrt(2);
        assertThat(said(OPEN, plan(none, none, free(1050 + radius, 5050.5, 4))))
                .anyMatch(sentence -> sentence.contains("near the circle through its marks"));
        assertThat(said(OPEN, plan(none, none, free(1050, 5050.5, 4))))
                .noneMatch(sentence -> sentence.contains("circle"));
    }

    @Test
    void whatIsNotSeenIsNamedWithWhatHidesIt() {
        OptionalDouble none = OptionalDouble.empty();
        Obstacle barn = new Obstacle(
                "barn",
                Obstacle.Kind.BLOCKS_VIEW,
                true,
                List.of(new Place(1065, 5065), new Place(1075, 5065), new Place(1075, 5075), new Place(1065, 5075)),
                OptionalDouble.empty());
        WorkPlan plan = plan(none, none, free(1050, 5050, 4));
        Ground ground = new Ground(List.of(barn));
        assertThat(said(ground, plan)).contains("C2 (barn) is not seen.").contains("3 known marks: 3 things check it.");
        // The sides of the barn that look away from the station are unseen.
        assertThat(foreseen(ground, plan).sheet().json()).contains("\"unseen\":[{\"of\":\"barn\"");
        assertThat(foreseen(OPEN, plan).sheet().json()).doesNotContain("unseen");
    }

    @Test
    void whereItCannotBeHadWhatCouldHelpIsTried() {
        WorkPlan little = plan(OptionalDouble.of(0.0035), OptionalDouble.empty(), free(1050, 5050, 4));
        assertThat(new ProposalShown(site(OPEN), little).sheet().json())
                .contains("Forced centring and an instrument with half the deviations together would do.");
        WorkPlan hardly = plan(OptionalDouble.of(0.0002), OptionalDouble.empty(), free(1050, 5050, 4));
        assertThat(new ProposalShown(site(OPEN), hardly).sheet().json())
                .contains("one known mark more is wanted near W");
    }
}
