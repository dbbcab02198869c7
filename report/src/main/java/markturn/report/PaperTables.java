package markturn.report;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.unbescape.html.HtmlEscape;

/**
 * The tables of the page as they are set on paper: a renderer lays out every cell by itself, and thousands of rows have tens of thousands.
 * Columns of numbers that adjoin are therefore set as one cell of fixed-width type, padded so that they stand below each other; of a table
 * of class {@code lines} all columns but that of the reasons, and those without any entry are left out. The words and numbers are the same
 * in the same order.
 */
final class PaperTables {
    private static final Pattern TABLE = Pattern.compile(
            "<table(?: class=\"([^\"]*)\")?><thead><tr>(.*?)</tr></thead>\\s*<tbody>(.*?)</tbody></table>",
            Pattern.DOTALL);

    private static final Pattern ROW = Pattern.compile("<tr(?: class=\"([^\"]*)\")?>(.*?)</tr>", Pattern.DOTALL);
    private static final Pattern CELL = Pattern.compile("<t[dh](?: class=\"([^\"]*)\")?>([^<]*)</t[dh]>");
    private static final String BETWEEN = "  ";

    /** One cell as it stands in the page. */
    private record Cell(String kind, String text) {
        int length() {
            return text.length();
        }
    }

    private record Row(String kind, List<Cell> cells) {}

    /** Columns that stand in one cell, from the first up to but not including the last. */
    private record Run(int from, int to) {}

    private final boolean lines;
    private final List<Cell> head;
    private final List<Row> rows;
    private final List<Run> runs = new ArrayList<>();
    private final int[] widths;
    private final boolean[] empty;

    private PaperTables(boolean lines, List<Cell> head, List<Row> rows) {
        this.lines = lines;
        this.head = head;
        this.rows = rows;
        this.widths = IntStream.range(0, head.size()).map(this::widthOf).toArray();
        this.empty = new boolean[head.size()];
        for (int column = 0; column < head.size(); column++) {
            int at = column;
            // Left out is only a column of lines: in a computation an empty one says that nothing was there.
            empty[column] = lines
                    && rows.stream().allMatch(row -> row.cells().get(at).text().isBlank());
        }
        int from = 0;
        for (int column = 1; column <= head.size(); column++) {
            if (column == head.size() || !isPacked(column) || !isPacked(column - 1)) {
                runs.add(new Run(from, column));
                from = column;
            }
        }
    }

    /** A page of the report with its tables as they are set on paper. A table that holds more than plain cells stays as it is. */
    static String in(String page) {
        return TABLE.matcher(page)
                .replaceAll(table -> Matcher.quoteReplacement(packed(
                        table.group(), table.group(1) == null ? "" : table.group(1), table.group(2), table.group(3))));
    }

    private static String packed(String asItIs, String kind, String head, String body) {
        List<Cell> columns = cells(head);
        List<Row> rows = ROW.matcher(body)
                .results()
                .map(row -> new Row(row.group(1) == null ? "" : row.group(1), cells(row.group(2))))
                .toList();
        boolean plain =
                !columns.isEmpty() && rows.stream().allMatch(row -> row.cells().size() == columns.size());
        if (!plain) {
            return asItIs;
        }
        PaperTables table = new PaperTables(kind.equals("lines"), columns, rows);
        String open = kind.isEmpty() ? "<table>" : "<table class=\"" + kind + "\">";
        return open + "<thead>" + table.written(new Row("", columns), "th") + "</thead><tbody>"
                + rows.stream().map(row -> table.written(row, "td")).collect(Collectors.joining()) + "</tbody></table>";
    }

    /** Empty where it holds anything but plain cells. */
    private static List<Cell> cells(String row) {
        List<Cell> cells = new ArrayList<>();
        Matcher cell = CELL.matcher(row);
        int end = 0;
        while (cell.find()) {
            if (!row.substring(end, cell.start()).isBlank()) {
                return List.of();
            }
            cells.add(new Cell(cell.group(1) == null ? "" : cell.group(1), HtmlEscape.unescapeHtml(cell.group(2))));
            end = cell.end();
        }
        return row.substring(end).isBlank() ? cells : List.of();
    }

    private boolean isPacked(int column) {
        String kind = head.get(column).kind();
        return lines ? !kind.equals("why") : kind.equals("n");
    }

    private int widthOf(int column) {
        int longest = rows.stream()
                .mapToInt(row -> row.cells().get(column).length())
                .max()
                .orElse(0);
        int word = Collections.max(List.of(head.get(column).text().split(" ")).stream()
                .map(String::length)
                .toList());
        return Math.max(longest, word);
    }

    private String written(Row row, String tag) {
        StringBuilder written = new StringBuilder(row.kind().isEmpty() ? "<tr>" : "<tr class=\"" + row.kind() + "\">");
        for (Run run : runs) {
            Cell first = row.cells().get(run.from());
            if (empty[run.from()] && run.to() == run.from() + 1) {
                continue;
            }
            if (isPacked(run.from()) && run.to() > run.from() + 1) {
                written.append(cell(tag, "pack", tag.equals("th") ? heading(run) : line(row.cells(), run)));
            } else {
                written.append(cell(tag, first.kind(), first.text()));
            }
        }
        return written.append("</tr>").toString();
    }

    private static String cell(String tag, String kind, String text) {
        return (kind.isEmpty() ? "<" + tag + ">" : "<" + tag + " class=\"" + kind + "\">")
                + HtmlEscape.escapeHtml5Xml(text)
                + "</" + tag + ">";
    }

    private String line(List<Cell> cells, Run run) {
        List<String> padded = new ArrayList<>();
        for (int column = run.from(); column < run.to(); column++) {
            if (!empty[column]) {
                padded.add(padded(cells.get(column).text(), column));
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
            broken.add(empty[column] ? List.of() : broken(head.get(column).text(), widths[column]));
            high = Math.max(high, broken.get(broken.size() - 1).size());
        }
        List<String> lines = new ArrayList<>();
        for (int row = 0; row < high; row++) {
            List<Cell> cells = new ArrayList<>(Collections.nCopies(run.from(), new Cell("", "")));
            for (List<String> words : broken) {
                int at = row - (high - words.size());
                cells.add(new Cell("", at < 0 ? "" : words.get(at)));
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
