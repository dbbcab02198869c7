package markturn.formats;

import java.nio.charset.Charset;
import java.nio.charset.CharsetEncoder;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Halves;
import markturn.survey.job.Mark;
import markturn.survey.job.Units;
import markturn.survey.locate.CodeLines;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;

/**
 * Marks as a drawing in the open text form of DXF, release 12 (AC1009): a point and its name for each, lines by code, layers by code, text in
 * the size of a plan. X is easting, Y northing, in the job's unit.
 */
public final class DxfFile {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "dxf",
            "marks-1-{scale}.dxf",
            "image/vnd.dxf;charset=US-ASCII",
            "Drawing of the marks",
            "DXF, release 12: points, names and lines in layers by code, text for 1 : 500.",
            (result, scale) -> Optional.of(write(result, scale)));

    /** How high names stand on paper, metres. Common practice, no source. */
    private static final double TEXT_ON_PAPER = 0.002;

    /** The code page of Western Europe, which the header names. */
    private static final Charset CODE_PAGE = Charset.forName("windows-1252");

    private static final Pattern NO_LAYER = Pattern.compile("[^A-Z0-9$_-]");

    private final SurveyResult result;
    private final StringBuilder text = new StringBuilder();
    private final CharsetEncoder encoder = CODE_PAGE.newEncoder();

    private DxfFile(SurveyResult result) {
        this.result = result;
    }

    /**
     * Writes every mark that has a position.
     *
     * @param scale M of the plan's 1 : M, for the size of text; above 0
     */
    public static byte[] write(SurveyResult result, int scale) {
        return new DxfFile(result).written(scale).getBytes(CODE_PAGE);
    }

    private String written(int scale) {
        Units units = result.job().units();
        double unit = units.length().metres();
        pair(999, encoded("job " + result.job().name() + (result.job().isPractice() ? ", PRACTICE" : "")));
        pair(999, encoded(Version.program()));
        pair(999, encoded(Cautions.EXPORT));
        section("HEADER");
        pair(9, "$ACADVER");
        pair(1, "AC1009");
        pair(9, "$DWGCODEPAGE");
        pair(3, "ANSI_1252");
        pair(0, "ENDSEC");
        layers();
        section("ENTITIES");
        for (MeasuredMark mark : result.measured().marks()) {
            if (mark.position().isPresent()) {
                Position at = mark.position().get();
                String x = number(at.easting() / unit);
                String y = number(at.northing() / unit);
                String z = number(at.elevation().orElse(0) / unit);
                entity("POINT", layer(mark.mark()), x, y, z);
                entity("TEXT", layer(mark.mark()) + TEXT, x, y, z);
                pair(40, number(TEXT_ON_PAPER * scale / unit));
                pair(1, encoded(mark.name()));
            }
        }
        CodeLines.of(result.measured()).stream()
                .filter(line -> line.points().size() > 1)
                .forEach(line -> polyline(line, unit));
        pair(0, "ENDSEC");
        pair(0, "EOF");
        return text.toString();
    }

    private static final String TEXT = "-NAME";

    /** A line of a code in three dimensions (flag 8), closed with flag 1. */
    private void polyline(CodeLine line, double unit) {
        String layer = layer(line.points().get(0).mark());
        entity("POLYLINE", layer, "0.0000", "0.0000", "0.0000");
        pair(66, "1");
        pair(70, line.closed() ? "9" : "8");
        for (int i = 0; i < line.points().size(); i++) {
            Position at = line.at(i);
            entity(
                    "VERTEX",
                    layer,
                    number(at.easting() / unit),
                    number(at.northing() / unit),
                    number(at.elevation().orElse(0) / unit));
            pair(70, "32");
        }
        pair(0, "SEQEND");
        pair(8, layer);
    }

    private void layers() {
        Set<String> names = new LinkedHashSet<>();
        result.measured().marks().stream()
                .filter(mark -> mark.position().isPresent())
                .forEach(mark -> {
                    names.add(layer(mark.mark()));
                    names.add(layer(mark.mark()) + TEXT);
                });
        section("TABLES");
        pair(0, "TABLE");
        pair(2, "LAYER");
        pair(70, String.valueOf(names.size()));
        for (String name : names) {
            pair(0, "LAYER");
            pair(2, name);
            pair(70, "0");
            pair(62, "7");
            pair(6, "CONTINUOUS");
        }
        pair(0, "ENDTAB");
        pair(0, "ENDSEC");
    }

    /** The code; of marks without one their kind. Release 12 allows letters, digits, {@code $}, {@code -} and {@code _}. */
    private static String layer(Mark mark) {
        String name = mark.code().isEmpty() ? JobReader.key(mark.kind()) : mark.code();
        String plain = NO_LAYER.matcher(name.toUpperCase(Locale.ROOT)).replaceAll("_");
        return plain.substring(0, Math.min(24, plain.length()));
    }

    private void section(String name) {
        pair(0, "SECTION");
        pair(2, name);
    }

    private void entity(String kind, String layer, String x, String y, String z) {
        pair(0, kind);
        pair(8, layer);
        pair(10, x);
        pair(20, y);
        pair(30, z);
    }

    private void pair(int group, String value) {
        text.append(group < 10 ? "  " : group < 100 ? " " : "")
                .append(group)
                .append("\r\n")
                .append(value)
                .append("\r\n");
    }

    private static String number(double value) {
        return Halves.written(value, 4);
    }

    /** A line stays one line. What the code page has stands as it is; the rest in the format's escape, which some readers show as it stands. */
    private String encoded(String name) {
        StringBuilder plain = new StringBuilder();
        name.codePoints().forEach(c -> {
            boolean simple = c < 0x10000 && encoder.canEncode((char) c);
            if (c >= ' ' && c != 0x7f && simple) {
                plain.appendCodePoint(c);
            } else if (c > 0x7f && c < 0x10000) {
                plain.append(String.format(Locale.ROOT, "\\U+%04X", c));
            } else {
                plain.append('?');
            }
        });
        return plain.toString();
    }
}
