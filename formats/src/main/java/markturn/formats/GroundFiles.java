package markturn.formats;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Tree;
import markturn.survey.job.Mark;
import markturn.survey.job.Units;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;

/**
 * Obstacles from files of others: lines and polygons of GeoJSON (RFC 7946, coordinates taken as easting and northing of the job's grid),
 * and LINE, LWPOLYLINE and POLYLINE of DXF (group codes of its published reference). Lengths are those of the job.
 */
public final class GroundFiles {
    private static final int MOST_CORNERS = 5000;

    private GroundFiles() {}

    /** A file that holds no ground; its message says what was expected. */
    public static final class NotGround extends Exception {
        private static final long serialVersionUID = 1;

        NotGround(String message) {
            super(message);
        }
    }

    /**
     * Reads what blocks a view. A property or layer whose name holds {@code no-go} makes it ground where nobody stands; a property {@code top}
     * is the elevation up to which it cannot be seen through.
     *
     * @throws NotGround where it is neither of the two, or holds no line
     */
    public static Ground read(byte[] file, Units units) throws NotGround {
        String text = new String(file, StandardCharsets.UTF_8).strip();
        double metres = units.length().metres();
        List<Obstacle> obstacles = text.startsWith("{") ? geoJson(text, metres) : dxf(text, metres);
        int corners = 0;
        for (Obstacle obstacle : obstacles) {
            corners += obstacle.corners().size();
        }
        if (obstacles.isEmpty()) {
            throw new NotGround(
                    "No line and no polygon in this file: expected LineString or Polygon, or LINE or LWPOLYLINE");
        }
        if (corners > MOST_CORNERS) {
            throw new NotGround("%d corners in this file, at most %d are taken".formatted(corners, MOST_CORNERS));
        }
        return new Ground(obstacles);
    }

    private static List<Obstacle> geoJson(String text, double metres) throws NotGround {
        List<Obstacle> all = new ArrayList<>();
        try {
            collect(JsonTrees.foreign(text.getBytes(StandardCharsets.UTF_8)), Tree.NOTHING, metres, all);
        } catch (FaultyFile wrong) {
            throw new NotGround("This is no GeoJSON: " + wrong.faults().get(0).line());
        }
        return all;
    }

    private static void collect(Tree of, Tree properties, double metres, List<Obstacle> all) throws NotGround {
        switch (of.text("type")) {
            case "FeatureCollection" -> collectEach(of.at("features"), Tree.NOTHING, metres, all);
            case "Feature" -> collect(of.at("geometry"), of.at("properties"), metres, all);
            case "GeometryCollection" -> collectEach(of.at("geometries"), properties, metres, all);
            case "LineString" -> add(of.at("coordinates"), false, properties, metres, all);
            case "Polygon" -> addEach(of.at("coordinates"), true, properties, metres, all);
            case "MultiLineString" -> addEach(of.at("coordinates"), false, properties, metres, all);
            case "MultiPolygon" -> {
                for (Tree polygon : items(of.at("coordinates"))) {
                    addEach(polygon, true, properties, metres, all);
                }
            }
            default -> {}
        }
    }

    private static void collectEach(Tree several, Tree properties, double metres, List<Obstacle> all) throws NotGround {
        for (Tree each : items(several)) {
            collect(each, properties, metres, all);
        }
    }

    private static void addEach(Tree lines, boolean closed, Tree properties, double metres, List<Obstacle> all)
            throws NotGround {
        for (Tree line : items(lines)) {
            add(line, closed, properties, metres, all);
        }
    }

    private static List<Tree> items(Tree of) {
        List<Tree> items = new ArrayList<>();
        if (of instanceof Tree.Items list) {
            list.forEach(items::add);
        }
        return items;
    }

    private static void add(Tree line, boolean closed, Tree properties, double metres, List<Obstacle> all)
            throws NotGround {
        List<Place> corners = new ArrayList<>();
        for (Tree position : items(line)) {
            List<Tree> numbers = items(position);
            if (numbers.size() < 2
                    || !(numbers.get(0) instanceof Tree.Amount easting)
                    || !(numbers.get(1) instanceof Tree.Amount northing)) {
                throw new NotGround("A corner in this file is no place: expected two numbers, easting and northing");
            }
            corners.add(place(northing.value() * metres, easting.value() * metres));
        }
        OptionalDouble top = properties.at("top") instanceof Tree.Amount amount
                ? OptionalDouble.of(amount.value() * metres)
                : OptionalDouble.empty();
        add(properties.text("name"), properties.text("kind"), closed, corners, top, all);
    }

    private static Place place(double northing, double easting) throws NotGround {
        if (!isPlace(northing) || !isPlace(easting)) {
            throw new NotGround("A corner in this file is no place: expected coordinates within 100 000 km");
        }
        return new Place(northing, easting);
    }

    private static boolean isPlace(double metres) {
        return Math.abs(metres) <= Mark.Coordinates.FARTHEST;
    }

    /** The last corner of a ring is its first again: once is enough. */
    private static void add(
            String name, String kind, boolean closed, List<Place> corners, OptionalDouble top, List<Obstacle> all) {
        List<Place> own = new ArrayList<>(corners);
        if (closed && own.size() > 1 && own.get(0).equals(own.get(own.size() - 1))) {
            own.remove(own.size() - 1);
        }
        if (own.size() > 1) {
            boolean noGo = kind.toLowerCase(Locale.ROOT).contains(Obstacle.Kind.NO_GO.key());
            all.add(new Obstacle(
                    name, noGo ? Obstacle.Kind.NO_GO : Obstacle.Kind.BLOCKS_VIEW, closed && own.size() > 2, own, top));
        }
    }

    /** One drawn thing of a DXF file while its pairs are read. */
    private static final class Drawn {
        private String type = "";
        private String layer = "";
        private boolean closed;
        private final List<double[]> corners = new ArrayList<>();

        void take(int code, String value) {
            switch (code) {
                case 8 -> layer = value;
                case 70 -> closed = ((int) number(value) & 1) == 1;
                case 10, 11 -> corners.add(new double[] {number(value), 0});
                case 20, 21 -> {
                    if (!corners.isEmpty()) {
                        corners.get(corners.size() - 1)[1] = number(value);
                    }
                }
                default -> {}
            }
        }

        private static double number(String value) {
            return Double.parseDouble(value);
        }
    }

    /** What blocks define stands nowhere by itself; where they are put is no line, and passed over. */
    private static List<Obstacle> dxf(String text, double metres) throws NotGround {
        String[] lines = text.split("\r?\n");
        List<Obstacle> all = new ArrayList<>();
        Drawn drawn = new Drawn();
        Drawn vertices = null;
        boolean inBlock = false;
        try {
            for (int i = 0; i + 1 < lines.length; i += 2) {
                int code = Integer.parseInt(lines[i].strip());
                String value = lines[i + 1].strip();
                if (code != 0) {
                    drawn.take(code, value);
                    continue;
                }
                if (drawn.type.equals("VERTEX") && vertices != null) {
                    vertices.corners.addAll(drawn.corners);
                } else if (drawn.type.equals("POLYLINE")) {
                    drawn.corners.clear();
                    vertices = drawn;
                } else if (!inBlock) {
                    finish(drawn, metres, all);
                }
                if (value.equals("SEQEND") && vertices != null) {
                    vertices.type = "LWPOLYLINE";
                    if (!inBlock) {
                        finish(vertices, metres, all);
                    }
                    vertices = null;
                }
                inBlock = value.equals("BLOCK") || inBlock && !value.equals("ENDBLK");
                drawn = new Drawn();
                drawn.type = value;
            }
        } catch (NumberFormatException wrong) {
            throw new NotGround("This is neither GeoJSON nor DXF in text: " + wrong.getMessage());
        }
        return all;
    }

    private static void finish(Drawn drawn, double metres, List<Obstacle> all) throws NotGround {
        if (drawn.type.equals("LINE") || drawn.type.equals("LWPOLYLINE")) {
            List<Place> corners = new ArrayList<>();
            for (double[] corner : drawn.corners) {
                corners.add(place(corner[1] * metres, corner[0] * metres));
            }
            add(drawn.layer, drawn.layer, drawn.closed, corners, OptionalDouble.empty(), all);
        }
    }
}
