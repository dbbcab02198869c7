package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
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
