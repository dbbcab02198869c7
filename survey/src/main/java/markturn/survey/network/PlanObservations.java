package markturn.survey.network;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.adjust.Azimuth;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.Difference;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.job.Job;
import markturn.survey.job.ReferencePair;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Observation.Kind;

/** What was observed in plan. */
final class PlanObservations {
    /** Nothing is known better than that, radians. */
    private static final double SMALLEST_TURN = 1e-8;

    private final Job job;
    private final List<Stood> setups;
    private final Datum datum;
    private final Unknowns unknowns;
    private final Part plan;

    PlanObservations(Job job, List<Stood> setups, Datum datum, Unknowns unknowns) {
        this.job = job;
        this.setups = setups;
        this.datum = datum;
        this.unknowns = unknowns;
        this.plan = unknowns.plan();
    }

    /** Directions and distances of rays. */
    void observe(List<Ray> rays) {
        Map<Integer, Integer> orientations = new HashMap<>();
        Map<Integer, Integer> scales = new HashMap<>();
        Map<Integer, NumberedPlace> instruments = new HashMap<>();
        for (Ray ray : rays) {
            NumberedPlace from = instruments.computeIfAbsent(ray.setup(), setup -> instrument(ray));
            NumberedPlace to = unknowns.place(ray.to());
            if (ray.direction().isPresent()) {
                int orientation = orientations.computeIfAbsent(ray.setup(), setup -> orientation(ray));
                Direction direction =
                        new Direction(from, to, orientation, ray.direction().getAsDouble(), ray.directionStdDev());
                plan.observe(Part.ObservationLabel.of(ray, Kind.DIRECTION), direction);
            }
            if (ray.distance().isPresent()) {
                int scale =
                        ray.scaled() ? scales.computeIfAbsent(ray.setup(), setup -> scale(ray)) : NumberedPlace.HELD;
                Distance distance = new Distance(
                        from, to, scale, NumberedPlace.HELD, ray.distance().getAsDouble(), ray.distanceStdDev());
                plan.observe(Part.ObservationLabel.of(ray, Kind.DISTANCE), distance);
            }
        }
    }

    /** What is known between two marks: a distance, an azimuth. */
    void observe(ReferencePair pair) {
        if (pair.distance().isPresent()) {
            observeDistance(pair);
        }
        if (pair.azimuth().isPresent()) {
            observeAzimuth(pair);
        }
    }

    /** Where a mark was seen without the instrument. */
    void observe(String mark, ObservedCoordinates.Seen seen) {
        NumberedPlace place = unknowns.place(mark);
        double north = seen.at().northing() - unknowns.origin().northing();
        double east = seen.at().easting() - unknowns.origin().easting();
        plan.observe(
                Part.ObservationLabel.of(mark, Kind.NORTHING),
                new Coordinate(place.north(), place.northing(), north, seen.north()));
        plan.observe(
                Part.ObservationLabel.of(mark, Kind.EASTING),
                new Coordinate(place.east(), place.easting(), east, seen.east()));
    }

    /** Where the instrument of a setup stood: beside its mark by its centring, the same for all its sights; on it where that is nothing. */
    private NumberedPlace instrument(Ray ray) {
        NumberedPlace mark = unknowns.place(ray.from());
        if (ray.centring() == 0) {
            return mark;
        }
        double north =
                unknowns.carried(ray.from()).northing() - unknowns.origin().northing();
        double east = unknowns.carried(ray.from()).easting() - unknowns.origin().easting();
        NumberedPlace stood = NumberedPlace.unknown(
                plan.unknown(north, unknowns.node(ray.from())), plan.unknown(east, unknowns.node(ray.from())));
        plan.observe(
                Part.ObservationLabel.common(ray, Kind.NORTHING),
                new Difference(mark.north(), stood.north(), mark.northing(), 0, 0, ray.centring()));
        plan.observe(
                Part.ObservationLabel.common(ray, Kind.EASTING),
                new Difference(mark.east(), stood.east(), mark.easting(), 0, 0, ray.centring()));
        return stood;
    }

    /** A tape lies on the ground, the network on the grid. */
    private void observeDistance(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        double scale = GridScale.inForce(job).orElse(1);
        plan.observe(
                Part.ObservationLabel.between(one, other, Kind.DISTANCE),
                new Distance(
                        unknowns.place(one),
                        unknowns.place(other),
                        NumberedPlace.HELD,
                        NumberedPlace.HELD,
                        pair.distance().getAsDouble() * scale,
                        Math.max(pair.stdDev(), ObservedCoordinates.SMALLEST)));
    }

    private void observeAzimuth(ReferencePair pair) {
        String one = job.trueName(pair.one());
        String other = job.trueName(pair.other());
        plan.observe(
                Part.ObservationLabel.between(one, other, Kind.AZIMUTH),
                new Azimuth(
                        unknowns.place(one),
                        unknowns.place(other),
                        pair.azimuth().orElseThrow().radians(),
                        Math.max(pair.azimuthStdDev(), SMALLEST_TURN)));
    }

    /** A given azimuth is observed, as well as its sight was turned. */
    private int orientation(Ray ray) {
        Stood of = setups.get(ray.setup());
        double seen = unknowns.carried(ray.from()).azimuthTo(unknowns.carried(ray.to()))
                - ray.direction().getAsDouble();
        int unknown = plan.unknown(of.azimuth().orElse(seen), unknowns.node(ray.from()));
        if (datum.observed() && of.azimuth().isPresent()) {
            double stdDev = Math.max(Math.sqrt(of.variance()), ObservedCoordinates.SMALLEST);
            plan.observe(
                    Part.ObservationLabel.given(of.name(), of.zero()),
                    new Coordinate(unknown, of.azimuth().getAsDouble(), stdDev));
        }
        return unknown;
    }

    private int scale(Ray ray) {
        return plan.unknown(setups.get(ray.setup()).scale().getAsDouble(), unknowns.node(ray.from()));
    }
}
