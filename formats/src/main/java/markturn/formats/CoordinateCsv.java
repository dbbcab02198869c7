package markturn.formats;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Halves;
import markturn.survey.job.Units;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Coordinates as comma-separated values: RFC 4180, UTF-8, one line a mark, the units in the header. */
public final class CoordinateCsv {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "csv",
            "coordinates.csv",
            "text/csv;charset=UTF-8",
            "Coordinates",
            "CSV: every mark with a position, its standard deviations and where it comes from.",
            (result, scale) -> Optional.of(write(result)));

    private CoordinateCsv() {}

    /** Writes every mark that has a position. */
    public static byte[] write(SurveyResult result) {
        Units units = result.job().units();
        String unit = "_" + units.length().key().replace('-', '_');
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "name",
                    "kind",
                    "northing" + unit,
                    "easting" + unit,
                    "elevation" + unit,
                    "std_dev_northing" + unit,
                    "std_dev_easting" + unit,
                    "std_dev_elevation" + unit,
                    "code",
                    "from",
                    "remark");
            // Asked once: a job of many readings is looked through for it.
            boolean practice = result.job().isPractice();
            for (MeasuredMark mark : result.measured().marks()) {
                if (mark.stated().isPresent()) {
                    print(csv, mark, mark.stated().get(), units, practice);
                }
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void print(CSVPrinter csv, MeasuredMark mark, Position at, Units units, boolean practice)
            throws IOException {
        OptionalDouble variance = at.elevationVariance();
        csv.printRecord(
                harmless(mark.name()),
                JobReader.key(mark.mark().kind()),
                number(at.northing(), units),
                number(at.easting(), units),
                number(at.elevation(), units),
                number(Math.sqrt(at.plan().nn()), units),
                number(Math.sqrt(at.plan().ee()), units),
                number(variance.isPresent() ? OptionalDouble.of(Math.sqrt(variance.getAsDouble())) : variance, units),
                harmless(mark.mark().code()),
                harmless(mark.from().orElse("given")),
                practice ? "PRACTICE" : "");
    }

    /** A spreadsheet takes a leading =, +, - or @ for a formula, whatever blanks stand before it. */
    static String harmless(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    private static String number(OptionalDouble metres, Units units) {
        return metres.isPresent() ? number(metres.getAsDouble(), units) : "";
    }

    private static String number(double metres, Units units) {
        return Halves.written(metres / units.length().metres(), 4);
    }
}
