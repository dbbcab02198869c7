package markturn.survey.adjust;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/** Work on all processors, where it is worth that; what is done for one must not touch what is done for another. */
final class AtOnce {
    private AtOnce() {}

    /** Does something for each number of a range. */
    static void each(int first, int end, boolean isWorthIt, IntConsumer work) {
        if (isWorthIt) {
            IntStream.range(first, end).parallel().forEach(work);
        } else {
            for (int i = first; i < end; i++) {
                work.accept(i);
            }
        }
    }

    /** Does something for each of some. */
    static <T> void each(List<T> some, boolean isWorthIt, Consumer<T> work) {
        each(0, some.size(), isWorthIt && some.size() > 1, i -> work.accept(some.get(i)));
    }
}
