package markturn.formats;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.IntConsumer;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import markturn.fieldbook.wire.Fault;
import markturn.survey.job.LengthUnit;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table of points as people write them: any order of columns, parted by commas, semicolons, tabs, bars or blanks, with a decimal point
 * or a decimal comma, with or without a heading. What each column seems to be is a proposal; somebody looks at it before it is taken.
 *
 * @param parted what parts the columns, in words
 * @param heading the first line where it names the columns; empty otherwise
 * @param remarks what was assumed about the file, in words
 */
public record PointTable(
        String parted, boolean decimalComma, List<String> heading, List<Row> rows, List<String> remarks) {
    private static final int MOST_ROWS = 200_000;
    private static final int MOST_COLUMNS = 60;
    private static final int LONGEST_FIELD = 2000;
    private static final int LOOKED_AT = 200;
    private static final Pattern POINT_NUMBER = Pattern.compile("[+-]?(\\d{1,12}(\\.\\d{0,15})?|\\.\\d{1,15})");
    private static final Pattern COMMA_NUMBER = Pattern.compile("[+-]?(\\d{1,12}(,\\d{0,15})?|,\\d{1,15})");

    /** One line of the file, numbered from 1. */
    public record Row(long line, List<String> fields) {}

    /** What a column can be. */
    public enum Meaning {
        NAME("name"),
        NORTHING("northing"),
        EASTING("easting"),
        ELEVATION("elevation"),
        CODE("code"),
        NOTHING("left out");

        private final String words;

        Meaning(String words) {
            this.words = words;
        }

        /** The word on screen and in faults. */
        public String words() {
            return words;
        }
    }

    /** Headings by which columns are known; x and y are left to whoever reads, as both orders are in use. */
    private static final Map<Meaning, List<String>> HEADINGS = Map.of(
            Meaning.NAME, List.of("name", "point", "mark", "id", "number", "nr", "no", "pt", "point name", "station"),
            Meaning.NORTHING, List.of("northing", "north", "n"),
            Meaning.EASTING, List.of("easting", "east", "e"),
            Meaning.ELEVATION, List.of("elevation", "height", "h", "z", "level", "elev"),
            Meaning.CODE, List.of("code", "description", "desc", "feature"));

    /**
     * Reads a table.
     *
     * @throws FaultyFile where it is no text, has no lines, or is larger than is read
     */
    public static PointTable read(byte[] file) throws FaultyFile {
        List<String> remarks = new ArrayList<>();
        String text = TextOfFile.read(file, remarks);
        List<String> lines = text.lines()
                .filter(line -> !line.isBlank() && !line.startsWith("#"))
                .limit(LOOKED_AT)
                .toList();
        if (lines.isEmpty()) {
            throw fault("", "the file has no lines; expected one point a line");
        }
        char delimiter = delimiter(lines);
        List<Row> rows = delimiter == ' ' ? byBlanks(text) : byDelimiter(text, delimiter);
        if (rows.isEmpty()) {
            throw fault("", "the file has no lines; expected one point a line");
        }
        boolean comma = delimiter != ',' && usesComma(rows);
        boolean headed = rows.size() > 1 && !hasTwoNumbers(rows.get(0), comma) && hasTwoNumbers(rows.get(1), comma);
        return new PointTable(
                words(delimiter),
                comma,
                headed ? rows.get(0).fields() : List.of(),
                headed ? rows.subList(1, rows.size()) : rows,
                remarks);
    }

    /** What parts most lines into the same three columns or more; a semicolon before a tab, a bar, a comma, a blank. */
    private static char delimiter(List<String> lines) {
        char best = ' ';
        long most = 0;
        for (char candidate : new char[] {';', '\t', '|', ','}) {
            Map<Long, Long> counts = lines.stream()
                    .map(line -> line.chars().filter(c -> c == candidate).count())
                    .filter(count -> count >= 2)
                    .collect(Collectors.groupingBy(c -> c, Collectors.counting()));
            long same =
                    counts.values().stream().mapToLong(Long::longValue).max().orElse(0);
            if (same > most) {
                most = same;
                best = candidate;
            }
        }
        return best;
    }

    private static String words(char delimiter) {
        return switch (delimiter) {
            case ';' -> "semicolons";
            case '\t' -> "tabs";
            case '|' -> "bars";
            case ',' -> "commas";
            default -> "blanks";
        };
    }

    private static List<Row> byBlanks(String text) throws FaultyFile {
        List<Row> rows = new ArrayList<>();
        long number = 0;
        for (String line : (Iterable<String>) text.lines()::iterator) {
            number++;
            if (!line.isBlank() && !line.startsWith("#")) {
                add(rows, number, Arrays.asList(line.strip().split("\\s+")));
            }
        }
        return rows;
    }

    private static List<Row> byDelimiter(String text, char delimiter) throws FaultyFile {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .setCommentMarker('#')
                .setLenientEof(true)
                .setTrailingData(true)
                .get();
        List<Row> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            long begun = 1;
            for (CSVRecord csv : parser) {
                List<String> fields = csv.stream().map(String::strip).toList();
                if (fields.stream().anyMatch(field -> !field.isEmpty())) {
                    add(rows, begun, fields);
                }
                begun = parser.getCurrentLineNumber() + 1;
            }
            return rows;
        } catch (IOException | java.io.UncheckedIOException broken) {
            throw fault(
                    "line " + (rows.isEmpty() ? 1 : rows.get(rows.size() - 1).line() + 1),
                    "a quotation mark is not closed, or stands inside a field; expected one point a line");
        }
    }

    private static void add(List<Row> rows, long line, List<String> fields) throws FaultyFile {
        if (rows.size() == MOST_ROWS) {
            throw fault("line " + line, "more lines than are read; at most %d".formatted(MOST_ROWS));
        }
        if (fields.size() > MOST_COLUMNS || fields.stream().anyMatch(f -> f.length() > LONGEST_FIELD)) {
            throw fault(
                    "line " + line,
                    "more than %d columns, or a field of more than %d characters"
                            .formatted(MOST_COLUMNS, LONGEST_FIELD));
        }
        rows.add(new Row(line, fields));
    }

    private static boolean usesComma(List<Row> rows) {
        long commas = 0;
        long points = 0;
        for (Row row : rows.subList(0, Math.min(rows.size(), LOOKED_AT))) {
            for (String field : row.fields()) {
                commas += field.contains(",") && COMMA_NUMBER.matcher(field).matches() ? 1 : 0;
                points += field.contains(".") && POINT_NUMBER.matcher(field).matches() ? 1 : 0;
            }
        }
        return commas > points;
    }

    private static boolean hasTwoNumbers(Row row, boolean comma) {
        return row.fields().stream().filter(f -> number(f, comma).isPresent()).count() >= 2;
    }

    /** How many columns the widest line has. */
    public int columns() {
        return Math.max(
                heading.size(),
                rows.stream().mapToInt(row -> row.fields().size()).max().orElse(0));
    }

    /** What each column seems to be: by its heading, or without one by the order name, northing, easting, elevation, code. */
    public List<Meaning> proposal() {
        List<Meaning> meanings = new ArrayList<>();
        int columns = columns();
        for (int column = 0; column < columns; column++) {
            meanings.add(heading.isEmpty() ? Meaning.NOTHING : byHeading(heading, column, meanings));
        }
        if (heading.isEmpty()) {
            List<Meaning> usual =
                    List.of(Meaning.NAME, Meaning.NORTHING, Meaning.EASTING, Meaning.ELEVATION, Meaning.CODE);
            for (int column = 0; column < Math.min(columns, usual.size()); column++) {
                meanings.set(column, usual.get(column));
            }
        }
        return meanings;
    }

    private static Meaning byHeading(List<String> heading, int column, List<Meaning> taken) {
        String word = column < heading.size() ? plain(heading.get(column)) : "";
        return HEADINGS.entrySet().stream()
                .filter(known -> known.getValue().contains(word) && !taken.contains(known.getKey()))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(Meaning.NOTHING);
    }

    /** A heading without its unit: {@code northing_us_ft} and {@code Northing (m)} are northing. */
    private static String plain(String heading) {
        return heading.toLowerCase(Locale.ROOT)
                .replaceAll("[\\[(].*", "")
                .replaceAll("[_ ](us[_ ]?ft|ft|m)$", "")
                .replace('_', ' ')
                .strip();
    }

    /** A unit that the heading names; empty where it names none. */
    public java.util.Optional<LengthUnit> unitOfHeading() {
        String all = String.join(" ", heading).toLowerCase(Locale.ROOT);
        if (all.matches(".*[_ (\\[]us[_ -]?ft.*")) {
            return java.util.Optional.of(LengthUnit.US_SURVEY_FOOT);
        }
        if (all.matches(".*[_ (\\[]ft\\b.*")) {
            return java.util.Optional.of(LengthUnit.FOOT);
        }
        return all.matches(".*[_ (\\[]m\\b.*") ? java.util.Optional.of(LengthUnit.METRE) : java.util.Optional.empty();
    }

    private static OptionalDouble number(String text, boolean comma) {
        if (!(comma ? COMMA_NUMBER : POINT_NUMBER).matcher(text).matches()) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(Double.parseDouble(text.replace(',', '.')));
    }

    /**
     * The points of the table.
     *
     * @param meanings of each column; one name, northing and easting are needed
     * @param unit in which the lengths stand
     * @param comma whether a comma is the decimal sign
     * @param progress told how many lines are read; may throw to cancel
     */
    public ImportedPoints points(List<Meaning> meanings, LengthUnit unit, boolean comma, IntConsumer progress) {
        ImportedPoints.Growing growing = new ImportedPoints.Growing();
        remarks.forEach(growing::remark);
        for (Meaning needed : List.of(Meaning.NAME, Meaning.NORTHING, Meaning.EASTING)) {
            long columns = meanings.stream().filter(m -> m == needed).count();
            if (columns != 1) {
                growing.fault(
                        "columns",
                        columns + " with " + needed.words(),
                        "expected exactly one column with the " + needed.words());
                return growing.done();
            }
        }
        int done = 0;
        for (Row row : rows) {
            progress.accept(++done);
            point(row, meanings, unit, comma, growing);
        }
        return growing.done();
    }

    private static void point(
            Row row, List<Meaning> meanings, LengthUnit unit, boolean comma, ImportedPoints.Growing to) {
        String place = "line " + row.line();
        OptionalDouble north = length(row, meanings, Meaning.NORTHING, comma, to);
        OptionalDouble east = length(row, meanings, Meaning.EASTING, comma, to);
        String written = field(row, meanings, Meaning.ELEVATION);
        OptionalDouble up =
                written.isEmpty() ? OptionalDouble.empty() : length(row, meanings, Meaning.ELEVATION, comma, to);
        if (north.isEmpty() || east.isEmpty() || !written.isEmpty() && up.isEmpty()) {
            return;
        }
        double metres = unit.metres();
        to.add(new ImportedPoint(
                field(row, meanings, Meaning.NAME),
                north.getAsDouble() * metres,
                east.getAsDouble() * metres,
                up.isPresent() ? OptionalDouble.of(up.getAsDouble() * metres) : up,
                field(row, meanings, Meaning.CODE),
                place));
    }

    private static String field(Row row, List<Meaning> meanings, Meaning meaning) {
        int column = meanings.indexOf(meaning);
        return column >= 0 && column < row.fields().size() ? row.fields().get(column) : "";
    }

    private static OptionalDouble length(
            Row row, List<Meaning> meanings, Meaning meaning, boolean comma, ImportedPoints.Growing to) {
        String text = field(row, meanings, meaning);
        OptionalDouble value = number(text, comma);
        if (value.isEmpty()) {
            to.fault(
                    "line %d, %s".formatted(row.line(), meaning.words()),
                    text,
                    comma ? "expected a number such as 1234,567" : "expected a number such as 1234.567");
        }
        return value;
    }

    static FaultyFile fault(String place, String expected) {
        return new FaultyFile(List.of(new Fault(place.isEmpty() ? "the file" : place, "", expected)));
    }
}
