package markturn.report;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The tables of the report as they are set on paper: a renderer lays out every cell by itself, and thousands of rows have tens of thousands.
 * Columns of numbers that adjoin are therefore set as one cell of fixed-width type, padded so that they stand below each other; of a table
 * of class {@code lines} all columns but that of the reasons, and those without any entry are left out; of a long list all. Where a sheet is
 * not wide enough words stay in cells that break. Lines of one cell stand a few in a row where nothing tells them apart. The words and numbers
 * are the same in the same order.
 */
final class PaperTables {
    /** A cell that holds several columns. */
    private static final String PACK = "pack";

    /** So many lines stand in a row, a little apart from the next: that many the eye follows across a sheet. */
    private static final int TOGETHER = 5;

    /** A list of more rows is looked up in, not read. */
    private static final int LONG = 200;

    /** So many letters of the fixed-width type stand beside each other on a sheet, in a table and in one of class {@code lines}. */
    static final int WIDEST = 103;

    static final int WIDEST_LINE = 119;

    /** Room for the reasons beside the lines, in letters. */
    private static final int REASONS = 20;

    private static final String BETWEEN = "  ";
    private static final ReportTable.Cell NOTHING = new ReportTable.Cell("", "");

    /** Columns that stand in one cell, from the first up to but not including the last. */
    private record Run(int from, int to) {}

    private final boolean lines;
    /** Whether words are set like numbers. */
    private final boolean whole;

    private final List<ReportTable.Column> head;
    private final List<ReportTable.Row> rows;
    private final List<Run> runs = new ArrayList<>();
    private final int[] widths;
    private final boolean[] empty;

    private PaperTables(ReportTable table) {
        this.lines = table.kind().equals("lines");
        this.head = table.columns();
        this.rows = table.rows();
        this.widths = IntStream.range(0, head.size()).map(this::widthOf).toArray();
        this.empty = new boolean[head.size()];
        for (int column = 0; column < head.size(); column++) {
            int at = column;
            // Left out is only a column of lines: in a computation an empty one says that nothing was there.
            empty[column] = lines
                    && rows.stream().allMatch(row -> row.cells().get(at).words().isBlank());
        }
        this.whole = lines ? wide() <= WIDEST_LINE : rows.size() > LONG && wide() <= WIDEST;
        int from = 0;
        for (int column = 1; column <= head.size(); column++) {
            if (column == head.size() || !isPacked(column) || !isPacked(column - 1)) {
                runs.add(new Run(from, column));
                from = column;
            }
        }
    }

    /** A table as it is set on paper; one without headings stays as it is. */
    static ReportTable of(ReportTable table) {
        if (!table.hasHeadings()) {
            return table;
        }
        PaperTables paper = new PaperTables(table);
        return new ReportTable(table.kind(), paper.columns(), paper.rows());
    }

    private List<ReportTable.Column> columns() {
        List<ReportTable.Column> columns = new ArrayList<>();
        for (Run run : runs) {
            if (isPack(run)) {
                columns.add(new ReportTable.Column(heading(run), PACK));
            } else if (!isLeftOut(run)) {
                columns.add(new ReportTable.Column(head.get(run.from()).heading(), kindOf(run.from())));
            }
        }
        return columns;
    }

    private List<ReportTable.Row> rows() {
        List<ReportTable.Row> set = new ArrayList<>();
        int together = 0;
        for (ReportTable.Row each : rows) {
            ReportTable.Row row = row(each);
            int last = set.size() - 1;
            boolean joins = whole && together > 0 && together < TOGETHER && isPlain(row) && isPlain(set.get(last));
            if (joins) {
                set.set(last, joined(set.get(last), row));
            } else {
                set.add(row);
            }
            together = joins ? together + 1 : 1;
        }
        return set;
    }

    /** A line that stands, and of which nothing is said. */
    private static boolean isPlain(ReportTable.Row row) {
        return row.kind().isEmpty()
                && row.cells().stream()
                        .allMatch(
                                cell -> cell.kind().equals(PACK) || cell.words().isEmpty());
    }

    private static ReportTable.Row joined(ReportTable.Row above, ReportTable.Row below) {
        List<ReportTable.Cell> cells = new ArrayList<>();
        for (int i = 0; i < above.cells().size(); i++) {
            ReportTable.Cell cell = above.cells().get(i);
            cells.add(
                    cell.kind().equals(PACK)
                            ? new ReportTable.Cell(
                                    PACK,
                                    cell.words() + "\n" + below.cells().get(i).words())
                            : cell);
        }
        return new ReportTable.Row("", cells);
    }

    private ReportTable.Row row(ReportTable.Row row) {
        List<ReportTable.Cell> cells = new ArrayList<>();
        for (Run run : runs) {
            if (isPack(run)) {
                cells.add(new ReportTable.Cell(PACK, line(row.cells(), run)));
            } else if (!isLeftOut(run)) {
                cells.add(new ReportTable.Cell(
                        kindOf(run.from()), row.cells().get(run.from()).words()));
            }
        }
        return new ReportTable.Row(row.kind(), cells);
    }

    private boolean isPack(Run run) {
        return isPacked(run.from()) && run.to() > run.from() + 1;
    }

    private boolean isLeftOut(Run run) {
        return empty[run.from()] && run.to() == run.from() + 1;
    }

    private boolean isPacked(int column) {
        return whole ? !isReason(column) : head.get(column).kind().equals(ReportTable.NUMBER);
    }

    /** Letters of a line with all of its columns. */
    private int wide() {
        return IntStream.range(0, head.size())
                .filter(column -> !empty[column])
                .map(column -> BETWEEN.length() + (isReason(column) ? REASONS : widths[column]))
                .sum();
    }

    /** Of lines that are too wide for a sheet names break too. */
    private String kindOf(int column) {
        String kind = head.get(column).kind();
        return lines && !whole && kind.equals(ReportTable.KEPT) ? "" : kind;
    }

    private boolean isReason(int column) {
        return head.get(column).kind().equals("why");
    }

    private int widthOf(int column) {
        int longest = rows.stream()
                .mapToInt(row -> row.cells().get(column).words().length())
                .max()
                .orElse(0);
        int word = Collections.max(List.of(head.get(column).heading().split(" ")).stream()
                .map(String::length)
                .toList());
        return Math.max(longest, word);
    }

    private String line(List<ReportTable.Cell> cells, Run run) {
        List<String> padded = new ArrayList<>();
        for (int column = run.from(); column < run.to(); column++) {
            if (!empty[column]) {
                padded.add(padded(cells.get(column).words(), column));
            }
        }
        return String.join(BETWEEN, padded);
    }

    private String padded(String text, int column) {
        String room = " ".repeat(Math.max(0, widths[column] - text.length()));
        return head.get(column).kind().equals("n") ? room + text : text + room;
    }

    /** The headings of a run, broken between words so that none is wider than its column; the last line of each stands lowest. */
    private String heading(Run run) {
        List<List<String>> broken = new ArrayList<>();
        int high = 1;
        for (int column = run.from(); column < run.to(); column++) {
            broken.add(empty[column] ? List.of() : broken(head.get(column).heading(), widths[column]));
            high = Math.max(high, broken.get(broken.size() - 1).size());
        }
        List<String> lines = new ArrayList<>();
        for (int row = 0; row < high; row++) {
            List<ReportTable.Cell> cells = new ArrayList<>(Collections.nCopies(run.from(), NOTHING));
            for (List<String> words : broken) {
                int at = row - (high - words.size());
                cells.add(new ReportTable.Cell("", at < 0 ? "" : words.get(at)));
            }
            lines.add(line(cells, run));
        }
        return String.join("\n", lines);
    }

    private static List<String> broken(String heading, int width) {
        List<String> lines = new ArrayList<>();
        String line = "";
        for (String word : heading.split(" ")) {
            if (!line.isEmpty() && line.length() + 1 + word.length() > width) {
                lines.add(line);
                line = word;
            } else {
                line = line.isEmpty() ? word : line + " " + word;
            }
        }
        lines.add(line);
        return lines;
    }
}
