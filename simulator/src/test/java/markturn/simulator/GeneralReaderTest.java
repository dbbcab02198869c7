package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import markturn.formats.CoordinateCsv;
import markturn.formats.DxfFile;
import markturn.formats.GeoJsonFile;
import markturn.formats.LandXmlFile;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/**
 * The demo's exports read back by general-purpose readers: GDAL's ogr2ogr for the drawing and the features, the JDK's XML parser for
 * LandXML, commons-csv for the table. Coordinates are equal to the last digit written.
 */
class GeneralReaderTest {
    private static final SurveyResult DEMO = Survey.compute(AlderWeir.job());

    @TempDir
    private Path folder;

    private List<CSVRecord> ogr(String file, byte[] content) throws IOException, InterruptedException {
        Path from = folder.resolve(file);
        Files.write(from, content);
        Path to = folder.resolve(file + ".csv");
        Process process = new ProcessBuilder(
                        "ogr2ogr", "-f", "CSV", to.toString(), from.toString(), "-lco", "GEOMETRY=AS_WKT")
                .redirectErrorStream(true)
                .start();
        String said;
        try (InputStream out = process.getInputStream()) {
            said = new String(out.readAllBytes(), StandardCharsets.UTF_8);
        }
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        return records(Files.readString(to));
    }

    private static List<CSVRecord> records(String text) throws IOException {
        return CSVParser.parse(
                        new StringReader(text),
                        CSVFormat.RFC4180
                                .builder()
                                .setHeader()
                                .setSkipHeaderRecord(true)
                                .get())
                .getRecords();
    }

    private static BigDecimal digits(String number) {
        return new BigDecimal(number).setScale(4, RoundingMode.HALF_EVEN);
    }

    private static List<BigDecimal> numbers(String wkt) {
        List<BigDecimal> numbers = new ArrayList<>();
        Matcher found = Pattern.compile("-?\\d+(\\.\\d+)?").matcher(wkt);
        while (found.find()) {
            numbers.add(digits(found.group()));
        }
        return numbers;
    }

    /** Easting, northing, elevation of each mark as the table of coordinates has them. */
    private static Map<String, List<BigDecimal>> table() throws IOException {
        Map<String, List<BigDecimal>> places = new TreeMap<>();
        for (CSVRecord row : records(new String(CoordinateCsv.write(DEMO), StandardCharsets.UTF_8))) {
            places.put(
                    row.get("name"),
                    List.of(
                            digits(row.get("easting_m")),
                            digits(row.get("northing_m")),
                            digits(row.get("elevation_m"))));
        }
        return places;
    }

    @Test
    void theDrawing() throws IOException, InterruptedException {
        Map<String, List<BigDecimal>> names = new TreeMap<>();
        List<List<BigDecimal>> points = new ArrayList<>();
        Map<String, Integer> lines = new TreeMap<>();
        for (CSVRecord entity : ogr("demo.dxf", DxfFile.write(DEMO, 500))) {
            String wkt = entity.get("WKT");
            if (!entity.get("Text").isEmpty()) {
                names.put(entity.get("Text"), numbers(wkt));
            } else if (wkt.startsWith("POINT")) {
                points.add(numbers(wkt));
            } else {
                lines.merge(entity.get("Layer"), numbers(wkt).size() / 3, Integer::sum);
            }
        }
        assertThat(names).isEqualTo(table());
        assertThat(points).containsExactlyInAnyOrderElementsOf(table().values());
        // The hut is closed: its first corner comes again at the end.
        assertThat(lines).isEqualTo(Map.of("CREST", 3, "LEAT", 2, "HUT", 5, "WALL", 3));
    }

    @Test
    void theFeatures() throws IOException, InterruptedException {
        Map<String, List<BigDecimal>> places = new TreeMap<>();
        int lines = 0;
        for (CSVRecord feature : ogr("demo.geojson", GeoJsonFile.write(DEMO))) {
            if (feature.get("WKT").startsWith("POINT")) {
                places.put(feature.get("name"), numbers(feature.get("WKT")));
            } else {
                lines++;
            }
        }
        assertThat(places).isEqualTo(table());
        assertThat(lines).isEqualTo(4);
    }

    @Test
    void theExchangeFile() throws Exception {
        Path file = folder.resolve("demo.xml");
        Files.write(file, LandXmlFile.write(DEMO));
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        Element root = factory.newDocumentBuilder().parse(file.toFile()).getDocumentElement();
        assertThat(root.getNamespaceURI()).isEqualTo("http://www.landxml.org/schema/LandXML-1.2");
        NodeList list = root.getElementsByTagNameNS("*", "CgPoint");
        Map<String, List<BigDecimal>> places = new TreeMap<>();
        for (int i = 0; i < list.getLength(); i++) {
            List<BigDecimal> of = numbers(list.item(i).getTextContent());
            places.put(((Element) list.item(i)).getAttribute("name"), List.of(of.get(1), of.get(0), of.get(2)));
        }
        assertThat(places).isEqualTo(table());
        long standing = DEMO.job().setups().stream()
                .flatMap(s -> s.readings().stream())
                .filter(r -> r.stands())
                .count();
        assertThat(root.getElementsByTagNameNS("*", "RawObservation").getLength())
                .isEqualTo((int) standing);
        // Every reference leads somewhere.
        NodeList observations = root.getElementsByTagNameNS("*", "RawObservation");
        NodeList setups = root.getElementsByTagNameNS("*", "InstrumentSetup");
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < setups.getLength(); i++) {
            ids.add(((Element) setups.item(i)).getAttribute("id"));
        }
        for (int i = 0; i < observations.getLength(); i++) {
            assertThat(ids).contains(((Element) observations.item(i)).getAttribute("setupID"));
        }
    }

    @Test
    void namesBeyondAsciiAreReadInTheDrawing() throws Exception {
        SurveyResult named = Survey.compute(AlderWeir.job()
                .plus(markturn.survey.job.Mark.control("Höhe Ø é", 1, 2, java.util.OptionalDouble.of(3), "")));
        assertThat(ogr("named.dxf", DxfFile.write(named, 500)))
                .anyMatch(entity -> entity.get("Text").equals("Höhe Ø é"));
    }
}
