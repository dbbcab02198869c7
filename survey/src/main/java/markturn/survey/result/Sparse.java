package markturn.survey.result;

import java.util.Arrays;

/**
 * Places beside a long list of which few hold something: room is made a page at a time, so that a hundred thousand marks that nobody sights
 * cost nothing with every computation.
 */
final class Sparse<T> {
    private static final int BITS = 9;
    private static final int WITHIN = (1 << BITS) - 1;

    private final Object[][] pages;

    /** As many places, from 0; nothing in any of them. */
    Sparse(int places) {
        this.pages = new Object[(places + WITHIN) >> BITS][];
    }

    /** As many places, of which the first hold what they hold in another one; that one is not to be changed any more. */
    Sparse(int places, Sparse<T> before, int first) {
        this(places);
        int whole = first >> BITS;
        System.arraycopy(before.pages, 0, pages, 0, whole);
        if ((first & WITHIN) > 0 && before.pages[whole] != null) {
            pages[whole] = Arrays.copyOf(Arrays.copyOf(before.pages[whole], first & WITHIN), WITHIN + 1);
        }
    }

    /** Null where there is nothing. */
    @SuppressWarnings("unchecked")
    T at(int place) {
        Object[] page = pages[place >> BITS];
        return page == null ? null : (T) page[place & WITHIN];
    }

    void put(int place, T value) {
        if (pages[place >> BITS] == null) {
            pages[place >> BITS] = new Object[WITHIN + 1];
        }
        pages[place >> BITS][place & WITHIN] = value;
    }
}
