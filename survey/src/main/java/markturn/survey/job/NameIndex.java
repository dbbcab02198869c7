package markturn.survey.job;

import java.util.List;
import java.util.function.Function;

/**
 * Where in a list the element of a name stands. Only the places are kept, six to twelve bytes a name: a table that holds names and
 * elements once more takes some forty, and a job has tens of thousands of them.
 */
public final class NameIndex<T> {
    /** The golden ratio as a fraction of 2³², odd: spreads numbers that follow each other (Knuth, Sorting and Searching, 6.4; from memory). */
    private static final int SPREAD = 0x9E3779B9;

    private final List<T> all;
    private final Function<T, String> name;
    /** The place and one; 0 where nothing is. A third of it at least is free, so that a search ends soon. */
    private final int[] table;

    /**
     * Of a list that does not change.
     *
     * @param name of an element; where two have the same, the first is found
     */
    public NameIndex(List<T> all, Function<T, String> name) {
        this.all = all;
        this.name = name;
        this.table = new int[Integer.highestOneBit(1 + all.size() + all.size() / 2) << 1];
        for (int place = 0; place < all.size(); place++) {
            int at = slot(name.apply(all.get(place)));
            if (table[at] == 0) {
                table[at] = place + 1;
            }
        }
    }

    /** Where that name is written, or would be. */
    private int slot(String asked) {
        int at = (asked.hashCode() * SPREAD) >>> (Integer.numberOfLeadingZeros(table.length) + 1);
        while (table[at] != 0 && !name.apply(all.get(table[at] - 1)).equals(asked)) {
            at = (at + 1) & (table.length - 1);
        }
        return at;
    }

    /** The place in the list of the element of that name; the other number where there is none. */
    public int place(String asked, int none) {
        int found = table[slot(asked)];
        return found == 0 ? none : found - 1;
    }
}
