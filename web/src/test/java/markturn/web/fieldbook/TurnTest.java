package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Acts in their turn. Common practice, no source. */
class TurnTest {
    private final ExecutorService people = Executors.newCachedThreadPool();
    private final CountDownLatch done = new CountDownLatch(1);

    @AfterEach
    void everyTurnIsBack() throws Exception {
        done.countDown();
        people.shutdown();
        assertThat(people.awaitTermination(30, TimeUnit.SECONDS)).isTrue();
        assertThat(Turn.free()).isEqualTo(Turn.AT_ONCE);
    }

    @ParameterizedTest
    @ValueSource(longs = {20, 500})
    void soManyAtOnceAndNoMoreHoweverSlow(long milliseconds) throws Exception {
        AtomicInteger now = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        List<Future<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 5 * Turn.AT_ONCE; i++) {
            all.add(people.submit(() -> Turn.taken(() -> {
                most.accumulateAndGet(now.incrementAndGet(), Math::max);
                pause(milliseconds);
                return now.getAndDecrement();
            })));
        }
        for (Future<Integer> one : all) {
            one.get(30, TimeUnit.SECONDS);
        }
        assertThat(most).hasValueLessThanOrEqualTo(Turn.AT_ONCE).hasValueGreaterThan(1);
    }

    @Test
    void whoWaitsForALargeJobHoldsNobodyUp() throws Exception {
        CountDownLatch waiting = new CountDownLatch(1);
        people.submit(() -> Turn.taken(() -> {
            Computation large = new Computation(progress -> {
                waiting.countDown();
                await(done);
                throw new IllegalStateException("enough");
            });
            return large.result();
        }));
        await(waiting);
        for (int i = 0; i < 3_000 && Turn.free() < Turn.AT_ONCE; i++) {
            Thread.sleep(10);
        }
        assertThat(Turn.free()).isEqualTo(Turn.AT_ONCE);
    }

    @Test
    void nobodyWaitsForEver() throws Exception {
        CountDownLatch taken = new CountDownLatch(Turn.AT_ONCE);
        for (int i = 0; i < Turn.AT_ONCE; i++) {
            people.submit(() -> Turn.taken(() -> {
                taken.countDown();
                await(done);
                return 0;
            }));
        }
        await(taken);
        assertThat(Turn.free()).isZero();
        assertThat(people.submit(() -> Turn.taken(() -> "went ahead")).get(30, TimeUnit.SECONDS))
                .isEqualTo("went ahead");
        assertThat(Turn.free()).isZero();
    }

    @Test
    void workWithinWorkTakesNoTurnOfItsOwn() {
        assertThat(Turn.taken(() -> Turn.taken(Turn::free))).isEqualTo(Turn.AT_ONCE - 1);
    }

    @Test
    void whatFailsGivesItsTurnBack() {
        assertThatThrownBy(() -> Turn.taken(() -> {
                    throw new IllegalStateException("broken");
                }))
                .hasMessage("broken");
        assertThat(Turn.free()).isEqualTo(Turn.AT_ONCE);
    }

    private static void pause(long milliseconds) {
        try {
            Thread.sleep(milliseconds);
        } catch (InterruptedException stopped) {
            throw new AssertionError(stopped);
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(30, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException stopped) {
            throw new AssertionError(stopped);
        }
    }
}
