package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.time.Instant;
import java.util.Optional;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.JobOpened;
import markturn.fieldbook.ReadingBooked;
import markturn.fieldbook.ReadingPlace;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Keys of readings and the places where they stand, both ways, of a job that was opened from a file and booked on. Counting, no source. */
class ReadingPlacesTest {
    private static final String OPENED = "open";

    private static Job job() {
        try (InputStream in = ReadingPlacesTest.class.getResourceAsStream("frozen/job-0.2.0.json")) {
            return JobFile.read(in.readAllBytes());
        } catch (java.io.IOException | FaultyFile unreadable) {
            throw new AssertionError(unreadable);
        }
    }

    private static BookedJob book() {
        return Assembly.with(
                Assembly.empty("job", Computing.AT_ONCE),
                new Entry(1, OPENED, Instant.EPOCH, "wren", new JobOpened(job())));
    }

    private static Setup observed(Job job) {
        return job.setups().stream()
                .filter(setup -> setup.readings().size() > 1)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyReadingOfTheFileIsFoundByItsKeyAndTellsIt() {
        BookedJob book = book();
        for (Setup setup : book.job().setups()) {
            for (int i = 0; i < setup.readings().size(); i++) {
                String key = book.keyOf(setup.name(), i);
                assertThat(key).isEqualTo(OPENED + "/" + setup.name() + "/" + i);
                assertThat(book.place(key)).contains(new ReadingPlace(setup.name(), i));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/%s/99999",
                "/%s/00",
                "/%s/-1",
                "/%s/",
                "/%s",
                "/no such setup/0",
                "/%s/12345678901",
                "%s/0",
                "/%s/0/",
                ""
            })
    void whatLooksLikeAKeyIsNone(String behind) {
        BookedJob book = book();
        String key = OPENED + behind.replace("%s", observed(book.job()).name());
        assertThat(book.place(key)).isEmpty();
    }

    @Test
    void readingsBookedBehindHaveTheirOwn() {
        BookedJob book = book();
        Setup setup = observed(book.job());
        int first = setup.readings().size();
        Reading again = setup.readings().get(0);
        for (int i = 0; i < 200; i++) {
            Entry entry = new Entry(
                    2L + i,
                    "line " + i,
                    Instant.EPOCH,
                    "wren",
                    new ReadingBooked(setup.name(), again, Optional.empty()));
            book = Assembly.with(book, entry);
        }
        for (int i = 0; i < 200; i++) {
            ReadingPlace place = new ReadingPlace(setup.name(), first + i);
            assertThat(book.keyOf(place.setup(), place.index())).isEqualTo("line " + i);
            assertThat(book.place("line " + i)).contains(place);
        }
        assertThat(book.keyOf(setup.name(), first - 1)).isEqualTo(OPENED + "/" + setup.name() + "/" + (first - 1));
    }
}
