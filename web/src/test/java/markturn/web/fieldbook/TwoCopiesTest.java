package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import markturn.web.TestDatabase;
import org.junit.jupiter.api.Test;

/** Two copies of the program on one database; one is killed while eight people book: nothing is lost, nobody is signed out. */
class TwoCopiesTest {
    private static final int PEOPLE = 8;
    private static final int EACH = 20;
    private static final String SHARED = "--spring.autoconfigure.exclude=";

    @Test
    void oneMayDieWhileEightPeopleBook() throws Exception {
        TestDatabase database = TestDatabase.start(Path.of("target/copies-data"));
        Served one = Served.start(database, "copy-one.log", SHARED);
        Served other = Served.start(database, "copy-two.log", SHARED);
        ExecutorService threads = Executors.newFixedThreadPool(PEOPLE);
        try {
            Caller before = new Caller(one.address());
            before.signIn();
            int demo =
                    stored(database, before.job().substring("/job/".length())).size();
            AtomicInteger booked = new AtomicInteger();
            List<Callable<List<String>>> work = new ArrayList<>();
            for (int person = 0; person < PEOPLE; person++) {
                int number = person;
                Caller caller = new Caller(person % 2 == 0 ? one.address() : other.address());
                caller.signIn();
                work.add(() -> book(caller, number, other, booked, one));
            }
            List<String> acknowledged = new ArrayList<>();
            for (Future<List<String>> done : threads.invokeAll(work)) {
                acknowledged.addAll(done.get());
            }
            assertThat(one.process().isAlive()).isFalse();
            assertThat(acknowledged).hasSize(PEOPLE * EACH);
            Caller after = new Caller(other.address());
            after.signIn();
            assertThat(stored(database, after.job().substring("/job/".length())))
                    .containsAll(acknowledged)
                    .hasSize(demo + PEOPLE * EACH);
        } finally {
            threads.shutdownNow();
            one.kill();
            other.kill();
            database.stop();
        }
    }

    /** Books one after the other; half-way through all of it the first copy is killed, and whoever was there turns to the second. */
    private static List<String> book(Caller caller, int person, Served other, AtomicInteger booked, Served victim)
            throws Exception {
        List<String> acknowledged = new ArrayList<>();
        for (int i = 0; i < EACH; i++) {
            String minutes = "%02d".formatted(10 + person);
            String seconds = "%02d.%d".formatted(i, person);
            String key = UUID.randomUUID().toString();
            HttpResponse<String> answer;
            try {
                answer = post(caller, key, minutes + " " + seconds);
            } catch (IOException gone) {
                // The same line under the same key, as a page does it whose answer was lost.
                caller.turnTo(other.address());
                answer = post(caller, key, minutes + " " + seconds);
            }
            assertThat(answer.statusCode())
                    .as("still signed in: " + answer.body())
                    .isEqualTo(200);
            acknowledged.add(key);
            if (booked.incrementAndGet() == PEOPLE * EACH / 2) {
                victim.process().destroyForcibly();
            }
        }
        return acknowledged;
    }

    private static HttpResponse<String> post(Caller caller, String key, String minutesAndSeconds) throws Exception {
        return caller.post(caller.job() + "/turning/S4/reading", Caller.pointing(key, minutesAndSeconds));
    }

    /** The keys of the entries of a job, whose sequences run from 1 without a gap. */
    private static List<String> stored(TestDatabase database, String job) throws Exception {
        var properties = database.properties();
        List<String> keys = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection(
                        properties.get("spring.datasource.url").toString(),
                        properties.get("spring.datasource.username").toString(),
                        properties.get("spring.datasource.password").toString());
                var statement = connection.prepareStatement(
                        "select sequence, entry_key from entry where job_id = ? order by sequence")) {
            statement.setString(1, job);
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    keys.add(rows.getString(2));
                    assertThat(rows.getLong(1)).isEqualTo(keys.size());
                }
            }
        }
        return keys;
    }
}
