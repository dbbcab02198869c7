package markturn.formats;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Halves;
import markturn.survey.job.GridProjection;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.survey.locate.CodeLines;
import markturn.survey.reduce.GridPlace;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Marks as GeoJSON (RFC 7946), one feature a mark, and one a line of a code. In longitude and latitude where the job has a projection; otherwise, and on request, in
 * the job's own coordinates and unit, which the file then says: readers must have agreed to that (RFC 7946, section 4).
 */
public final class GeoJsonFile {
    /** As it is delivered. */
    public static final OpenFormat IN_JOB_COORDINATES = new OpenFormat(
            "geojson",
            "job-coordinates.geojson",
            "application/geo+json;charset=UTF-8",
            "Features, job coordinates",
            "GeoJSON: easting, northing and elevation in the job's unit. Tell the reader: the standard expects WGS 84.",
            (result, scale) -> Optional.of(write(result)));

    /** As it is delivered. */
    public static final OpenFormat IN_WGS84 = new OpenFormat(
            "geojson-wgs84",
            "wgs84.geojson",
            "application/geo+json;charset=UTF-8",
            "Features, WGS 84",
            "GeoJSON: longitude and latitude by the job's projection.",
            true,
            (result, scale) -> writeGeographic(result));

    private static final ObjectWriter FILE = JsonMapper.builder().build().writerWithDefaultPrettyPrinter();

    private static final int PLACES = 4;
    /** A hundredth of a millimetre on the ground, degrees. */
    private static final int DEGREE_PLACES = 9;

    private GeoJsonFile() {}

    /** Every mark that has a position, in the job's coordinates: easting, northing, elevation. */
    public static byte[] write(SurveyResult result) {
        Units units = result.job().units();
        ObjectNode file = collection(
                result,
                "job coordinates, easting, northing, elevation in "
                        + units.length().key());
        file.putObject("crs").put("type", "name").putObject("properties").put("name", system(result));
        for (MeasuredMark mark : result.measured().marks()) {
            mark.position().ifPresent(at -> jobPlace(feature(file, mark, units), at, units));
        }
        lines(result, file, (coordinates, at) -> jobPlace(coordinates, at, units));
        return bytes(file);
    }

    /**
     * The same in longitude and latitude, degrees, WGS 84, without elevations: those of the job are above no ellipsoid.
     *
     * @return empty where the job has no projection, or a mark lies outside what it can show
     */
    public static Optional<byte[]> writeGeographic(SurveyResult result) {
        Optional<GridProjection> projection = result.job().earth().projection();
        if (projection.isEmpty()) {
            return Optional.empty();
        }
        ObjectNode file = collection(
                result,
                "WGS 84 longitude and latitude, from " + projection.get().definition());
        for (MeasuredMark mark : result.measured().marks()) {
            if (mark.position().isPresent()) {
                Position at = mark.position().get();
                Optional<GridPlace.Geographic> place =
                        GridPlace.geographic(projection.get(), at.northing(), at.easting());
                if (place.isEmpty()) {
                    return Optional.empty();
                }
                globePlace(feature(file, mark, result.job().units()), place.get());
            }
        }
        lines(
                result,
                file,
                (coordinates, at) -> globePlace(
                        coordinates,
                        GridPlace.geographic(projection.get(), at.northing(), at.easting())
                                .orElseThrow()));
        return Optional.of(bytes(file));
    }

    private static void jobPlace(ArrayNode coordinates, Position at, Units units) {
        double metres = units.length().metres();
        coordinates.add(Halves.rounded(at.easting() / metres, PLACES));
        coordinates.add(Halves.rounded(at.northing() / metres, PLACES));
        if (at.elevation().isPresent()) {
            coordinates.add(Halves.rounded(at.elevation().getAsDouble() / metres, PLACES));
        }
    }

    /** Lines of codes as line strings; a closed one ends where it began. */
    private static void lines(SurveyResult result, ObjectNode file, BiConsumer<ArrayNode, Position> place) {
        for (CodeLine line : CodeLines.of(result.measured())) {
            if (line.points().size() > 1) {
                ObjectNode feature = ((ArrayNode) file.get("features")).addObject();
                feature.put("type", "Feature");
                ArrayNode coordinates =
                        feature.putObject("geometry").put("type", "LineString").putArray("coordinates");
                feature.putObject("properties")
                        .put("code", line.code())
                        .put("line", line.number())
                        .put("closed", line.closed());
                for (int i = 0; i < line.points().size() + (line.closed() ? 1 : 0); i++) {
                    place.accept(
                            coordinates.addArray(), line.at(i % line.points().size()));
                }
            }
        }
    }

    private static void globePlace(ArrayNode coordinates, GridPlace.Geographic place) {
        coordinates.add(Halves.rounded(place.longitude(), DEGREE_PLACES));
        coordinates.add(Halves.rounded(place.latitude(), DEGREE_PLACES));
    }

    private static final Pattern CODE = Pattern.compile("\\+title=EPSG:(\\d+)\\b.*");

    /**
     * Which system the coordinates are in, in the member that GeoJSON had before RFC 7946 took all for WGS 84 and that general readers still
     * heed: the projection where there is one, else a local system that is nowhere on the globe.
     */
    static String system(SurveyResult result) {
        LengthUnit unit = result.job().units().length();
        Optional<GridProjection> projection = result.job().earth().projection().filter(p -> unit == LengthUnit.METRE);
        if (projection.isEmpty()) {
            return "LOCAL_CS[\"job coordinates\",UNIT[\"%s\",%s]]"
                    .formatted(unit.key(), BigDecimal.valueOf(unit.metres()).toPlainString());
        }
        Matcher code = CODE.matcher(projection.get().definition());
        return code.matches()
                ? "urn:ogc:def:crs:EPSG::" + code.group(1)
                : projection.get().definition();
    }

    static ObjectNode collection(SurveyResult result, String reference) {
        ObjectNode file = JsonNodeFactory.instance.objectNode();
        file.put("type", "FeatureCollection")
                .put("name", result.job().name())
                .put("coordinates", reference)
                .put("practice", result.job().isPractice())
                .put("program", Version.program())
                .put("caution", Cautions.EXPORT);
        file.putArray("features");
        return file;
    }

    private static ArrayNode feature(ObjectNode file, MeasuredMark mark, Units units) {
        ObjectNode feature = ((ArrayNode) file.get("features")).addObject();
        feature.put("type", "Feature");
        ObjectNode geometry = feature.putObject("geometry").put("type", "Point");
        Position at = mark.stated().orElseThrow();
        ObjectNode properties = feature.putObject("properties");
        properties
                .put("name", mark.name())
                .put("kind", JobReader.key(mark.mark().kind()))
                .put("code", mark.mark().code())
                .put("from", mark.from().orElse("given"))
                .put(
                        "stdDevNorthing",
                        Halves.rounded(
                                Math.sqrt(at.plan().nn()) / units.length().metres(), PLACES))
                .put(
                        "stdDevEasting",
                        Halves.rounded(
                                Math.sqrt(at.plan().ee()) / units.length().metres(), PLACES));
        OptionalDouble variance = at.elevationVariance();
        if (variance.isPresent()) {
            properties.put(
                    "stdDevElevation",
                    Halves.rounded(
                            Math.sqrt(variance.getAsDouble()) / units.length().metres(), PLACES));
        }
        return geometry.putArray("coordinates");
    }

    static byte[] bytes(ObjectNode file) {
        return FILE.writeValueAsBytes(file);
    }
}
