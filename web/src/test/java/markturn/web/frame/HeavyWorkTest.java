package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

/** One piece of heavy work a person, two in all; the third waits its turn. Common practice, no source. */
class HeavyWorkTest {
    @Test
    void onePieceAPersonAndTwoInAll() throws Exception {
        HeavyWork heavy = new HeavyWork();
        CountDownLatch begun = new CountDownLatch(2);
        CountDownLatch end = new CountDownLatch(1);
        ExecutorService people = Executors.newFixedThreadPool(3);
        try {
            for (String person : new String[] {"wren", "ida"}) {
                people.submit(() -> heavy.inTurn(person, () -> {
                    begun.countDown();
                    return end.await(30, TimeUnit.SECONDS);
                }));
            }
            assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
            assertThatThrownBy(() -> heavy.inTurn("wren", () -> "second"))
                    .isInstanceOf(HeavyWork.Busy.class)
                    .hasMessageContaining("of yours is still being worked on");
            Future<String> third = people.submit(() -> heavy.inTurn("sol", () -> "done"));
            assertThat(third.isDone()).isFalse();
            end.countDown();
            assertThat(third.get(30, TimeUnit.SECONDS)).isEqualTo("done");
            // Whoever is through may come again.
            assertThat(heavy.inTurn("sol", () -> "again")).isEqualTo("again");
        } finally {
            people.shutdownNow();
        }
    }
}
