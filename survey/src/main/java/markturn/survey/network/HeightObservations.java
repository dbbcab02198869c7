package markturn.survey.network;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.Difference;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.job.Job;
import markturn.survey.job.ReferencePair;
import markturn.survey.result.Observation.Kind;

/** What was observed of elevations. */
final class HeightObservations {
    private final Job job;
    private final Unknowns unknowns;
    private final Part heights;

    HeightObservations(Job job, Unknowns unknowns) {
        this.job = job;
        this.unknowns = unknowns;
        this.heights = unknowns.heights();
    }

    /**
     * Observes what hangs together with a known elevation; what does not reach one is left out.
     *
     * @param from the marks whose elevations are held or observed
     */
    void observe(List<Ray> rays, List<ReferencePair> between, Set<String> from) {
        Set<String> reached = reached(rays, between, from);
        between.stream()
                .filter(pair -> reached.contains(job.trueName(pair.one())))
                .forEach(this::observeRise);
        Map<Integer, Integer> axes = new HashMap<>();
        rays.stream()
                .filter(ray -> ray.rise().isPresent() && reached.contains(ray.from()))
                .forEach(ray -> observeRise(ray, axes));
    }

    private Set<String> reached(List<Ray> rays, List<ReferencePair> between, Set<String> from) {
        Set<String> reached = new HashSet<>(from);
        boolean changed = true;
        while (changed) {
            changed = false;
            for (Ray ray : rays) {
                boolean one = reached.contains(ray.from()) || reached.contains(ray.to());
                if (ray.rise().isPresent() && one) {
                    changed |= reached.add(ray.from()) | reached.add(ray.to());
                }
            }
            for (ReferencePair pair : between) {
                String one = job.trueName(pair.one());
                String other = job.trueName(pair.other());
                if (reached.contains(one) || reached.contains(other)) {
                    changed |= reached.add(one) | reached.add(other);
                }
            }
        }
        return reached;
    }

    private void observeRise(Ray ray, Map<Integer, Integer> axes) {
        boolean taped = ray.heightStdDev() > 0;
        int from = taped ? axes.computeIfAbsent(ray.setup(), setup -> axis(ray)) : unknowns.level(ray.from());
        int to = unknowns.level(ray.to());
        heights.observe(
                Part.ObservationLabel.of(ray, Kind.ELEVATION_DIFFERENCE),
                new Difference(
                        from,
                        to,
                        from == NumberedPlace.HELD ? unknowns.elevation(ray.from()) : 0,
                        to == NumberedPlace.HELD ? unknowns.elevation(ray.to()) : 0,
                        ray.rise().getAsDouble(),
                        ray.riseStdDev()));
    }

    /** The elevation at which a mark was seen without the instrument. */
    void observe(String mark, ObservedCoordinates.Seen seen, boolean held) {
        if (seen.at().elevation().isPresent() && (held || unknowns.levels().containsKey(mark))) {
            heights.observe(
                    Part.ObservationLabel.of(mark, Kind.ELEVATION),
                    new Coordinate(
                            held ? NumberedPlace.HELD : unknowns.level(mark),
                            held ? unknowns.elevation(mark) : 0,
                            seen.at().elevation().getAsDouble(),
                            seen.up()));
        }
    }

    private void observeRise(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        int from = unknowns.level(one);
        int to = unknowns.level(other);
        heights.observe(
                Part.ObservationLabel.between(one, other, Kind.ELEVATION_DIFFERENCE),
                new Difference(
                        from,
                        to,
                        from == NumberedPlace.HELD ? unknowns.elevation(one) : 0,
                        to == NumberedPlace.HELD ? unknowns.elevation(other) : 0,
                        pair.rise().getAsDouble(),
                        Math.max(pair.riseStdDev(), ObservedCoordinates.SMALLEST)));
    }

    /** The elevation of a station by the height that was taped there: one error of it for all the sights of a setup. */
    private int axis(Ray ray) {
        int station = unknowns.level(ray.from());
        int axis = heights.unknown(unknowns.carried(ray.from()).elevation().orElse(0), unknowns.node(ray.from()));
        heights.observe(
                Part.ObservationLabel.common(ray, Kind.ELEVATION),
                new Difference(
                        station,
                        axis,
                        station == NumberedPlace.HELD ? unknowns.elevation(ray.from()) : 0,
                        0,
                        0,
                        ray.heightStdDev()));
        return axis;
    }
}
