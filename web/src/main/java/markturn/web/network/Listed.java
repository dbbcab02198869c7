package markturn.web.network;

import java.util.List;
import java.util.function.Function;

/**
 * The first rows of a list that may be long: nobody reads thousands, and a page of them takes longer than what it tells of.
 *
 * @param left how many rows are left out
 */
public record Listed<T>(List<T> rows, int left) {
    private static final int FIRST = 200;

    /**
     * The first rows, or all of them.
     *
     * @param all in their order
     * @param row how one is shown; asked only for those that are
     */
    static <A, T> Listed<T> of(List<A> all, boolean whole, Function<A, T> row) {
        List<A> shown = whole ? all : all.subList(0, Math.min(FIRST, all.size()));
        return new Listed<>(shown.stream().map(row).toList(), all.size() - shown.size());
    }
}
