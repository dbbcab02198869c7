package markturn.web.fieldbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleConsumer;
import markturn.simulator.AlderWeir;
import markturn.survey.ComputationCache;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.Job;
import org.junit.jupiter.api.Test;

/** A page waits for a job so long and no longer; the work goes on, and has an end. Common practice, no source. */
class ComputationTest {
    @Test
    void aPageWaitsSoLongAndTheWorkGoesOn() {
        CountDownLatch held = new CountDownLatch(1);
        AtomicInteger begun = new AtomicInteger();
        Computation computation = new Computation(progress -> {
            begun.incrementAndGet();
            await(held);
            return Survey.compute(AlderWeir.blank());
        });
        assertThatThrownBy(() -> computation.within(Duration.ofMillis(50)))
                .isInstanceOf(TooLong.class)
                .hasMessageContaining("longer to compute than a page waits")
                .hasMessageContaining("the work goes on");
        held.countDown();
        assertThat(computation.within(Duration.ofSeconds(30)).job().name())
                .isEqualTo(AlderWeir.blank().name());
        assertThat(begun).hasValue(1);
    }

    @Test
    void workThatNeverEndsIsEnded() {
        Computation computation = new Computation(ComputationTest::forEver, Duration.ofMillis(50));
        assertThatThrownBy(() -> computation.within(Duration.ofSeconds(30)))
                .isInstanceOf(TooLong.class)
                .hasMessageContaining("the work was stopped");
    }

    @Test
    void aFaultOfTheProgramIsThatFault() {
        Computation computation = new Computation(progress -> {
            throw new IllegalStateException("broken");
        });
        assertThatThrownBy(() -> computation.within(Duration.ofSeconds(30)))
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("broken");
    }

    /** What a computation that was ended half-way left behind changes nothing of the next. */
    @Test
    void workThatWasEndedHarmsNoLaterOne() {
        Job job = AlderWeir.job();
        ComputationCache memory = new ComputationCache();
        Job warmer = job.withEarth(job.earth().withScaleFactor(0.9996));
        AtomicInteger told = new AtomicInteger();
        assertThatThrownBy(() -> Survey.compute(warmer, memory, share -> {
                    if (told.incrementAndGet() == 3) {
                        throw new IllegalStateException("enough");
                    }
                }))
                .hasMessage("enough");
        SurveyResult after = Survey.compute(job, memory);
        assertThat(after.measured().marks())
                .usingRecursiveComparison()
                .isEqualTo(Survey.compute(job).measured().marks());
    }

    private static SurveyResult forEver(DoubleConsumer progress) {
        while (true) {
            progress.accept(0.5);
        }
    }

    private static void await(CountDownLatch held) {
        try {
            assertThat(held.await(30, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException stopped) {
            throw new AssertionError(stopped);
        }
    }
}
