package markturn.survey.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Pictures laid beneath a plan, held against arithmetic by hand. */
class UnderlayTest {
    private static void isAt(Place place, double northing, double easting) {
        assertThat(place.northing()).isCloseTo(northing, within(1e-6));
        assertThat(place.easting()).isCloseTo(easting, within(1e-6));
    }

    /** Half a metre a picture point, north up, the middle of the first at E 5000.25, N 1999.75: its corner lies at E 5000, N 2000. */
    @Test
    void aWorldFileMeansTheMiddleOfTheFirstPicturePoint() {
        Underlay underlay =
                Underlay.read("0.5\n0\n0\n-0.5\n5000.25\n1999.75\n", 1).orElseThrow();
        isAt(underlay.at(0, 0), 2000, 5000);
        isAt(underlay.at(200, 100), 1950, 5100);
        isAt(underlay.coarser(2).at(100, 50), 1950, 5100);
        assertThat(Underlay.read("0.5 0 0 -0.5 5000.25", 1)).isEmpty();
        assertThat(Underlay.read("0.5 0 0 0 1 2", 1)).isEmpty();
    }

    /** Turned by a quarter: what is across in the picture runs north. */
    @Test
    void twoPlacesTurnShiftAndScaleIt() {
        Underlay underlay = Underlay.by(List.of(
                        new Underlay.Seen(new Place(1000, 5000), 0, 0),
                        new Underlay.Seen(new Place(1100, 5000), 50, 0)))
                .orElseThrow();
        isAt(underlay.at(25, 0), 1050, 5000);
        isAt(underlay.at(0, 10), 1000, 5020);
        assertThat(Underlay.by(List.of(new Underlay.Seen(new Place(1000, 5000), 0, 0))))
                .isEmpty();
    }

    @Test
    void threePlacesStretchItToo() {
        Underlay underlay = Underlay.by(List.of(
                        new Underlay.Seen(new Place(1000, 5000), 0, 100),
                        new Underlay.Seen(new Place(1000, 5100), 50, 100),
                        new Underlay.Seen(new Place(1300, 5000), 0, 0)))
                .orElseThrow();
        isAt(underlay.at(25, 50), 1150, 5050);
    }
}
