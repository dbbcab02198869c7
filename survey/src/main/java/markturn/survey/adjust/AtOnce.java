package markturn.survey.adjust;

import java.util.AbstractList;
import java.util.List;
import java.util.RandomAccess;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.stream.StreamSupport;

/**
 * Work on all processors, where it is worth that; what is done for one must not touch what is done for another. In a browser, where there
 * is one, it is done one after the other.
 */
public final class AtOnce {
    private AtOnce() {}

    /** Numbers from one on; a list, because the class library of the browser splits nothing else. */
    private static final class Range extends AbstractList<Integer> implements RandomAccess {
        private final int first;
        private final int end;

        Range(int first, int end) {
            this.first = first;
            this.end = end;
        }

        @Override
        public Integer get(int index) {
            return first + index;
        }

        @Override
        public int size() {
            return end - first;
        }
    }

    /** Does something for each number of a range. */
    static void each(int first, int end, boolean isWorthIt, IntConsumer work) {
        if (isWorthIt && end > first) {
            StreamSupport.stream(new Range(first, end).spliterator(), true).forEach(work::accept);
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

    /** Makes something of each of some, in their order. */
    public static <T, R> List<R> of(List<T> some, Function<T, R> make) {
        return StreamSupport.stream(some.spliterator(), true).map(make).toList();
    }
}
