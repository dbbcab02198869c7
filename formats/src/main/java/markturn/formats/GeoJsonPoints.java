package markturn.formats;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Fault;
import markturn.survey.job.GridProjection;
import markturn.survey.job.LengthUnit;
import markturn.survey.reduce.GridPlace;
import tools.jackson.databind.JsonNode;

/**
 * Points of a GeoJSON file (RFC 7946): features with a point each; what else a file holds is counted and left out. Names stand under
 * {@code name} or {@code id} of the properties, codes under {@code code}.
 */
public final class GeoJsonPoints {
    private GeoJsonPoints() {}

    /** Whether a file begins as JSON does. */
    public static boolean isJson(byte[] file) {
        return SecureXml.firstSign(file) == '{';
    }

    /**
     * Reads a file whose coordinates are the job's: easting, northing, elevation.
     *
     * @throws FaultyFile where it is no GeoJSON
     */
    public static ImportedPoints read(byte[] file, LengthUnit unit) throws FaultyFile {
        return read(
                file,
                (first, second) -> Optional.of(new double[] {second * unit.metres(), first * unit.metres()}),
                unit);
    }

    /**
     * Reads a file in longitude and latitude, WGS 84, through the job's projection; elevations are left out, as they are above no ellipsoid
     * in the job.
     */
    public static ImportedPoints readGeographic(byte[] file, GridProjection projection) throws FaultyFile {
        return read(
                file,
                (longitude, latitude) -> GridPlace.grid(projection, latitude, longitude)
                        .map(place -> new double[] {place.northing(), place.easting()}),
                null);
    }

    /** From the two numbers of a position to northing and easting, metres. */
    private interface Places {
        Optional<double[]> of(double first, double second);
    }

    private static ImportedPoints read(byte[] file, Places places, LengthUnit unit) throws FaultyFile {
        JsonNode document = StrictJson.parse(file);
        if (!document.path("type").asString("").equals("FeatureCollection")
                || !document.path("features").isArray()) {
            throw new FaultyFile(
                    List.of(new Fault("$", "", "expected GeoJSON: an object with \"type\": \"FeatureCollection\"")));
        }
        ImportedPoints.Growing growing = new ImportedPoints.Growing();
        int others = 0;
        for (int i = 0; i < document.get("features").size(); i++) {
            JsonNode feature = document.get("features").get(i);
            String path = "$.features[" + i + "]";
            if (!feature.path("geometry").path("type").asString("").equals("Point")) {
                others++;
                continue;
            }
            point(feature, path, places, unit, growing);
        }
        if (others > 0) {
            growing.remark(others + (others == 1 ? " feature is" : " features are") + " no point and was left out.");
        }
        return growing.done();
    }

    private static void point(
            JsonNode feature, String path, Places places, LengthUnit unit, ImportedPoints.Growing to) {
        JsonNode at = feature.get("geometry").path("coordinates");
        if (!at.isArray()
                || at.size() < 2
                || !at.get(0).isNumber()
                || !at.get(1).isNumber()) {
            to.fault(path + ".geometry.coordinates", at.toString(), "expected two or three numbers");
            return;
        }
        Optional<double[]> place = places.of(at.get(0).doubleValue(), at.get(1).doubleValue());
        if (place.isEmpty()) {
            to.fault(path + ".geometry.coordinates", at.toString(), "lies outside what the job's projection can show");
            return;
        }
        JsonNode properties = feature.path("properties");
        String name = text(properties, "name")
                .or(() -> text(properties, "id"))
                .or(() -> text(feature, "id"))
                .orElse("");
        OptionalDouble up = unit != null && at.size() > 2 && at.get(2).isNumber()
                ? OptionalDouble.of(at.get(2).doubleValue() * unit.metres())
                : OptionalDouble.empty();
        to.add(new ImportedPoint(
                name.strip(),
                place.get()[0],
                place.get()[1],
                up,
                text(properties, "code").orElse(""),
                path));
    }

    private static Optional<String> text(JsonNode of, String key) {
        JsonNode node = of.path(key);
        return node.isString() || node.isNumber() ? Optional.of(node.asString()) : Optional.empty();
    }
}
