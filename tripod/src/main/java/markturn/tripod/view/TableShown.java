package markturn.tripod.view;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** A table of words and numbers: its head, and rows of as many cells. */
public final class TableShown implements Shown {
    private static final String NUMBER = "n";

    private final List<Cell> heads = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    /** With a head of words; one that begins with {@code #} stands above numbers. */
    public static TableShown headed(String... heads) {
        TableShown table = new TableShown();
        Stream.of(heads)
                .map(head -> head.startsWith("#") ? Cell.number(head.substring(1)) : Cell.of(head))
                .forEach(table.heads::add);
        return table;
    }

    /** With one more row. */
    public TableShown with(Row row) {
        rows.add(row);
        return this;
    }

    /** Whether it has no row. */
    public boolean isEmpty() {
        return rows.isEmpty();
    }

    @Override
    public Sheet sheet() {
        return rows.isEmpty()
                ? Sheet.empty()
                : Sheet.empty().with("heads", heads).with("rows", rows);
    }

    /**
     * One row.
     *
     * @param key what it is about; empty where nothing asks
     * @param kind how it is drawn; empty where as usual
     */
    public record Row(String key, String kind, List<Cell> cells) implements Shown {
        /** About one thing, drawn as usual. */
        public static Row of(String key, Cell... cells) {
            return new Row(key, "", List.of(cells));
        }

        @Override
        public Sheet sheet() {
            return Sheet.empty().with("key", key).with("kind", kind).with("cells", cells);
        }
    }

    /**
     * One cell.
     *
     * @param kind how it is drawn: {@code n} where it is a number, {@code out} where it is beyond its limit
     * @param address where a tap on it leads; empty where nowhere
     * @param each several things one after the other; none where it is only words
     * @param key by which a script finds it, where it changes in place; empty where it does not
     */
    public record Cell(String words, String kind, String address, List<String> each, String key) implements Shown {
        /** Words. */
        public static Cell of(String words) {
            return new Cell(words, "", "", List.of(), "");
        }

        /** Words that lead somewhere. */
        public static Cell link(String words, String address) {
            return new Cell(words, "", address, List.of(), "");
        }

        /** A number as people read it. */
        public static Cell number(String words) {
            return new Cell(words, NUMBER, "", List.of(), "");
        }

        /** Numbers one after the other. */
        public static Cell numbers(List<String> each) {
            return new Cell("", NUMBER, "", each, "");
        }

        /** A number that changes in place. */
        public static Cell changing(String key) {
            return new Cell("", NUMBER, "", List.of(), key);
        }

        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("kind", kind)
                    .with("key", key)
                    .with("text", address.isEmpty() ? words : "")
                    .with(
                            "link",
                            address.isEmpty()
                                    ? Sheet.empty()
                                    : Sheet.empty().with("address", address).with("words", words))
                    .withWords("each", each);
        }
    }
}
