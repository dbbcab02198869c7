package markturn.survey.reduce;

import java.util.Optional;
import markturn.survey.job.GridProjection;
import org.locationtech.proj4j.CRSFactory;
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
        try {
            CRSFactory factory = new CRSFactory();
            ProjCoordinate place = new CoordinateTransformFactory()
                    .createTransform(
                            factory.createFromParameters("grid", projection.definition()),
                            factory.createFromParameters("globe", "+proj=longlat +datum=WGS84 +no_defs"))
                    .transform(new ProjCoordinate(east, north), new ProjCoordinate());
            return Double.isFinite(place.x) && Double.isFinite(place.y)
                    ? Optional.of(new Geographic(place.y, place.x))
                    : Optional.empty();
        } catch (Proj4jException | NumberFormatException outside) {
            return Optional.empty();
        }
    }
}
