package markturn.survey.locate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.algorithm.Area;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.algorithm.RobustLineIntersector;
import org.locationtech.jts.geom.Coordinate;

/** Plane geometry against JTS, whose predicates are exact. Places of a national grid, a few metres to some hundred apart. */
class PlaneTest {
    private static double[] place(Random random, double spread) {
        return new double[] {5_400_000 + spread * random.nextDouble(), 3_500_000 + spread * random.nextDouble()};
    }

    private static Coordinate of(double[] place) {
        return new Coordinate(place[1], place[0]);
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 500})
    void turnsCrossingsAndAreasAreThoseOfJts(double spread) {
        Random random = new Random(17);
        int crossed = 0;
        for (int i = 0; i < 2000; i++) {
            double[][] at =
                    Stream.generate(() -> place(random, spread)).limit(7).toArray(double[][]::new);
            // Clockwise is negative there; a turn of nothing but rounding (below a square millimetre) is not asked for.
            double turn = Plane.turn(at[0], at[1], at[2]);
            if (Math.abs(turn) > 1e-6) {
                assertThat((int) -Math.signum(turn)).isEqualTo(Orientation.index(of(at[0]), of(at[1]), of(at[2])));
            }
            RobustLineIntersector lines = new RobustLineIntersector();
            lines.computeIntersection(of(at[0]), of(at[1]), of(at[2]), of(at[3]));
            assertThat(Plane.cross(at[0], at[1], at[2], at[3])).isEqualTo(lines.isProper());
            crossed += lines.isProper() ? 1 : 0;
            Coordinate[] ring = Stream.concat(Stream.of(at), Stream.of(at[0]))
                    .map(PlaneTest::of)
                    .toArray(Coordinate[]::new);
            assertThat(Plane.area(at)).isCloseTo(Area.ofRingSigned(ring), within(1e-6 * spread * spread));
        }
        assertThat(crossed).isBetween(300, 700);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 1})
    void linesThatOnlyTouchDoNotCross(double along) {
        double[] end = {10 * along, 10 * along};
        assertThat(Plane.cross(new double[] {0, 0}, new double[] {10, 10}, end, new double[] {0, 20}))
                .isFalse();
    }
}
