package markturn.survey.reduce;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.angle.Angles;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.proj4j.CRSFactory;
import org.locationtech.proj4j.CoordinateReferenceSystem;
import org.locationtech.proj4j.CoordinateTransform;
import org.locationtech.proj4j.CoordinateTransformFactory;
import org.locationtech.proj4j.ProjCoordinate;

/**
 * Lines of a grid against geodesics of the ellipsoid. Source: GeographicLib (C. F. F. Karney) for lengths and azimuths, PROJ's formulas in
 * proj4j for the places; the textbook formula of the transverse Mercator projection, from memory.
 */
class GridLinesTest {
    private static final String UTM = "+proj=utm +zone=32 +ellps=GRS80";
    private static final String CONIC =
            "+proj=lcc +lat_1=49 +lat_2=44 +lat_0=46.5 +lon_0=3 +x_0=700000 +y_0=6600000 +ellps=GRS80";
    private static final Geodesic GRS80 = new Geodesic(6378137, 1 / 298.257222101);

    private static ProjCoordinate onGrid(CoordinateTransform transform, double latitude, double longitude) {
        return transform.transform(new ProjCoordinate(longitude, latitude), new ProjCoordinate());
    }

    private static Job job(String definition, double north, double east, double meanHeight) {
        Earth earth = new Earth(6371000, 0.13, true, 1, Optional.of(new GridProjection(definition, meanHeight)));
        return Jobs.with(earth, new Setup.BySights(List.of("B")), List.of())
                .withMarks(List.of(Mark.control("A", north, east, OptionalDouble.of(meanHeight), "")));
    }

    @ParameterizedTest
    @ValueSource(strings = {UTM, CONIC})
    void scaleAndBendOfALineAreThoseOfTheGeodesic(String definition) {
        CoordinateReferenceSystem grid = new CRSFactory().createFromParameters("grid", definition);
        CoordinateTransform transform = new CoordinateTransformFactory().createTransform(grid.createGeographic(), grid);
        double longitude = definition.equals(UTM) ? 11.4 : 5.5;
        for (double latitude : new double[] {43.5, 47.2, 52.8}) {
            for (double azimuth : new double[] {10, 75, 160, 250}) {
                GeodesicData line = GRS80.Direct(latitude, longitude, azimuth, 4000);
                ProjCoordinate from = onGrid(transform, latitude, longitude);
                ProjCoordinate to = onGrid(transform, line.lat2, line.lon2);
                ProjCoordinate ahead = onGrid(transform, latitude + 1e-5, longitude);
                double chord = Math.atan2(to.x - from.x, to.y - from.y);
                double north = Math.atan2(ahead.x - from.x, ahead.y - from.y);
                GridLines lines =
                        GridLines.of(job(definition, from.y, from.x, 0)).orElseThrow();
                double factor = lines.factor(from.y, from.x, to.y, to.x, OptionalDouble.of(0));
                assertThat(Math.hypot(to.x - from.x, to.y - from.y) / (4000 * factor))
                        .isCloseTo(1, within(2e-9));
                double bend = Angles.shortWay(chord - north - Math.toRadians(azimuth));
                assertThat(lines.arcToChord(from.y, from.x, to.y, to.x)).isCloseTo(bend, within(0.003 * Angles.SECOND));
            }
        }
    }

    @Test
    void theTextbookFormulaOfTheTransverseMercatorSaysTheSame() {
        // t − T = −ΔN (2E₁ + E₂)/6R², E from the central meridian, R the radius of the ellipsoid there.
        GridLines lines = GridLines.of(job(UTM, 5_500_000, 650_000, 0)).orElseThrow();
        double textbook = -2000 * 3 * 150_000 / (6 * Math.pow(6_381_500 * 0.9996, 2));
        assertThat(lines.arcToChord(5_500_000, 650_000, 5_502_000, 650_000))
                .isCloseTo(textbook, within(0.001 * Angles.SECOND));
    }

    // From memory: the worked example of the technical manual of the Geocentric Datum of Australia, Flinders Peak to
    // Buninyong in zone 55: grid distance 54 992.279 m for an ellipsoidal distance of 54 972.271 m, bearings there and
    // back 305°17'01.72" and 125°17'41.86" beside the straight line's, arc-to-chord corrections 19.47" and 20.67".
    @Test
    void thePublishedLineOfFiftyFiveKilometresIsScaledAndBentAsPublished() {
        double[] flindersPeak = {5_796_489.777, 273_741.297};
        double[] buninyong = {5_828_259.038, 228_854.052};
        GridLines lines = GridLines.of(
                        job("+proj=utm +zone=55 +south +ellps=GRS80", flindersPeak[0], flindersPeak[1], 0))
                .orElseThrow();
        double straight = Math.hypot(buninyong[0] - flindersPeak[0], buninyong[1] - flindersPeak[1]);
        double factor =
                lines.factor(flindersPeak[0], flindersPeak[1], buninyong[0], buninyong[1], OptionalDouble.of(0));
        // To the millimetre in which both distances are printed.
        assertThat(straight / factor).isCloseTo(54_972.271, within(0.001));
        double bearing = Math.atan2(buninyong[1] - flindersPeak[1], buninyong[0] - flindersPeak[0]);
        double there = bearing - lines.arcToChord(flindersPeak[0], flindersPeak[1], buninyong[0], buninyong[1]);
        assertThat(Angles.onCircle(there))
                .isCloseTo(Math.toRadians(305 + 17 / 60.0 + 1.72 / 3600), within(0.02 * Angles.SECOND));
        double back =
                bearing + Math.PI - lines.arcToChord(buninyong[0], buninyong[1], flindersPeak[0], flindersPeak[1]);
        assertThat(Angles.onCircle(back))
                .isCloseTo(Math.toRadians(125 + 17 / 60.0 + 41.86 / 3600), within(0.02 * Angles.SECOND));
    }

    @Test
    void eachDistanceOfASetupHasItsOwnScale() {
        // Two lines of 3 km ground, one along the meridian and one 3 km across, 150 km from it: their scales differ by
        // 5 ppm.
        double north = 5_500_000;
        double east = 650_000;
        Job job = job(UTM, north, east, 400);
        GridLines lines = GridLines.of(job).orElseThrow();
        Job observed = job.plus(Mark.control("B", north + 2000, east, OptionalDouble.of(400), ""))
                .plus(Mark.named("X", Mark.Kind.NEW))
                .withSetups(List.of(Jobs.setup(
                        "S1",
                        "A",
                        "B",
                        Jobs.all(
                                Jobs.pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", 2000),
                                Jobs.pair("X", Role.FORESIGHT, 1, "90-00-00", "270-00-00", 3000)))));
        Position at = Survey.compute(observed)
                .measured()
                .mark("X")
                .flatMap(MeasuredMark::position)
                .orElseThrow();
        double factor = lines.factor(north, east, north, east + 3000, OptionalDouble.of(401.6));
        assertThat(Math.hypot(at.northing() - north, at.easting() - east)).isCloseTo(3000 * factor, within(2e-4));
        // The backsight's line is bent by 0.76", the foresight's, along the parallel, hardly.
        double turned = Math.atan2(at.northing() - north, at.easting() - east) / Angles.SECOND;
        double bend =
                lines.arcToChord(north, east, north + 2000, east) - lines.arcToChord(north, east, north, east + 3000);
        assertThat(turned).isCloseTo(bend / Angles.SECOND, within(0.01));
    }
}
