package markturn.survey.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/**
 * Where the marks of a network lie about by its own sights alone, where the carried coordinates are too far off to start from: from held
 * marks outwards, each setup laid onto the marks it sights that have a place already (rigid, by directions and distances), then marks from
 * three distances. Textbook plane geometry; for starts only.
 */
final class OtherStarts {
    private final Map<String, double[]> placed = new LinkedHashMap<>();
    private final Map<Integer, List<Ray>> bySetup = new LinkedHashMap<>();
    private final List<Ray> rays;

    private OtherStarts(Map<String, Position> known, List<Ray> rays, Set<String> held) {
        this.rays = rays;
        held.forEach(mark -> placed.put(
                mark, new double[] {known.get(mark).northing(), known.get(mark).easting()}));
        rays.forEach(ray ->
                bySetup.computeIfAbsent(ray.setup(), s -> new ArrayList<>()).add(ray));
    }

    /**
     * The positions with other starts where the sights give any; the rest as they were.
     *
     * @param held marks that do not move
     */
    static Map<String, Position> positions(Map<String, Position> known, List<Ray> rays, Set<String> held) {
        OtherStarts starts = new OtherStarts(known, rays, held);
        starts.grow();
        Map<String, Position> others = new LinkedHashMap<>(known);
        starts.placed.forEach((mark, at) -> {
            if (!held.contains(mark)) {
                Position before = known.get(mark);
                others.put(
                        mark,
                        new Position(at[0], at[1], before.elevation(), Covariance.NONE, before.elevationVariance()));
            }
        });
        return others;
    }

    private void grow() {
        int before;
        do {
            before = placed.size();
            bySetup.values().forEach(this::lay);
            if (placed.size() == before) {
                byDistances();
            }
        } while (placed.size() > before);
    }

    /** A setup turned and shifted until what it sighted lies where it lies; then everything else it measured takes its place. */
    private void lay(List<Ray> sights) {
        Map<String, double[]> seen = new HashMap<>();
        seen.put(sights.get(0).from(), new double[2]);
        for (Ray ray : sights) {
            if (ray.direction().isPresent() && ray.distance().isPresent()) {
                double direction = ray.direction().getAsDouble();
                double length = ray.distance().getAsDouble();
                seen.put(ray.to(), new double[] {length * Math.cos(direction), length * Math.sin(direction)});
            }
        }
        List<String> common = seen.keySet().stream().filter(placed::containsKey).toList();
        if (common.size() < 2 || common.size() == seen.size()) {
            return;
        }
        double[] from = middle(common, seen);
        double[] to = middle(common, placed);
        double cosine = 0;
        double sine = 0;
        for (String mark : common) {
            double n = seen.get(mark)[0] - from[0];
            double e = seen.get(mark)[1] - from[1];
            double north = placed.get(mark)[0] - to[0];
            double east = placed.get(mark)[1] - to[1];
            cosine += n * north + e * east;
            sine += n * east - e * north;
        }
        double turn = Math.atan2(sine, cosine);
        seen.forEach((mark, at) -> placed.computeIfAbsent(mark, m -> {
            double n = at[0] - from[0];
            double e = at[1] - from[1];
            return new double[] {
                to[0] + n * Math.cos(turn) - e * Math.sin(turn), to[1] + n * Math.sin(turn) + e * Math.cos(turn)
            };
        }));
    }

    private static double[] middle(List<String> marks, Map<String, double[]> places) {
        double[] sum = new double[2];
        for (String mark : marks) {
            sum[0] += places.get(mark)[0] / marks.size();
            sum[1] += places.get(mark)[1] / marks.size();
        }
        return sum;
    }

    /** A mark from three distances to marks that have a place: the circles less the first, two lines. */
    private void byDistances() {
        Map<String, Map<String, Double>> lengths = new LinkedHashMap<>();
        for (Ray ray : rays) {
            OptionalDouble length = ray.distance();
            if (length.isPresent() && placed.containsKey(ray.from()) != placed.containsKey(ray.to())) {
                boolean out = placed.containsKey(ray.from());
                lengths.computeIfAbsent(out ? ray.to() : ray.from(), m -> new LinkedHashMap<>())
                        .put(out ? ray.from() : ray.to(), length.getAsDouble());
            }
        }
        lengths.forEach((mark, all) -> {
            List<String> ends = List.copyOf(all.keySet());
            if (ends.size() >= 3) {
                meet(ends, all).ifPresent(at -> placed.put(mark, at));
            }
        });
    }

    private Optional<double[]> meet(List<String> ends, Map<String, Double> lengths) {
        double[] first = placed.get(ends.get(0));
        double[] n = new double[2];
        double[] e = new double[2];
        double[] right = new double[2];
        for (int i = 0; i < 2; i++) {
            double[] other = placed.get(ends.get(i + 1));
            n[i] = 2 * (other[0] - first[0]);
            e[i] = 2 * (other[1] - first[1]);
            right[i] = Math.pow(lengths.get(ends.get(0)), 2)
                    - Math.pow(lengths.get(ends.get(i + 1)), 2)
                    + Math.pow(n[i] / 2, 2)
                    + Math.pow(e[i] / 2, 2);
        }
        double determinant = n[0] * e[1] - n[1] * e[0];
        return Math.abs(determinant) < 1e-6
                ? Optional.empty()
                : Optional.of(new double[] {
                    first[0] + (right[0] * e[1] - right[1] * e[0]) / determinant,
                    first[1] + (n[0] * right[1] - n[1] * right[0]) / determinant
                });
    }
}
