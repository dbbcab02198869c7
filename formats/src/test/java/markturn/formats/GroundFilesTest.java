package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import org.junit.jupiter.api.Test;

/** Obstacles of GeoJSON (RFC 7946) and DXF (its published group codes): small files written by hand. */
class GroundFilesTest {
    private static final Units METRES = new Units(LengthUnit.METRE, AngleUnit.DMS);

    private static List<Obstacle> read(String text) throws GroundFiles.NotGround {
        return GroundFiles.read(text.getBytes(StandardCharsets.UTF_8), METRES).obstacles();
    }

    @Test
    void linesAndPolygonsOfGeoJson() throws GroundFiles.NotGround {
        List<Obstacle> all = read("""
                {"type":"FeatureCollection","features":[
                {"type":"Feature","properties":{"name":"mill","top":18.5},"geometry":{"type":"Polygon",
                 "coordinates":[[[5000,1000],[5010,1000],[5010,1020],[5000,1000]]]}},
                {"type":"Feature","properties":{"name":"pond","kind":"no-go"},"geometry":{"type":"MultiPolygon",
                 "coordinates":[[[[0,0],[1,0],[1,1],[0,0]]],[[[5,5],[6,5],[6,6],[5,5]]]]}},
                {"type":"Feature","properties":null,"geometry":{"type":"GeometryCollection","geometries":[
                 {"type":"LineString","coordinates":[[0,0],[0,9]]},{"type":"Point","coordinates":[3,3]}]}}]}""");
        assertThat(all).hasSize(4);
        assertThat(all.get(0))
                .isEqualTo(new Obstacle(
                        "mill",
                        Obstacle.Kind.BLOCKS_VIEW,
                        true,
                        List.of(new Place(1000, 5000), new Place(1000, 5010), new Place(1020, 5010)),
                        OptionalDouble.of(18.5)));
        assertThat(all.get(1).kind()).isEqualTo(Obstacle.Kind.NO_GO);
        assertThat(all.get(3).isClosed()).isFalse();
        assertThat(all.get(3).corners()).isEqualTo(List.of(new Place(0, 0), new Place(9, 0)));
    }

    @Test
    void linesAndPolylinesOfDxf() throws GroundFiles.NotGround {
        List<Obstacle> all = read(String.join(
                "\n",
                "0",
                "SECTION",
                "2",
                "ENTITIES",
                "0",
                "LINE",
                "8",
                "hedge",
                "10",
                "5000.0",
                "20",
                "1000.0",
                "30",
                "0",
                "11",
                "5010.0",
                "21",
                "1005.0",
                "31",
                "0",
                "0",
                "LWPOLYLINE",
                "8",
                "no-go marsh",
                "90",
                "3",
                "70",
                "1",
                "10",
                "1",
                "20",
                "2",
                "10",
                "3",
                "20",
                "4",
                "10",
                "5",
                "20",
                "7",
                "0",
                "POLYLINE",
                "8",
                "wall",
                "66",
                "1",
                "70",
                "0",
                "10",
                "0",
                "20",
                "0",
                "0",
                "VERTEX",
                "8",
                "wall",
                "10",
                "1",
                "20",
                "1",
                "0",
                "VERTEX",
                "8",
                "wall",
                "10",
                "2",
                "20",
                "1",
                "0",
                "SEQEND",
                "0",
                "CIRCLE",
                "10",
                "1",
                "20",
                "1",
                "40",
                "5",
                "0",
                "ENDSEC",
                "0",
                "EOF"));
        assertThat(all).extracting(Obstacle::name).isEqualTo(List.of("hedge", "no-go marsh", "wall"));
        assertThat(all.get(0).corners()).isEqualTo(List.of(new Place(1000, 5000), new Place(1005, 5010)));
        assertThat(all.get(1).kind()).isEqualTo(Obstacle.Kind.NO_GO);
        assertThat(all.get(1).isClosed()).isTrue();
        assertThat(all.get(2).corners()).isEqualTo(List.of(new Place(1, 1), new Place(1, 2)));
    }

    /** What a block defines is drawn where it is put, and that is no line: reference of the format, from memory. */
    @Test
    void whatBlocksDefineStandsNowhere() throws GroundFiles.NotGround {
        String line = "\n0\nLINE\n8\n%s\n10\n0\n20\n0\n11\n5\n21\n5";
        String polyline = "\n0\nPOLYLINE\n8\nsign\n66\n1\n0\nVERTEX\n10\n1\n20\n1\n0\nVERTEX\n10\n2\n20\n2\n0\nSEQEND";
        List<Obstacle> all = read("0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n10\n0\n20\n0"
                + line.formatted("sign") + polyline + "\n0\nENDBLK\n0\nENDSEC\n0\nSECTION\n2\nENTITIES"
                + line.formatted("hedge") + "\n0\nENDSEC\n0\nEOF\n");
        assertThat(all).extracting(Obstacle::name).isEqualTo(List.of("hedge"));
    }

    @Test
    void whatIsNoPlaceIsNotTakenForOne() {
        for (String corner : List.of("[\"a\",2]", "[1]", "{\"x\":1}", "[1e12,2]")) {
            assertThatThrownBy(() -> read("{\"type\":\"LineString\",\"coordinates\":[[0,0]," + corner + "]}"))
                    .isInstanceOf(GroundFiles.NotGround.class)
                    .hasMessageContaining("no place: expected");
        }
        assertThatThrownBy(() -> read("0\nLINE\n10\nNaN\n20\n0\n11\n5\n21\n5\n0\nEOF\n"))
                .isInstanceOf(GroundFiles.NotGround.class)
                .hasMessageContaining("no place: expected");
    }

    @Test
    void whatIsNoGroundSaysWhatWasExpected() {
        assertThatThrownBy(() -> read("{\"type\":\"Point\",\"coordinates\":[1,2]}"))
                .isInstanceOf(GroundFiles.NotGround.class)
                .hasMessageContaining("expected LineString or Polygon");
        assertThatThrownBy(() -> read("{ this is nothing"))
                .isInstanceOf(GroundFiles.NotGround.class)
                .hasMessageContaining("not valid JSON");
        assertThatThrownBy(() -> read("zero\nSECTION\n"))
                .isInstanceOf(GroundFiles.NotGround.class)
                .hasMessageContaining("neither GeoJSON nor DXF");
    }

    /** A foot is 0.3048 m. */
    @Test
    void lengthsAreThoseOfTheJob() throws GroundFiles.NotGround {
        Units feet = new Units(LengthUnit.FOOT, AngleUnit.DMS);
        List<Obstacle> all = GroundFiles.read(
                        "{\"type\":\"LineString\",\"coordinates\":[[100,200],[100,300]]}"
                                .getBytes(StandardCharsets.UTF_8),
                        feet)
                .obstacles();
        assertThat(all.get(0).corners().get(0)).isEqualTo(new Place(200 * 0.3048, 100 * 0.3048));
    }
}
