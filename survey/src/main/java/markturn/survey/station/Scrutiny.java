package markturn.survey.station;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Limit;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Resected;
import markturn.survey.result.Resected.Pair;
import markturn.survey.result.Resected.ScaleTrial;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.result.Resected.Suspicion;

/**
 * A resection looked at mark by mark: residuals along and across, what each mark could hide, which one disagrees and whether that can be
 * told, groups that agree, a common scale or constant, names exchanged.
 */
final class Scrutiny {
    private static final double AHEAD = 100;
    /** Chance of a false alarm, shared among the marks. */
    private static final double ALPHA = 0.001;
    /** From this correlation on two tests cannot be told apart. */
    private static final double ALIKE = 0.9;
    /** A larger fault pulls even a test that explains it badly; what explains less than this share of the best is out. */
    static final double FACTOR_OF_CHANCE = 3.3;

    private final List<Sight> sights;
    private final Weights weights;
    private final ResectionSolution solution;
    private final List<Optional<ResectionSolution>> withoutEach;
    private final Optional<Levelled> levelled;
    private final double classLimit;
    private final double distanceLimit;

    /** A common error of all distances is named where it leaves weighed squares smaller by this; it takes one unknown less than a mark. */
    private static final double BETTER = 4;
    /** A mark is named where no common error leaves less than this more: chance does so once in a thousand. */
    private static final double CLEARLY_BETTER = 10.83;

    Scrutiny(
            List<Sight> sights,
            Weights weights,
            ResectionSolution solution,
            List<Optional<ResectionSolution>> withoutEach,
            Optional<Levelled> levelled,
            ClassOfWork work) {
        this.sights = sights;
        this.weights = weights;
        this.solution = solution;
        this.withoutEach = withoutEach;
        this.levelled = levelled;
        this.classLimit = work.limit(Limit.RESECTION_POSITION);
        this.distanceLimit = work.limit(Limit.BACKSIGHT_DISTANCE);
    }

    /** The solution without each mark in turn; empty where the others do not give one. What takes no part changes nothing. */
    static List<Optional<ResectionSolution>> withoutEach(
            List<Sight> sights, Weights weights, ResectionSolution solution) {
        List<Optional<ResectionSolution>> list = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            Sight sight = sights.get(i);
            if (sight.givesDirection() || sight.givesDistance()) {
                List<Sight> others = new ArrayList<>(sights);
                others.set(i, sight.leftOut());
                list.add(Resection.without(solution, others, weights));
            } else {
                list.add(Optional.of(solution));
            }
        }
        return list;
    }

    Resected resected() {
        List<Sighted> rows = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            rows.add(sighted(i));
        }
        List<Pair> pairs = pairs();
        Optional<ScaleTrial> scale = scale();
        Optional<Suspicion> suspicion = suspicion(rows).flatMap(found -> weighed(found, rows, scale));
        return new Resected(
                Optional.empty(),
                OptionalDouble.of(solution.adjustment().squares()),
                solution.adjustment().redundancy(),
                rows,
                pairs,
                suspicion,
                suspicion.isPresent() ? new MarkGroups(sights, classLimit).found(pairs) : List.of(),
                scale,
                suspicion.isPresent() ? swapped() : List.of());
    }

    /** A mark of which nothing can be said as there is no station. */
    static Sighted unplaced(Sight sight) {
        OptionalDouble none = OptionalDouble.empty();
        return new Sighted(
                sight.target(),
                sight.northing(),
                sight.easting(),
                0,
                sight.givesDirection(),
                sight.givesDistance(),
                sight.givesElevation(),
                none,
                none,
                none,
                none,
                none,
                none,
                none,
                none,
                none,
                none,
                none);
    }

    private Sighted sighted(int number) {
        Sight sight = sights.get(number);
        double length = solution.lengthTo(sight);
        Reliability reliability = new Reliability(solution, number);
        Optional<double[]> seen = seenByTheOthers(number);
        OptionalDouble none = OptionalDouble.empty();
        return new Sighted(
                sight.target(),
                sight.northing(),
                sight.easting(),
                length,
                sight.givesDirection(),
                sight.givesDistance(),
                sight.givesElevation(),
                sight.distance().isPresent()
                        ? OptionalDouble.of(
                                length / solution.scale() - sight.distance().getAsDouble())
                        : none,
                sight.direction().isPresent()
                        ? OptionalDouble.of(length
                                * Angles.shortWay(azimuthTo(sight)
                                        - solution.orientation()
                                        - sight.direction().getAsDouble()))
                        : none,
                up(sight),
                reliability.redundancy(),
                reliability.statistic(),
                seen.map(s -> OptionalDouble.of(s[0])).orElse(none),
                seen.map(s -> OptionalDouble.of(s[1])).orElse(none),
                reliability.detectable(),
                reliability.hidden(0),
                reliability.hidden(AHEAD),
                reliability.sideways());
    }

    private double azimuthTo(Sight sight) {
        return Math.atan2(sight.easting() - solution.east(), sight.northing() - solution.north());
    }

    private OptionalDouble up(Sight sight) {
        return levelled.isPresent()
                        && sight.rise().isPresent()
                        && sight.elevation().isPresent()
                ? OptionalDouble.of(sight.elevation().getAsDouble()
                        - levelled.get().elevation()
                        - sight.rise().getAsDouble())
                : OptionalDouble.empty();
    }

    /** Where a mark lies from its coordinates by the station that the others alone give. */
    private Optional<double[]> seenByTheOthers(int number) {
        Sight sight = sights.get(number);
        if (sight.direction().isEmpty() || sight.distance().isEmpty()) {
            return Optional.empty();
        }
        return withoutEach.get(number).map(s -> {
            double azimuth = s.orientation() + sight.direction().getAsDouble();
            double length = sight.distance().getAsDouble();
            return new double[] {
                s.north() + length * Math.cos(azimuth) - sight.northing(),
                s.east() + length * Math.sin(azimuth) - sight.easting()
            };
        });
    }

    private List<Pair> pairs() {
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            for (int j = i + 1; j < sights.size(); j++) {
                MarkToMark.pair(sights.get(i), sights.get(j), weights).ifPresent(pairs::add);
            }
        }
        return pairs;
    }

    /** Chi-square with two degrees of freedom, exceeded with that probability. */
    private static double twoDegrees(double probability) {
        return -2 * Math.log(probability);
    }

    /** The mark whose test stands out most, if what it says is beyond chance and beyond the class; or those it cannot be told from. */
    private Optional<Suspicion> suspicion(List<Sighted> rows) {
        List<Integer> used = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).isUsed()) {
                used.add(i);
            }
        }
        int redundancy = solution.adjustment().redundancy();
        if (redundancy == 0) {
            return Optional.empty();
        }
        double limit = twoDegrees(ALPHA / Math.max(1, used.size()));
        Optional<Integer> worst = used.stream()
                .filter(i -> rows.get(i).statistic().isPresent())
                .max(Comparator.comparingDouble(i -> rows.get(i).statistic().getAsDouble()));
        if (worst.isEmpty()) {
            return undividable(rows, used, redundancy);
        }
        Sighted blamed = rows.get(worst.get());
        if (blamed.statistic().getAsDouble() <= limit) {
            return Optional.empty();
        }
        double shift = blamed.seenNorth().isPresent()
                ? Math.hypot(blamed.seenNorth().getAsDouble(), blamed.seenEast().getAsDouble())
                : largestResidual(rows, used);
        if (shift <= classLimit) {
            return Optional.empty();
        }
        List<String> alike = new ArrayList<>(List.of(blamed.target()));
        Reliability reliability = new Reliability(solution, worst.get());
        for (int other : used) {
            if (other != worst.get() && reliability.correlation(new Reliability(solution, other)) > ALIKE) {
                alike.add(rows.get(other).target());
            }
        }
        boolean told = alike.size() == 1 && blamed.seenNorth().isPresent();
        return Optional.of(new Suspicion(
                alike,
                shift,
                told
                        ? OptionalDouble.of(Angles.onCircle(Math.atan2(
                                blamed.seenEast().getAsDouble(),
                                blamed.seenNorth().getAsDouble())))
                        : OptionalDouble.empty(),
                Math.max(classLimit, blamed.detectable().orElse(classLimit))));
    }

    /** One mark against all distances together: whichever leaves clearly less; both, where neither does. */
    private Optional<Suspicion> weighed(Suspicion mark, List<Sighted> rows, Optional<ScaleTrial> scale) {
        double longest = rows.stream()
                .filter(Sighted::isUsed)
                .mapToDouble(Sighted::distance)
                .max()
                .orElse(0);
        Optional<ScaleTrial> together = scale.filter(trial -> trial.isSuspect(longest, distanceLimit));
        if (together.isEmpty()) {
            return Optional.of(mark);
        }
        double byMark = solution.adjustment().squares()
                - rows.stream()
                        .filter(r -> mark.targets().contains(r.target()))
                        .mapToDouble(r -> r.statistic().orElse(0))
                        .max()
                        .orElse(0);
        double byAll = together.get().squares();
        if (byAll + BETTER < byMark) {
            return Optional.empty();
        }
        return Optional.of(
                byAll < byMark + CLEARLY_BETTER
                        ? new Suspicion(mark.targets(), mark.shift(), mark.azimuth(), mark.limit(), together)
                        : mark);
    }

    /** No mark can be tested by itself: all that can be said is that together they contradict each other. */
    private Optional<Suspicion> undividable(List<Sighted> rows, List<Integer> used, int redundancy) {
        double contradiction = 2 * largestResidual(rows, used);
        double squares = solution.adjustment().squares();
        boolean beyondChance = squares > FACTOR_OF_CHANCE * FACTOR_OF_CHANCE * redundancy;
        if (!beyondChance || contradiction <= classLimit) {
            return Optional.empty();
        }
        return Optional.of(new Suspicion(
                used.stream().map(i -> rows.get(i).target()).toList(),
                contradiction,
                OptionalDouble.empty(),
                classLimit));
    }

    private static double largestResidual(List<Sighted> rows, List<Integer> used) {
        return used.stream()
                .mapToDouble(i -> rows.get(i).residual().orElse(0))
                .max()
                .orElse(0);
    }

    /** The scale let free, and a constant instead: which of them explains the distances. */
    private Optional<ScaleTrial> scale() {
        long distances = sights.stream().filter(Sight::givesDistance).count();
        if (distances < 2
                || solution.extra() == Resection.Extra.SCALE
                || solution.adjustment().redundancy() < 2) {
            return Optional.empty();
        }
        return Resection.near(solution, sights, weights, Resection.Extra.SCALE)
                .flatMap(free -> Resection.near(solution, sights, weights, Resection.Extra.CONSTANT)
                        .map(constant -> new ScaleTrial(
                                (free.scale() - 1) * 1e6,
                                Math.sqrt(free.scaleVariance()) * 1e6,
                                constant.constant(),
                                solution.adjustment().squares(),
                                free.adjustment().squares(),
                                constant.adjustment().squares())));
    }

    /** Two marks whose names, exchanged, make everything fit. */
    private List<String> swapped() {
        return new ExchangedNames(sights, weights).found();
    }
}
