package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredNetwork.Test;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * A network with nothing held but what fixes its place and its turn: the marks as the sights alone give them, in plan and in elevation, with
 * all their covariances. Given coordinates serve as a start and are not believed.
 *
 * @param plan the marks in plan; empty where there is no figure
 * @param elevations the elevations that hang together; empty where there are none
 * @param test of the whole
 */
public record FreeNetwork(Optional<FreeFigure> plan, Optional<FreeFigure> elevations, Test test) {
    /**
     * Adjusts.
     *
     * @param known positions by true name, near enough to start from
     * @return empty where the sights determine no figure, or contradict each other grossly
     */
    public static Optional<FreeNetwork> compute(Job job, List<MeasuredSetup> setups, Map<String, Position> known) {
        List<Ray> rays = Rays.of(job, setups, known);
        Set<String> sighted = new LinkedHashSet<>();
        Set<String> levelled = new LinkedHashSet<>();
        for (Ray ray : rays) {
            if (ray.inPlan() > 0) {
                sighted.addAll(List.of(ray.from(), ray.to()));
            }
            if (ray.rise().isPresent()) {
                levelled.addAll(List.of(ray.from(), ray.to()));
            }
        }
        if (sighted.size() < 2) {
            return Optional.empty();
        }
        try {
            Problem problem =
                    new Problem(job, Stood.of(setups), known, rays, job.references(), least(sighted, levelled, known));
            problem.adjust();
            return Optional.of(new FreeNetwork(plan(problem), elevations(problem), NetworkRun.test(problem.parts())));
        } catch (RankDefect | NotConverging undetermined) {
            return Optional.empty();
        }
    }

    /** The first mark holds the place, the farthest from it the turn, the first with an elevation the elevation. */
    private static Datum least(Set<String> sighted, Set<String> levelled, Map<String, Position> known) {
        String first = sighted.iterator().next();
        String far = first;
        for (String mark : sighted) {
            if (known.get(mark).distanceTo(known.get(first)) > known.get(far).distanceTo(known.get(first))) {
                far = mark;
            }
        }
        boolean runsNorth =
                Math.abs(known.get(far).northing() - known.get(first).northing())
                        > Math.abs(known.get(far).easting() - known.get(first).easting());
        Set<String> level = new HashSet<>();
        levelled.stream()
                .filter(mark -> known.get(mark).elevation().isPresent())
                .findFirst()
                .ifPresent(level::add);
        return new Datum(Set.of(first), Optional.of(far), !runsNorth, level, false);
    }

    private static Optional<FreeFigure> plan(Problem problem) {
        List<String> marks = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        List<Double> values = new ArrayList<>();
        Position origin = problem.origin();
        for (Map.Entry<String, NumberedPlace> place : problem.places().entrySet()) {
            NumberedPlace at = place.getValue();
            marks.add(place.getKey());
            numbers.add(at.north());
            numbers.add(at.east());
            values.add(origin.northing() + value(problem.plan(), at.north(), at.northing()));
            values.add(origin.easting() + value(problem.plan(), at.east(), at.easting()));
        }
        return figure(problem.plan(), marks, 2, numbers, values);
    }

    private static Optional<FreeFigure> elevations(Problem problem) {
        if (!problem.heights().isAdjusted()) {
            return Optional.empty();
        }
        Map<String, Integer> levels = new LinkedHashMap<>(problem.levels());
        problem.heldElevations().forEach(mark -> levels.put(mark, NumberedPlace.HELD));
        List<Double> values = levels.entrySet().stream()
                .map(level -> value(problem.heights(), level.getValue(), problem.carriedElevation(level.getKey())))
                .toList();
        return figure(problem.heights(), List.copyOf(levels.keySet()), 1, List.copyOf(levels.values()), values);
    }

    private static double value(Part part, int unknown, double held) {
        return unknown == NumberedPlace.HELD ? held : part.adjustment().unknown(unknown);
    }

    private static Optional<FreeFigure> figure(
            Part part, List<String> marks, int dimension, List<Integer> numbers, List<Double> values) {
        if (marks.size() < 2 || !part.isAdjusted()) {
            return Optional.empty();
        }
        int n = numbers.size();
        double[][] covariance = new double[n][n];
        for (int i = 0; i < n; i++) {
            if (numbers.get(i) == NumberedPlace.HELD) {
                continue;
            }
            double[] column = part.adjustment().covariances(numbers.get(i));
            for (int j = 0; j < n; j++) {
                covariance[j][i] = numbers.get(j) == NumberedPlace.HELD ? 0 : column[numbers.get(j)];
            }
        }
        return Optional.of(new FreeFigure(
                marks,
                dimension,
                values.stream().mapToDouble(Double::doubleValue).toArray(),
                covariance));
    }
}
