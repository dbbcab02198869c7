package markturn.survey.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Point;

/** Held against a general geometry library, JTS, on grounds drawn by chance. */
class GroundTest {
    private static final GeometryFactory FACTORY = new GeometryFactory();
    private static final int GROUNDS = 1000;

    private static Coordinate coordinate(Place place) {
        return new Coordinate(place.easting(), place.northing());
    }

    private static Geometry geometry(Obstacle obstacle) {
        List<Coordinate> all = new ArrayList<>();
        obstacle.corners().forEach(corner -> all.add(coordinate(corner)));
        if (obstacle.isClosed()) {
            all.add(all.get(0));
        }
        return FACTORY.createLineString(all.toArray(Coordinate[]::new));
    }

    private static Ground.End end(Place place) {
        return new Ground.End(place, OptionalDouble.empty());
    }

    private static Geometry polygon(List<Place> rim) {
        List<Coordinate> all = new ArrayList<>();
        rim.forEach(corner -> all.add(coordinate(corner)));
        all.add(all.get(0));
        return FACTORY.createPolygon(all.toArray(Coordinate[]::new));
    }

    @Test
    void aSightIsSeenWhereNoEdgeCrossesIt() {
        for (int seed = 0; seed < GROUNDS; seed++) {
            Random random = new Random(seed);
            Ground ground = new Ground(Sites.obstacles(random, 8));
            for (int i = 0; i < 20; i++) {
                Place from = Sites.place(random);
                Place to = Sites.place(random);
                LineString line = FACTORY.createLineString(new Coordinate[] {coordinate(from), coordinate(to)});
                boolean crossed =
                        ground.obstacles().stream().anyMatch(o -> geometry(o).intersects(line));
                Ground.Sight sight = ground.between(end(from), end(to));
                assertThat(sight.isSeen()).as("ground %d, sight %d", seed, i).isEqualTo(!crossed);
                assertThat(ground.between(end(to), end(from)).view()).isEqualTo(sight.view());
                if (!crossed) {
                    double beside = ground.obstacles().stream()
                            .mapToDouble(o -> geometry(o).distance(line))
                            .min()
                            .orElse(1);
                    assertThat(sight.view() == Ground.View.GRAZING).isEqualTo(beside < Ground.BESIDE);
                }
            }
        }
    }

    @Test
    void theShapeOfWhatIsSeenHoldsExactlyThePlacesThatAreSeen() {
        int near = 0;
        for (int seed = 0; seed < GROUNDS; seed++) {
            Random random = new Random(seed);
            Ground ground = new Ground(Sites.obstacles(random, 8));
            Place from = Sites.place(random);
            double reach = 400;
            Geometry shape = polygon(ground.seenFrom(end(from), reach));
            for (int i = 0; i < 40; i++) {
                Place to = Sites.place(random);
                Point point = FACTORY.createPoint(coordinate(to));
                if (shape.getBoundary().distance(point) < 0.001) {
                    near++;
                    continue;
                }
                assertThat(shape.contains(point))
                        .as("ground %d, place %d", seed, i)
                        .isEqualTo(ground.between(end(from), end(to)).isSeen());
            }
        }
        assertThat(near).isLessThan(GROUNDS);
    }

    /** 0.2 m above a top is clear: common practice, no source. */
    @Test
    void aSightPassesAboveWhatIsLow() {
        Obstacle hedge = new Obstacle(
                "hedge",
                Obstacle.Kind.BLOCKS_VIEW,
                false,
                List.of(new Place(50, -10), new Place(50, 10)),
                OptionalDouble.of(11.4));
        Ground ground = new Ground(List.of(hedge));
        Place from = new Place(0, 0);
        Place to = new Place(100, 0);
        assertThat(view(ground, from, 11.6, to, 11.6)).isEqualTo(Ground.View.CLEAR);
        assertThat(view(ground, from, 11.6, to, 11.58)).isEqualTo(Ground.View.BLOCKED);
        assertThat(view(ground, from, 13.2, to, 10.0)).isEqualTo(Ground.View.CLEAR);
        assertThat(ground.between(end(from), end(to)).view()).isEqualTo(Ground.View.BLOCKED);
    }

    private static Ground.View view(Ground ground, Place from, double one, Place to, double other) {
        return ground.between(
                        new Ground.End(from, OptionalDouble.of(one)), new Ground.End(to, OptionalDouble.of(other)))
                .view();
    }
}
