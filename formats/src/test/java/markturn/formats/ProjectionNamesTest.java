package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;

import markturn.survey.job.GridProjection;
import markturn.survey.reduce.GridPlace;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Projections by name. Source: the EPSG register as the library ships it; a round trip on the equator's meridian. */
class ProjectionNamesTest {
    @ParameterizedTest
    @ValueSource(strings = {"EPSG:25832", "epsg 25832", "25832"})
    void aCodeNamesAProjection(String typed) {
        String definition = ProjectionNames.definition(typed).orElseThrow();
        assertThat(definition)
                .startsWith("+title=EPSG:25832 ")
                .contains("+proj=utm")
                .contains("+zone=32");
        // On the central meridian of zone 32, 9° east, at the equator: false easting 500 000, northing 0.
        GridPlace.Geographic place = GridPlace.geographic(new GridProjection(definition, 0), 0, 500_000)
                .orElseThrow();
        assertThat(place.longitude()).isCloseTo(9, Assertions.within(1e-9));
        assertThat(place.latitude()).isCloseTo(0, Assertions.within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "EPSG:99999",
                "EPSG:",
                "+proj=utm +zone=32 +nadgrids=/etc/passwd",
                "+init=epsg:25832",
                "+proj=utm +zone=32 +geoidgrids=x",
                "+proj=utm +zone=32 +datum=NAD27",
                "+proj=utm +zone=3200",
                "+proj=tmerc +lat_0=91 +ellps=GRS80",
                "+proj=tmerc +k=NaN +ellps=GRS80",
                "+proj=longlat +ellps=GRS80",
                "over there"
            })
    void whatIsNoProjectionOrNamesAFileIsRefused(String typed) {
        assertThat(ProjectionNames.definition(typed)).isEmpty();
    }

    @Test
    void parametersStayAsTheyWereTyped() {
        assertThat(ProjectionNames.definition(" +proj=utm +zone=32 +ellps=GRS80 "))
                .hasValue("+proj=utm +zone=32 +ellps=GRS80");
    }
}
