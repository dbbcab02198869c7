package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import markturn.web.TestDatabase;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Server and database are killed while pointings are being posted; every one that was acknowledged is found again. */
class KilledTest {
    private static TestDatabase database;
    private static Served server;

    @BeforeAll
    static void serve() throws Exception {
        database = TestDatabase.start(Path.of("target/killed-data"));
        server = Served.start(database, "killed.log");
    }

    @AfterAll
    static void stop() throws Exception {
        server.kill();
        database.stop();
    }

    /** Twice, after a few and after more: what the first kill left is there after the second too. */
    @Test
    void everyAcknowledgedPointingIsFoundAgain() throws Exception {
        List<String> acknowledged = new ArrayList<>();
        for (int killedAfter : new int[] {7, 23}) {
            Caller caller = new Caller(server.address());
            caller.signIn();
            List<String> now = post(caller, killedAfter);
            assertThat(now).hasSizeGreaterThanOrEqualTo(killedAfter);
            acknowledged.addAll(now);
            database.startAgain();
            server = Served.start(database, "killed.log");
            Caller again = new Caller(server.address());
            again.signIn();
            // Each pointing carries its own minutes and seconds, so that it can be told on the page.
            String book = again.get(again.job() + "/turning/S4");
            assertThat(acknowledged).allSatisfy(circle -> assertThat(book).contains(circle));
        }
    }

    /**
     * The database alone dies, again and again, while pointings are posted: each is answered as stored, or says that it was not; never 200
     * with nothing. How often: {@code -Dmarkturn.kills}.
     */
    @Test
    void aDatabaseThatDiesIsSaid() throws Exception {
        int kills = Integer.getInteger("markturn.kills", 6);
        Caller caller = new Caller(server.address());
        caller.signIn();
        Set<String> acknowledged = new LinkedHashSet<>();
        int refused = 0;
        for (int kill = 0; kill < kills; kill++) {
            long pid = database.pid();
            int after = 3 + kill % 5;
            int failed = 0;
            for (int i = 0; failed < 2 || i <= after; i++) {
                if (i == after) {
                    Thread.sleep(kill % 4);
                    new Thread(() -> ProcessHandle.of(pid).ifPresent(ProcessHandle::destroyForcibly)).start();
                }
                String seconds = "%02d.%d".formatted((kill * 40 + i) / 10 % 60, (kill * 40 + i) % 10);
                String minutes = "%02d".formatted((kill * 40 + i) / 600);
                HttpResponse<String> answer = caller.post(
                        caller.job() + "/turning/S4/reading",
                        Caller.pointing(UUID.randomUUID().toString(), minutes + " " + seconds));
                assertThat(answer.statusCode()).as(answer.body()).isIn(200, 503);
                if (answer.statusCode() == 200) {
                    assertThat(answer.body()).contains("\"revision\":");
                    acknowledged.add("34°%s'%s\\\"".formatted(minutes, seconds));
                } else {
                    assertThat(answer.body()).contains("nothing of this was stored");
                    failed++;
                    refused++;
                }
            }
            while (ProcessHandle.of(pid).map(ProcessHandle::isAlive).orElse(false)) {
                Thread.sleep(20);
            }
            // Whoever signs in meanwhile is not told that the password is wrong.
            assertThat(caller.get("/job")).contains("nothing of this was stored");
            database.startAgain();
            for (int i = 0; caller.get("/job").contains("nothing of this was stored"); i++) {
                assertThat(i).as("the pages find the database again").isLessThan(1000);
                Thread.sleep(50);
            }
        }
        assertThat(refused).isGreaterThanOrEqualTo(2 * kills);
        String book = caller.get(caller.job() + "/turning/S4");
        assertThat(acknowledged).allSatisfy(circle -> assertThat(book).contains(circle));
    }

    /** Posts pointings one after the other; a second thread kills both processes in the midst of one. */
    private List<String> post(Caller caller, int killedAfter) throws Exception {
        List<String> acknowledged = new ArrayList<>();
        String minutes = "%02d".formatted(killedAfter);
        long databasePid = database.pid();
        try {
            for (int i = 0; i < 1000; i++) {
                if (i == killedAfter) {
                    new Thread(() -> {
                                server.process().destroyForcibly();
                                ProcessHandle.of(databasePid).ifPresent(ProcessHandle::destroyForcibly);
                            })
                            .start();
                }
                String seconds = "%02d.%d".formatted(i / 10, i % 10);
                HttpResponse<String> answer = caller.post(
                        caller.job() + "/turning/S4/reading",
                        Caller.pointing(UUID.randomUUID().toString(), minutes + " " + seconds));
                if (answer.statusCode() == 200) {
                    acknowledged.add("34°" + minutes + "'" + seconds + "\\\"");
                }
            }
        } catch (IOException lost) {
            assertThat(server.process().waitFor()).isNotZero();
        }
        while (ProcessHandle.of(databasePid).map(ProcessHandle::isAlive).orElse(false)) {
            Thread.sleep(20);
        }
        return acknowledged;
    }
}
