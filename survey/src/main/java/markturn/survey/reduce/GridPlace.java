package markturn.survey.reduce;

import java.util.Optional;
import markturn.survey.job.GridProjection;
import org.locationtech.proj4j.CRSFactory;
import org.locationtech.proj4j.CoordinateReferenceSystem;
import org.locationtech.proj4j.CoordinateTransformFactory;
import org.locationtech.proj4j.Proj4jException;
import org.locationtech.proj4j.ProjCoordinate;

/** Where a place of the grid lies on the globe; computed by a general-purpose library. */
public final class GridPlace {
    private GridPlace() {}

    /** Degrees, WGS 84, north and east positive. */
    public record Geographic(double latitude, double longitude) {}

    /**
     * A grid place on the globe.
     *
     * @param north grid northing, metres
     * @param east grid easting, metres
     * @return empty where the definition is not understood, or the place lies outside what it can show
     */
    public static Optional<Geographic> geographic(GridProjection projection, double north, double east) {
        return transform(projection, true, east, north).map(at -> new Geographic(at.y, at.x));
    }

    /** Metres in the grid. */
    public record Grid(double northing, double easting) {}

    /**
     * The way back: a place on the globe in the grid.
     *
     * @param latitude degrees, WGS 84
     * @param longitude degrees
     * @return empty where the definition is not understood, or the place lies outside what it can show
     */
    public static Optional<Grid> grid(GridProjection projection, double latitude, double longitude) {
        if (!(Math.abs(latitude) <= 90 && Math.abs(longitude) <= 360)) {
            return Optional.empty();
        }
        return transform(projection, false, longitude, latitude).map(at -> new Grid(at.y, at.x));
    }

    private static Optional<ProjCoordinate> transform(GridProjection projection, boolean toGlobe, double x, double y) {
        try {
            CRSFactory factory = new CRSFactory();
            CoordinateReferenceSystem grid = factory.createFromParameters("grid", projection.definition());
            CoordinateReferenceSystem globe =
                    factory.createFromParameters("globe", "+proj=longlat +datum=WGS84 +no_defs");
            ProjCoordinate place = new CoordinateTransformFactory()
                    .createTransform(toGlobe ? grid : globe, toGlobe ? globe : grid)
                    .transform(new ProjCoordinate(x, y), new ProjCoordinate());
            return Double.isFinite(place.x) && Double.isFinite(place.y) ? Optional.of(place) : Optional.empty();
        } catch (Proj4jException | NumberFormatException outside) {
            return Optional.empty();
        }
    }
}
