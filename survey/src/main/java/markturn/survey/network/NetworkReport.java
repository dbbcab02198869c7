package markturn.survey.network;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredNetwork.Relative;
import markturn.survey.result.MeasuredNetwork.Worth;
import markturn.survey.result.Observation;
import markturn.survey.result.Position;

/** What an adjusted network says: where each mark lies and how well, what lies between any two, what each observation was worth. */
final class NetworkReport {
    private final Unknowns unknowns;
    private final List<Ray> rays;
    private final Part plan;
    private final Part heights;
    private final AdjustedTogether together;

    /** A network that was adjusted. */
    NetworkReport(Unknowns unknowns, List<Ray> rays) {
        this.unknowns = unknowns;
        this.rays = rays;
        this.plan = unknowns.plan();
        this.heights = unknowns.heights();
        this.together = new AdjustedTogether(plan, heights, unknowns.places(), unknowns.levels());
    }

    /**
     * Every mark that was found, in the order of the work.
     *
     * @param faults every single fault, tried on this problem
     */
    List<Adjusted> marks(SingleFaults faults) {
        List<Adjusted> marks = new ArrayList<>();
        marks().forEach((name, at) -> {
            boolean levelled = heights.isAdjusted() && unknowns.levels().containsKey(name);
            marks.add(new Adjusted(
                    name,
                    at,
                    faults.hiddenInPlan(name),
                    levelled ? Optional.of(faults.hiddenInLevel(name)) : Optional.empty()));
        });
        return marks;
    }

    /** Where every mark lies that was found. */
    Map<String, Position> marks() {
        Map<String, Position> marks = new LinkedHashMap<>();
        unknowns.places().forEach((name, place) -> {
            if (place.north() != NumberedPlace.HELD) {
                marks.put(name, position(name, place));
            }
        });
        return marks;
    }

    /** Each pair of marks between which something was sighted, at least one of them found. */
    List<Relative> relatives() {
        Map<Set<String>, Relative> pairs = new LinkedHashMap<>();
        for (Ray ray : rays) {
            if (unknowns.places().get(ray.from()).north() != NumberedPlace.HELD
                    || unknowns.places().get(ray.to()).north() != NumberedPlace.HELD) {
                pairs.computeIfAbsent(
                        Set.of(ray.from(), ray.to()),
                        pair -> new Relative(ray.from(), ray.to(), relative(ray.from(), ray.to())));
            }
        }
        return List.copyOf(pairs.values());
    }

    /** The covariance of the difference of two unknowns.places(). */
    private Covariance relative(String one, String other) {
        NumberedPlace from = unknowns.places().get(one);
        NumberedPlace to = unknowns.places().get(other);
        return new Covariance(
                difference(from.north(), to.north(), from.north(), to.north()),
                difference(from.east(), to.east(), from.east(), to.east()),
                difference(from.north(), to.north(), from.east(), to.east()));
    }

    private double difference(int one, int other, int across, int otherAcross) {
        return covariance(one, across)
                + covariance(other, otherAcross)
                - covariance(one, otherAcross)
                - covariance(other, across);
    }

    private double covariance(int one, int other) {
        return one == NumberedPlace.HELD || other == NumberedPlace.HELD
                ? 0
                : plan.adjustment().covariance(one, other);
    }

    /** What the adjustment does not find is left as it was. */
    private Position position(String name, NumberedPlace place) {
        Adjustment in = plan.adjustment();
        Position before = unknowns.carried(name);
        Covariance covariance = new Covariance(
                in.covariance(place.north(), place.north()),
                in.covariance(place.east(), place.east()),
                in.covariance(place.north(), place.east()));
        Integer level = unknowns.levels().get(name);
        boolean levelled = level != null && heights.isAdjusted();
        double variance = levelled ? heights.adjustment().covariance(level, level) : 0;
        return new Position(
                unknowns.origin().northing() + in.unknown(place.north()),
                unknowns.origin().easting() + in.unknown(place.east()),
                levelled ? OptionalDouble.of(heights.adjustment().unknown(level)) : before.elevation(),
                covariance,
                levelled ? OptionalDouble.of(variance) : before.elevationVariance(),
                new Position.MadeLineages(
                        Optional.of(together.plan(name, covariance)),
                        levelled
                                ? Optional.of(together.level(name, variance))
                                : before.lineage().level()));
    }

    /** What each observation was worth. */
    List<Worth> observations() {
        List<Worth> all = new ArrayList<>();
        for (Part part : heights.isEmpty() ? List.of(plan) : List.of(plan, heights)) {
            for (int i = 0; i < part.said().size(); i++) {
                if (!part.said().get(i).isCommon()) {
                    all.add(worth(part, i));
                }
            }
        }
        return all;
    }

    private static Worth worth(Part part, int observation) {
        Part.ObservationLabel said = part.said().get(observation);
        return new Worth(
                said.setup(),
                new Observation(
                        said.target(),
                        said.kind(),
                        part.adjustment().residual(observation),
                        part.adjustment().stdDev(observation),
                        OptionalDouble.of(part.redundancy(observation)),
                        true));
    }
}
