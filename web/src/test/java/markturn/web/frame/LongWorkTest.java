package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** Work beside the pages: it ends where it is cancelled, and where nobody waits any more. Common practice, no source. */
class LongWorkTest {
    private final CountDownLatch ended = new CountDownLatch(1);
    private final CountDownLatch begun = new CountDownLatch(1);

    /** Goes on for ever, telling how far it is, until it is ended. */
    private final LongWork.Work<String> endless = reached -> {
        begun.countDown();
        try {
            while (true) {
                reached.accept(0.5);
                Thread.sleep(1);
            }
        } catch (CancellationException ending) {
            ended.countDown();
            throw ending;
        }
    };

    @Test
    void workForSomebodyWhoHasLeftStops() throws Exception {
        LongWork<String, String> works = new LongWork<>("test", 1, 4, Duration.ZERO, Duration.ofMillis(200));
        assertThat(works.soon("report", endless)).isEmpty();
        assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
        assertThat(ended.await(30, TimeUnit.SECONDS)).isTrue();
        // The next one's turn comes, and who comes back begins anew.
        works.setPatience(Duration.ofSeconds(30));
        assertThat(works.soon("other", reached -> "done")).contains("done");
        assertThat(works.soon("report", reached -> "anew")).contains("anew");
        works.close();
    }

    @Test
    void whoCancelsEndsIt() throws Exception {
        LongWork<String, String> works = new LongWork<>("test", 1, 4, Duration.ZERO, Duration.ofMinutes(5));
        works.soon("report", endless);
        assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
        works.soon("behind it", reached -> "done");
        assertThat(works.before("behind it")).isEqualTo(1);
        works.cancel("report");
        assertThat(ended.await(30, TimeUnit.SECONDS)).isTrue();
        assertThat(works.known("report")).isEmpty();
        works.close();
    }

    @Test
    void whatNobodyCanWantAnyMoreStandsBeforeNobody() throws Exception {
        LongWork<String, String> works = new LongWork<>("test", 1, 4, Duration.ZERO, Duration.ofMinutes(5));
        works.soon("revision 7", endless);
        assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
        works.cancelOutdated("revision 7"::equals);
        assertThat(ended.await(30, TimeUnit.SECONDS)).isTrue();
        works.setPatience(Duration.ofSeconds(30));
        assertThat(works.soon("revision 8", reached -> "done")).contains("done");
        works.cancelOutdated("revision 8"::equals);
        // What is done is there for whoever still looks at it.
        assertThat(works.known("revision 8")).isPresent();
        works.close();
    }

    /** More wait than results are kept: what somebody waits for is not let go before it is done, and begun anew for ever. */
    @Test
    void whoeverWaitsGetsWhatWasBegun() throws Exception {
        LongWork<String, String> works = new LongWork<>("test", 1, 2, Duration.ZERO, Duration.ofMinutes(5));
        CountDownLatch together = new CountDownLatch(1);
        AtomicInteger begun = new AtomicInteger();
        List<String> all = List.of("a", "b", "c", "d", "e", "f");
        for (String one : all) {
            works.soon(one, reached -> {
                begun.incrementAndGet();
                together.await(30, TimeUnit.SECONDS);
                return one;
            });
        }
        assertThat(works.before("f")).isEqualTo(5);
        together.countDown();
        works.setPatience(Duration.ofSeconds(30));
        for (String one : all) {
            assertThat(works.soon(one, reached -> "anew")).contains(one);
        }
        assertThat(begun).hasValue(6);
        // Of what is done the last ones are kept.
        works.soon("g", reached -> "g");
        assertThat(works.known("a")).isEmpty();
        works.close();
    }

    @Test
    void whatGoesWrongIsSaidAndTriedAgain() {
        LongWork<String, String> works = new LongWork<>("test", 1, 4, Duration.ofSeconds(30), Duration.ofMinutes(5));
        assertThatThrownBy(() -> works.soon("report", reached -> {
                    throw new HeavyWork.Busy("another of yours");
                }))
                .isInstanceOf(HeavyWork.Busy.class);
        assertThat(works.soon("report", reached -> "done")).isEqualTo(Optional.of("done"));
        works.close();
    }
}
