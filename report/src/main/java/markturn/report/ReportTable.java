package markturn.report;

import java.util.ArrayList;
import java.util.List;

/**
 * A table of finished words, which one fragment draws.
 *
 * @param kind what the stylesheet knows it by; empty for an ordinary one
 * @param columns as many as each row has cells
 */
public record ReportTable(String kind, List<Column> columns, List<Row> rows) implements Block {
    /** Numbers of fixed width, set to the right. */
    static final String NUMBER = "n";

    /** What is not broken. */
    static final String KEPT = "k";

    /** A column; {@code kind} is that of each of its cells, empty for words. */
    public record Column(String heading, String kind) {}

    /** One cell of a row; there are tens of thousands, and the page reads a property faster than it calls a method. */
    public record Cell(String kind, String words) {
        public String getKind() {
            return kind;
        }

        public String getWords() {
            return words;
        }
    }

    /** A row; {@code kind} empty for an ordinary one. */
    public record Row(String kind, List<Cell> cells) {
        public String getKind() {
            return kind;
        }

        public List<Cell> getCells() {
            return cells;
        }
    }

    @Override
    public String fragment() {
        return "table";
    }

    /** Whether any column says what stands in it. */
    public boolean hasHeadings() {
        return columns.stream().anyMatch(column -> !column.heading().isEmpty());
    }

    boolean isEmpty() {
        return rows.isEmpty();
    }

    static Draft draft(String kind) {
        return new Draft(kind);
    }

    /** A table while it is made: its columns first, then its rows. */
    static final class Draft {
        private final String kind;
        private final List<Column> columns = new ArrayList<>();
        private final List<Row> rows = new ArrayList<>();

        private Draft(String kind) {
            this.kind = kind;
        }

        Draft words(String... headings) {
            return columns("", headings);
        }

        Draft numbers(String... headings) {
            return columns(NUMBER, headings);
        }

        Draft columns(String ofKind, String... headings) {
            for (String heading : headings) {
                columns.add(new Column(heading, ofKind));
            }
            return this;
        }

        Draft row(String... words) {
            return rowOf("", words);
        }

        /**
         * A row of a kind of its own.
         *
         * @throws IllegalArgumentException for more or fewer words than there are columns
         */
        Draft rowOf(String rowKind, String... words) {
            if (words.length != columns.size()) {
                throw new IllegalArgumentException(words.length + " cells in a table of " + columns.size());
            }
            List<Cell> cells = new ArrayList<>();
            for (int column = 0; column < words.length; column++) {
                cells.add(new Cell(columns.get(column).kind(), words[column]));
            }
            rows.add(new Row(rowKind, cells));
            return this;
        }

        ReportTable done() {
            return new ReportTable(kind, List.copyOf(columns), List.copyOf(rows));
        }
    }
}
