package markturn.survey.reduce;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
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
 * Lines in a conformal map projection, one by one: the scale of each from ground to grid, and the small angle between the line as sighted
 * and the straight line of the grid. Point scales come from a general-purpose library by numeric differentiation; lengths metres, angles
 * radians.
 */
public final class GridLines {
    /** Half the step along the meridian, degrees: some 100 m. */
    private static final double STEP = 0.0005;
    /** Half the step across a line when its scale is differentiated, metres. */
    private static final double ASIDE = 500;

    private final CoordinateTransform toGlobe;
    private final CoordinateTransform toGrid;
    private final Ellipsoid ellipsoid;
    private final double radius;
    /** What is added to an elevation to make it a height above the ellipsoid: so that the control lies at the mean height that was given. */
    private final double geoid;

    private final double meanHeight;

    private GridLines(GridProjection projection, double radius, OptionalDouble meanElevation) {
        CoordinateReferenceSystem grid = new CRSFactory().createFromParameters("grid", projection.definition());
        CoordinateReferenceSystem globe = grid.createGeographic();
        CoordinateTransformFactory transforms = new CoordinateTransformFactory();
        this.toGlobe = transforms.createTransform(grid, globe);
        this.toGrid = transforms.createTransform(globe, grid);
        this.ellipsoid = grid.getProjection().getEllipsoid();
        this.radius = radius;
        this.meanHeight = projection.meanHeight();
        this.geoid = meanElevation.isPresent() ? meanHeight - meanElevation.getAsDouble() : 0;
    }

    /** Those of a job; empty where it has no projection, or one that cannot be computed at its control. */
    public static Optional<GridLines> of(Job job) {
        if (job.earth().projection().isEmpty()) {
            return Optional.empty();
        }
        List<Mark.Coordinates> given =
                job.marks().stream().flatMap(m -> m.given().stream()).toList();
        if (given.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble mean = given.stream()
                .filter(at -> at.elevation().isPresent())
                .mapToDouble(at -> at.elevation().getAsDouble())
                .average();
        try {
            GridLines lines =
                    new GridLines(job.earth().projection().get(), job.earth().radius(), mean);
            double there =
                    lines.pointScale(given.get(0).northing(), given.get(0).easting());
            return Double.isFinite(there) && there > 0 ? Optional.of(lines) : Optional.empty();
        } catch (Proj4jException | NumberFormatException outside) {
            return Optional.empty();
        }
    }

    /** What is added to an elevation to make it a height above the ellipsoid, metres. */
    public double geoid() {
        return geoid;
    }

    /**
     * The point scale of the projection at a grid place: along the meridian, which in a conformal projection is every direction.
     *
     * @throws Proj4jException outside what the projection can show
     */
    double pointScale(double north, double east) {
        ProjCoordinate place = toGlobe.transform(new ProjCoordinate(east, north), new ProjCoordinate());
        ProjCoordinate up = toGrid.transform(new ProjCoordinate(place.x, place.y + STEP), new ProjCoordinate());
        ProjCoordinate down = toGrid.transform(new ProjCoordinate(place.x, place.y - STEP), new ProjCoordinate());
        return Math.hypot(up.x - down.x, up.y - down.y) / (meridianRadius(place.y) * Math.toRadians(2 * STEP));
    }

    /** Radius of curvature in the meridian, {@code a(1 − e²)/(1 − e² sin²φ)^(3/2)}. Textbook geodesy. */
    private double meridianRadius(double latitudeDegrees) {
        double e2 = ellipsoid.getEccentricitySquared();
        double sin = Math.sin(Math.toRadians(latitudeDegrees));
        return ellipsoid.getEquatorRadius() * (1 - e2) / Math.pow(1 - e2 * sin * sin, 1.5);
    }

    /**
     * The factor of a line from ground to grid: its scale by Simpson's rule over both ends and the middle, times {@code R/(R + h)} for the
     * level it was measured at. Textbook.
     *
     * @param elevation of the instrument's axis; empty: the mean height of the work stands for it
     */
    public double factor(double fromNorth, double fromEast, double toNorth, double toEast, OptionalDouble elevation) {
        double scale = (pointScale(fromNorth, fromEast)
                        + 4 * pointScale((fromNorth + toNorth) / 2, (fromEast + toEast) / 2)
                        + pointScale(toNorth, toEast))
                / 6;
        double height = elevation.isPresent() ? elevation.getAsDouble() + geoid : meanHeight;
        return scale * radius / (radius + height);
    }

    /**
     * What is added to a direction as sighted to make it that of the straight line of the grid: {@code t − T = −s/2 · ∂ln k/∂r} at the first
     * third of the line, r to the right of it. A sighted line bows towards the larger scale. Textbook (in a transverse Mercator projection
     * the well-known {@code −ΔN(2E₁ + E₂)/6R²}).
     */
    public double arcToChord(double fromNorth, double fromEast, double toNorth, double toEast) {
        double north = toNorth - fromNorth;
        double east = toEast - fromEast;
        double length = Math.hypot(north, east);
        if (length == 0) {
            return 0;
        }
        double atNorth = fromNorth + north / 3;
        double atEast = fromEast + east / 3;
        double rightNorth = -east / length * ASIDE;
        double rightEast = north / length * ASIDE;
        double right = pointScale(atNorth + rightNorth, atEast + rightEast);
        double left = pointScale(atNorth - rightNorth, atEast - rightEast);
        return -length / 2 * Math.log(right / left) / (2 * ASIDE);
    }
}
