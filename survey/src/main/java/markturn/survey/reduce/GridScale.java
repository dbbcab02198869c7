package markturn.survey.reduce;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import org.locationtech.proj4j.CRSFactory;
import org.locationtech.proj4j.CoordinateReferenceSystem;
import org.locationtech.proj4j.CoordinateTransform;
import org.locationtech.proj4j.CoordinateTransformFactory;
import org.locationtech.proj4j.Proj4jException;
import org.locationtech.proj4j.ProjCoordinate;
import org.locationtech.proj4j.datum.Ellipsoid;

/**
 * The scale factor from ground to grid: the point scale of the map projection, by numeric differentiation along the meridian, times the
 * reduction {@code R/(R + h)} to the ellipsoid. Textbook; the projection itself is computed by a general-purpose library.
 */
public final class GridScale {
    /** Half the step along the meridian, degrees: some 100 m. */
    private static final double STEP = 0.0005;

    private GridScale() {}

    /**
     * The scale factor in force in a job: as given, or from its projection at the middle of the control marks. Empty where the projection
     * cannot be computed there.
     */
    public static OptionalDouble inForce(Job job) {
        Earth earth = job.earth();
        if (earth.projection().isEmpty()) {
            return OptionalDouble.of(earth.scaleFactor());
        }
        List<Mark.Coordinates> given =
                job.marks().stream().flatMap(m -> m.given().stream()).toList();
        if (given.isEmpty()) {
            return OptionalDouble.empty();
        }
        double north =
                given.stream().mapToDouble(Mark.Coordinates::northing).average().orElseThrow();
        double east =
                given.stream().mapToDouble(Mark.Coordinates::easting).average().orElseThrow();
        return combined(earth.projection().get(), north, east, earth.radius());
    }

    /**
     * The combined factor at a place.
     *
     * @param north grid northing, metres
     * @param east grid easting, metres
     * @param radius of the earth, metres
     * @return empty where the definition is not understood, or the place lies outside what it can show
     */
    public static OptionalDouble combined(GridProjection projection, double north, double east, double radius) {
        OptionalDouble point = pointScale(projection.definition(), north, east);
        return point.isPresent()
                ? OptionalDouble.of(point.getAsDouble() * radius / (radius + projection.meanHeight()))
                : point;
    }

    /** Projections that are a matter of formulas alone. */
    private static final Set<String> PROJECTIONS = Set.of(
            "aea", "cass", "eqdc", "etmerc", "krovak", "laea", "lcc", "merc", "nzmg", "omerc", "poly", "somerc",
            "stere", "sterea", "tmerc", "utm");

    /** Datums whose shift is a matter of numbers; others read a file of shifts. */
    private static final Set<String> DATUMS =
            Set.of("wgs84", "ggrs87", "nad83", "potsdam", "carthage", "hermannskogel", "ire65", "nzgd49", "osgb36");

    /** What is a number, and the largest it may be in size; angles in degrees, lengths in metres. */
    private static final Map<String, Double> NUMBERS = Map.ofEntries(
            Map.entry("zone", 60.0),
            Map.entry("a", 1e8),
            Map.entry("b", 1e8),
            Map.entry("rf", 1e6),
            Map.entry("f", 1.0),
            Map.entry("lat_0", 90.0),
            Map.entry("lat_1", 90.0),
            Map.entry("lat_2", 90.0),
            Map.entry("lat_ts", 90.0),
            Map.entry("lon_0", 360.0),
            Map.entry("lonc", 360.0),
            Map.entry("alpha", 360.0),
            Map.entry("gamma", 360.0),
            Map.entry("k", 100.0),
            Map.entry("k_0", 100.0),
            Map.entry("x_0", 1e9),
            Map.entry("y_0", 1e9),
            Map.entry("to_meter", 1e6));

    private static final Set<String> WORDS =
            Set.of("title", "south", "ellps", "towgs84", "units", "pm", "axis", "type", "no_defs", "no_uoff");
    private static final Pattern WORD = Pattern.compile("[-+A-Za-z0-9_.,:]{0,60}");
    private static final int LONGEST = 400;

    /** Whether a definition holds nothing but parameters of a projection, in their ranges, that the library understands; none reads a file. */
    public static boolean isUnderstood(String definition) {
        if (definition.length() > LONGEST
                || !Stream.of(definition.strip().split("\\s+")).allMatch(GridScale::isParameter)) {
            return false;
        }
        try {
            return new CRSFactory().createFromParameters("grid", definition).getProjection() != null;
        } catch (Proj4jException | NumberFormatException unknown) {
            return false;
        }
    }

    private static boolean isParameter(String text) {
        String[] parts = text.split("=", 2);
        if (!parts[0].startsWith("+")) {
            return false;
        }
        String name = parts[0].substring(1);
        String value = parts.length > 1 ? parts[1] : "";
        if (NUMBERS.containsKey(name)) {
            try {
                return Math.abs(Double.parseDouble(value)) <= NUMBERS.get(name);
            } catch (NumberFormatException noNumber) {
                return false;
            }
        }
        return switch (name) {
            case "proj" -> PROJECTIONS.contains(value);
            case "datum" -> DATUMS.contains(value.toLowerCase(Locale.ROOT));
            default -> WORDS.contains(name) && WORD.matcher(value).matches();
        };
    }

    private static OptionalDouble pointScale(String definition, double north, double east) {
        try {
            CoordinateReferenceSystem grid = new CRSFactory().createFromParameters("grid", definition);
            CoordinateReferenceSystem globe = grid.createGeographic();
            CoordinateTransformFactory transforms = new CoordinateTransformFactory();
            ProjCoordinate place = transform(transforms.createTransform(grid, globe), east, north);
            CoordinateTransform forward = transforms.createTransform(globe, grid);
            ProjCoordinate up = transform(forward, place.x, place.y + STEP);
            ProjCoordinate down = transform(forward, place.x, place.y - STEP);
            double onGrid = Math.hypot(up.x - down.x, up.y - down.y);
            double onEllipsoid =
                    meridianRadius(grid.getProjection().getEllipsoid(), place.y) * Math.toRadians(2 * STEP);
            double scale = onGrid / onEllipsoid;
            return Double.isFinite(scale) && scale > 0 ? OptionalDouble.of(scale) : OptionalDouble.empty();
        } catch (Proj4jException | NumberFormatException outside) {
            return OptionalDouble.empty();
        }
    }

    private static ProjCoordinate transform(CoordinateTransform transform, double x, double y) {
        return transform.transform(new ProjCoordinate(x, y), new ProjCoordinate());
    }

    /** Radius of curvature in the meridian, {@code a(1 − e²)/(1 − e² sin²φ)^(3/2)}. Textbook geodesy. */
    private static double meridianRadius(Ellipsoid ellipsoid, double latitudeDegrees) {
        double e2 = ellipsoid.getEccentricitySquared();
        double sin = Math.sin(Math.toRadians(latitudeDegrees));
        return ellipsoid.getEquatorRadius() * (1 - e2) / Math.pow(1 - e2 * sin * sin, 1.5);
    }
}
