package markturn.survey.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Something on the ground that hinders.
 *
 * @param corners of a line or, where it is closed, of a polygon; at least 2
 * @param isClosed whether the last corner joins the first
 * @param top elevation up to which it cannot be seen through, metres; empty where nobody knows: then nothing passes above
 */
public record Obstacle(String name, Kind kind, boolean isClosed, List<Place> corners, OptionalDouble top) {
    /** How it hinders. */
    public enum Kind {
        BLOCKS_VIEW("blocks-view", "cannot be seen through"),
        NO_GO("no-go", "nobody stands there");

        private final String key;
        private final String words;

        Kind(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** As files and forms call it. */
        public String key() {
            return key;
        }

        public String words() {
            return words;
        }

        /** That of a key; what blocks a view where there is none. */
        public static Kind of(String key) {
            return NO_GO.key.equals(key) ? NO_GO : BLOCKS_VIEW;
        }
    }

    public Obstacle {
        corners = List.copyOf(corners);
    }

    /** From corner to corner. */
    public record Edge(Place from, Place to) {}

    public List<Edge> edges() {
        List<Edge> edges = new ArrayList<>();
        for (int i = 1; i < corners.size(); i++) {
            edges.add(new Edge(corners.get(i - 1), corners.get(i)));
        }
        if (isClosed && corners.size() > 2) {
            edges.add(new Edge(corners.get(corners.size() - 1), corners.get(0)));
        }
        return edges;
    }

    /** Whether a place lies inside; never of a line. Even-odd rule, textbook. */
    public boolean holds(Place place) {
        boolean inside = false;
        if (isClosed) {
            for (Edge edge : edges()) {
                boolean crosses =
                        edge.from().easting() > place.easting() != edge.to().easting() > place.easting();
                if (crosses
                        && place.northing()
                                < edge.from().northing()
                                        + (edge.to().northing() - edge.from().northing())
                                                * (place.easting() - edge.from().easting())
                                                / (edge.to().easting()
                                                        - edge.from().easting())) {
                    inside = !inside;
                }
            }
        }
        return inside;
    }
}
