package markturn.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.simulator.Campaigns;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Units;
import markturn.survey.plan.Dragged;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Minutes;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WhereToStand;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

/**
 * Planning: a setup dragged, the ground coloured, setups proposed, beside one inverse of as many unknowns by a general library. The growth
 * of the proposal with the number of marks is printed as an exponent.
 */
public final class PlanningBench {
    private static final int CONTROL = 4;
    private static final int PLACES = 60;
    private static final int GRID = 100;
    private static final int FRAMES = 200;
    private static final double SIDE = 300;
    private static final double WITHIN = 0.006;

    private PlanningBench() {}

    /** No arguments. */
    public static void main(String[] arguments) {
        double before = 0;
        int marksBefore = 0;
        for (int marks : new int[] {10, 20, 40}) {
            Site site = site(marks);
            WorkPlan plan = plan(marks);
            List<PlannedSetup> candidates = Proposal.candidates(
                    site,
                    plan,
                    Campaigns.instrument(1).name(),
                    Campaigns.prism().name(),
                    PLACES);
            candidates = candidates.subList(0, Math.min(PLACES, candidates.size()));
            List<PlannedSetup> all = candidates;
            double inverse = inverse(2 * (marks - CONTROL));
            double proposed = milliseconds(() -> Proposal.of(site, plan, all, share -> {}), 1);
            WorkPlan chosen = Proposal.of(site, plan, all, share -> {}).plan();
            WorkPlan dragged = chosen.with(free(candidates, chosen));
            Dragged hand = new Dragged(site, dragged, dragged.setups().get(0).name());
            double frame = milliseconds(() -> hand.at(new Place(1100, 5100)), FRAMES);
            double ground = milliseconds(() -> coloured(site, dragged), 1);
            System.out.printf(
                    Locale.ROOT,
                    "  %d marks, %d places: a frame %.2f ms (%.1f inverses), %d × %d places of ground %.0f ms, setups proposed in %.0f ms (%.0f inverses)%s%n",
                    marks,
                    candidates.size(),
                    frame,
                    frame / inverse,
                    GRID,
                    GRID,
                    ground,
                    proposed,
                    proposed / inverse,
                    before == 0
                            ? ""
                            : String.format(
                                    Locale.ROOT,
                                    ", exponent %.2f",
                                    Math.log(proposed / before) / Math.log((double) marks / marksBefore)));
            before = proposed;
            marksBefore = marks;
        }
    }

    /** A free setup in front, to be dragged, and what was chosen. */
    private static List<PlannedSetup> free(List<PlannedSetup> candidates, WorkPlan chosen) {
        List<PlannedSetup> setups = new ArrayList<>();
        candidates.stream()
                .filter(PlannedSetup::isFree)
                .filter(c -> chosen.setups().stream().noneMatch(s -> s.name().equals(c.name())))
                .findFirst()
                .ifPresent(setups::add);
        setups.addAll(chosen.setups());
        return setups;
    }

    private static int coloured(Site site, WorkPlan plan) {
        WhereToStand ground = new WhereToStand(
                site,
                plan,
                plan.setups().get(0).name(),
                Campaigns.instrument(1).name(),
                Campaigns.prism().name(),
                1);
        int sum = 0;
        for (int row = 0; row < GRID; row++) {
            for (int column = 0; column < GRID; column++) {
                sum += ground.at(new Place(1000 + SIDE * row / GRID, 5000 + SIDE * column / GRID))
                        .marks();
            }
        }
        return sum;
    }

    private static double inverse(int unknowns) {
        RealMatrix matrix = MatrixUtils.createRealIdentityMatrix(unknowns);
        Random random = new Random(unknowns);
        for (int i = 0; i < unknowns; i++) {
            for (int j = 0; j < i; j++) {
                double value = random.nextDouble() / unknowns;
                matrix.setEntry(i, j, value);
                matrix.setEntry(j, i, value);
            }
        }
        return milliseconds(() -> new CholeskyDecomposition(matrix).getSolver().getInverse(), FRAMES);
    }

    /** The median of as many runs, after as many that are not counted. */
    private static double milliseconds(Runnable work, int rounds) {
        double[] times = new double[rounds];
        for (int round = -rounds; round < rounds; round++) {
            long began = System.nanoTime();
            work.run();
            if (round >= 0) {
                times[round] = (System.nanoTime() - began) / 1e6;
            }
        }
        Arrays.sort(times);
        return times[rounds / 2];
    }

    private static Site site(int marks) {
        Random random = new Random(marks);
        Job job = Job.opened(
                        "planning",
                        "",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                        false,
                        new Earth(6371000, 0.13, true, 1))
                .plus(Campaigns.instrument(1))
                .plus(Campaigns.prism());
        Map<String, Position> known = new LinkedHashMap<>();
        for (int i = 0; i < CONTROL; i++) {
            Mark.Coordinates at = at(random);
            job = job.plus(Mark.control("C" + i, at.northing(), at.easting(), at.elevation(), ""));
            known.put("C" + i, Position.held(at));
        }
        List<Obstacle> obstacles = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            Mark.Coordinates at = at(random);
            Place corner = new Place(at.northing(), at.easting());
            obstacles.add(new Obstacle(
                    "O" + i,
                    Obstacle.Kind.BLOCKS_VIEW,
                    true,
                    List.of(corner, corner.towards(0, 12), corner.towards(0.8, 17), corner.towards(1.6, 12)),
                    OptionalDouble.empty()));
        }
        return new Site(job, known, new Ground(obstacles));
    }

    private static WorkPlan plan(int marks) {
        Random random = new Random(1000 + marks);
        List<WantedMark> wanted = new ArrayList<>();
        for (int i = CONTROL; i < marks; i++) {
            wanted.add(new WantedMark(
                    "W" + i, at(random), OptionalDouble.of(WITHIN), OptionalDouble.of(WITHIN), OptionalDouble.empty()));
        }
        return new WorkPlan("bench", WorkPlan.AXIS, WorkPlan.TARGET, Minutes.USUAL, wanted, List.of());
    }

    private static Mark.Coordinates at(Random random) {
        return new Mark.Coordinates(
                1000 + SIDE * random.nextDouble(),
                5000 + SIDE * random.nextDouble(),
                OptionalDouble.of(10 + 2 * random.nextDouble()));
    }
}
