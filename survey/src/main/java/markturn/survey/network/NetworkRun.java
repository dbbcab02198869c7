package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.RankDefect;
import markturn.survey.chance.Distributions;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Test;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * The network of a job. Given coordinates without deviations and adopted ones are held; given with deviations and satellite fixes are
 * observed; everything else is found. First with the least constraint, then on control.
 */
public final class NetworkRun {
    /** A job of forty setups makes its test of the whole among hundreds of others. */
    private static final double ONE_IN_A_THOUSAND = 0.001;

    /** A variance factor beyond this may be a wrong start as well as a wrong sight. */
    private static final double NOTHING_FITS = 25;

    /** So many single faults are handed on. */
    private static final int MOST_FAULTS = 10;

    private NetworkRun() {}

    /**
     * Adjusts.
     *
     * @param known positions by true name, near enough to start from
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    public static MeasuredNetwork compute(
            Job job, List<MeasuredSetup> setups, Map<String, Position> known, DoubleConsumer progress) {
        List<Ray> rays = Rays.of(job, setups, known);
        Set<String> held = new LinkedHashSet<>();
        known.keySet().stream().filter(mark -> isHeld(job, mark)).forEach(held::add);
        Set<String> levels = new HashSet<>(held);
        levels.removeIf(mark -> known.get(mark).elevation().isEmpty());
        Datum control = new Datum(held, Optional.empty(), false, levels, true);
        try {
            Problem problem = new Problem(job, Stood.of(setups), known, rays, job.references(), control);
            if (problem.isEmpty()) {
                return MeasuredNetwork.failed(
                        "there is nothing to adjust: no mark without held coordinates is sighted");
            }
            problem = adjusted(
                    problem,
                    () -> new Problem(
                            job,
                            Stood.of(setups),
                            OtherStarts.positions(known, rays, held),
                            rays,
                            job.references(),
                            control));
            SingleFaults faults = problem.faults(progress);
            NetworkReport report = problem.report();
            return new MeasuredNetwork(
                    Optional.empty(),
                    test(problem.parts()),
                    leastConstraint(job, setups, known, rays, held),
                    report.marks(faults),
                    report.relatives(),
                    report.observations(),
                    faults.faults().stream().limit(MOST_FAULTS).toList());
        } catch (RankDefect undetermined) {
            return MeasuredNetwork.failed("its sights do not determine every mark: hold or sight one known mark more");
        } catch (NotConverging gross) {
            return MeasuredNetwork.failed(
                    "its sights contradict each other grossly: look at the setups' findings first");
        }
    }

    /**
     * From the carried coordinates; where those are too far off, or lead to a place where nothing fits, from what the sights themselves give:
     * whichever fits better.
     */
    private static Problem adjusted(Problem carried, Supplier<Problem> otherwise) throws RankDefect, NotConverging {
        try {
            carried.adjust();
        } catch (RankDefect | NotConverging tooFar) {
            Problem again = otherwise.get();
            again.adjust();
            return again;
        }
        double squares = squares(carried);
        if (squares < NOTHING_FITS * Math.max(1, test(carried.parts()).redundancy())) {
            return carried;
        }
        try {
            Problem again = otherwise.get();
            again.adjust();
            return squares(again) < squares ? again : carried;
        } catch (RankDefect | NotConverging noBetter) {
            return carried;
        }
    }

    private static double squares(Problem problem) {
        return problem.parts().stream()
                .mapToDouble(part -> part.adjustment().squares())
                .sum();
    }

    /** Whether a network of the job holds that mark. */
    static boolean isHeld(Job job, String mark) {
        boolean given = job.mark(mark)
                .filter(m -> m.given().isPresent() && m.stdDev().isEmpty())
                .isPresent();
        return given
                || job.adopted().stream()
                        .anyMatch(a -> job.trueName(a.mark()).equals(mark) && !isOfThisJob(job, a.from()));
    }

    /** Whether the job itself computes that run: what its own readings gave must not hold them, or nothing would be left to test. */
    private static boolean isOfThisJob(Job job, String run) {
        return run.equals(MeasuredNetwork.RUN)
                || job.traverses().stream().anyMatch(t -> t.name().equals(run));
    }

    /** The test of some adjusted parts together. */
    static Test test(List<Part> parts) {
        int redundancy = 0;
        double squares = 0;
        for (Part part : parts) {
            redundancy += part.adjustment().redundancy();
            squares += part.adjustment().squares();
        }
        return redundancy < 1
                ? new Test(redundancy, OptionalDouble.empty(), OptionalDouble.empty())
                : new Test(
                        redundancy,
                        OptionalDouble.of(squares / redundancy),
                        OptionalDouble.of(Distributions.chiSquare(redundancy, ONE_IN_A_THOUSAND) / redundancy));
    }

    /** The first known mark holds the place, the farthest from it the direction, the first with an elevation the elevation. */
    private static Optional<Test> leastConstraint(
            Job job, List<MeasuredSetup> setups, Map<String, Position> known, List<Ray> rays, Set<String> held) {
        Set<String> sighted = new HashSet<>();
        Set<String> levelled = new HashSet<>();
        for (Ray ray : rays) {
            if (ray.inPlan() > 0) {
                sighted.addAll(List.of(ray.from(), ray.to()));
            }
            if (ray.rise().isPresent()) {
                levelled.addAll(List.of(ray.from(), ray.to()));
            }
        }
        List<String> control = new ArrayList<>(known.keySet().stream()
                .filter(mark -> sighted.contains(mark))
                .filter(mark -> held.contains(mark)
                        || job.mark(mark).flatMap(Mark::given).isPresent())
                .toList());
        if (control.size() < 2) {
            return Optional.empty();
        }
        Position first = known.get(control.get(0));
        String far = control.get(1);
        for (String mark : control) {
            if (known.get(mark).distanceTo(first) > known.get(far).distanceTo(first)) {
                far = mark;
            }
        }
        Position end = known.get(far);
        boolean runsNorth = Math.abs(end.northing() - first.northing()) > Math.abs(end.easting() - first.easting());
        Set<String> level = new HashSet<>();
        control.stream()
                .filter(mark ->
                        levelled.contains(mark) && known.get(mark).elevation().isPresent())
                .findFirst()
                .ifPresent(level::add);
        Datum least = new Datum(Set.of(control.get(0)), Optional.of(far), !runsNorth, level, false);
        try {
            Problem problem = new Problem(job, Stood.of(setups), known, rays, job.references(), least);
            problem.adjust();
            return Optional.of(test(problem.parts()));
        } catch (RankDefect | NotConverging undetermined) {
            return Optional.empty();
        }
    }
}
