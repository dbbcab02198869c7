package markturn.survey.network;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.job.Mark;
import markturn.survey.result.Position;

/** What is sought in a network on one datum: places and elevations, each numbered, each beside a node of the figure. */
final class Unknowns {
    private final Map<String, Position> known;
    private final Datum datum;
    private final Position origin;
    private final Map<String, NumberedPlace> places = new LinkedHashMap<>();
    private final Map<String, Integer> levels = new LinkedHashMap<>();
    private final Map<String, Integer> nodes = new LinkedHashMap<>();
    private final Part plan = new Part();
    private final Part heights = new Part();

    /**
     * No unknown yet: each gets its number when it is first asked for.
     *
     * @param known positions by true name, near enough to start from
     */
    Unknowns(Map<String, Position> known, Datum datum) {
        this.known = known;
        this.datum = datum;
        this.origin = known.values().stream()
                .findFirst()
                .orElse(Position.held(new Mark.Coordinates(0, 0, OptionalDouble.empty())));
    }

    Part plan() {
        return plan;
    }

    Part heights() {
        return heights;
    }

    /** Those in plan that were asked for, in the order in which they were. */
    Map<String, NumberedPlace> places() {
        return Collections.unmodifiableMap(places);
    }

    /** The number of each elevation that is sought. */
    Map<String, Integer> levels() {
        return Collections.unmodifiableMap(levels);
    }

    /** Coordinates are counted from here. */
    Position origin() {
        return origin;
    }

    /** Northing and easting of each node, by which the unknowns are put in order. */
    double[][] nodes() {
        return nodes.keySet().stream()
                .map(mark -> new double[] {
                    known.get(mark).northing(), known.get(mark).easting()
                })
                .toArray(double[][]::new);
    }

    /** The node of a mark: what hangs on it is put in order with it. */
    int node(String mark) {
        return nodes.computeIfAbsent(mark, name -> nodes.size());
    }

    /** Where a mark is carried to before the adjustment. */
    Position carried(String mark) {
        return known.get(mark);
    }

    /** The place of a mark: held, half held where it keeps the direction, or two unknowns. */
    NumberedPlace place(String mark) {
        return places.computeIfAbsent(mark, name -> {
            double north = known.get(name).northing() - origin.northing();
            double east = known.get(name).easting() - origin.easting();
            if (datum.plan().contains(name)) {
                return NumberedPlace.held(north, east);
            }
            boolean turns = datum.turn().filter(name::equals).isPresent();
            return new NumberedPlace(
                    turns && datum.turnNorth() ? NumberedPlace.HELD : plan.unknown(north, node(name)),
                    turns && !datum.turnNorth() ? NumberedPlace.HELD : plan.unknown(east, node(name)),
                    north,
                    east);
        });
    }

    /** The number of a mark's elevation; held where the datum says so. */
    int level(String mark) {
        return datum.elevations().contains(mark)
                ? NumberedPlace.HELD
                : levels.computeIfAbsent(
                        mark,
                        name -> heights.unknown(known.get(name).elevation().orElse(0), node(name)));
    }

    /** The elevation a mark has, or is carried to. */
    double elevation(String mark) {
        return known.get(mark).elevation().getAsDouble();
    }
}
