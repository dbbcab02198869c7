package markturn.formats;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Halves;
import markturn.survey.epoch.Epoch;
import markturn.survey.epoch.FigureComparison;
import markturn.survey.epoch.Movement;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.network.FreeFigure;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What moved between two epochs, as CSV (RFC 4180) and GeoJSON (RFC 7946): the shifts of all common marks with their deviations, the test of
 * each and what would have shown; in the job's unit of length.
 */
public final class MovementFiles {
    private static final int PLACES = 5;

    private MovementFiles() {}

    /** One line a mark; a part that was not compared is empty. */
    public static byte[] csv(SurveyResult job, WhatMoved what) {
        double unit = job.job().units().length().metres();
        String in = "_" + job.job().units().length().key().replace('-', '_');
        Set<String> marks = new LinkedHashSet<>();
        what.plan().ifPresent(plan -> plan.movements().forEach(m -> marks.add(m.mark())));
        what.elevations().ifPresent(up -> up.movements().forEach(m -> marks.add(m.mark())));
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "mark",
                    "earlier",
                    "later",
                    "part",
                    "north" + in,
                    "east" + in,
                    "std_dev_north" + in,
                    "std_dev_east" + in,
                    "statistic_plan",
                    "limit_plan",
                    "would_have_shown_plan" + in,
                    "up" + in,
                    "std_dev_up" + in,
                    "statistic_up",
                    "limit_up",
                    "would_have_shown_up" + in,
                    "moved",
                    "remark");
            boolean practice = job.job().isPractice();
            for (String mark : marks) {
                Optional<Movement> plan = movement(what.plan(), mark);
                Optional<Movement> up = movement(what.elevations(), mark);
                boolean moved = plan.filter(Movement::moved).isPresent()
                        || up.filter(Movement::moved).isPresent();
                csv.printRecord(
                        CoordinateCsv.harmless(mark),
                        CoordinateCsv.harmless(what.earlier().name()),
                        CoordinateCsv.harmless(what.later().name()),
                        plan.or(() -> up).map(m -> m.part().words()).orElse(""),
                        plan.map(m -> number(m.shift()[0] / unit)).orElse(""),
                        plan.map(m -> number(m.shift()[1] / unit)).orElse(""),
                        plan.map(m -> number(Math.sqrt(m.covariance()[0][0]) / unit))
                                .orElse(""),
                        plan.map(m -> number(Math.sqrt(m.covariance()[1][1]) / unit))
                                .orElse(""),
                        plan.map(m -> number(m.statistic())).orElse(""),
                        plan.map(m -> number(m.limit())).orElse(""),
                        plan.map(m -> number(m.detectable() / unit)).orElse(""),
                        up.map(m -> number(m.shift()[0] / unit)).orElse(""),
                        up.map(m -> number(Math.sqrt(m.covariance()[0][0]) / unit))
                                .orElse(""),
                        up.map(m -> number(m.statistic())).orElse(""),
                        up.map(m -> number(m.limit())).orElse(""),
                        up.map(m -> number(m.detectable() / unit)).orElse(""),
                        moved ? "yes" : "no",
                        practice ? "PRACTICE" : "");
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Each mark as a line from where it was to where it is, in the job's coordinates; nothing is enlarged. */
    public static byte[] geoJson(SurveyResult job, WhatMoved what) {
        double unit = job.job().units().length().metres();
        ObjectNode file = GeoJsonFile.collection(
                job,
                "job coordinates, easting, northing in "
                        + job.job().units().length().key());
        file.put("earlier", what.earlier().name()).put("later", what.later().name());
        file.putObject("crs").put("type", "name").putObject("properties").put("name", GeoJsonFile.system(job));
        ArrayNode features = (ArrayNode) file.get("features");
        for (Movement movement : what.plan().map(FigureComparison::movements).orElse(java.util.List.of())) {
            double[] from = place(what.earlier(), movement.mark());
            ObjectNode feature = features.addObject().put("type", "Feature");
            ArrayNode line =
                    feature.putObject("geometry").put("type", "LineString").putArray("coordinates");
            add(line, from[0], from[1], unit);
            add(line, from[0] + movement.shift()[0], from[1] + movement.shift()[1], unit);
            feature.putObject("properties")
                    .put("mark", movement.mark())
                    .put("part", movement.part().words())
                    .put("moved", movement.moved())
                    .put("length", rounded(movement.length() / unit))
                    .put("stdDev", rounded(movement.lengthStdDev() / unit))
                    .put("wouldHaveShown", rounded(movement.detectable() / unit));
        }
        return GeoJsonFile.bytes(file);
    }

    private static double[] place(Epoch epoch, String mark) {
        FreeFigure figure = epoch.plan().orElseThrow();
        int at = 2 * figure.marks().indexOf(mark);
        return Arrays.copyOfRange(figure.values(), at, at + 2);
    }

    private static void add(ArrayNode line, double northing, double easting, double unit) {
        line.addArray().add(rounded(easting / unit)).add(rounded(northing / unit));
    }

    private static Optional<Movement> movement(Optional<FigureComparison> of, String mark) {
        return of.flatMap(comparison -> comparison.movement(mark));
    }

    private static String number(double value) {
        return Halves.written(value, 5);
    }

    private static BigDecimal rounded(double value) {
        return Halves.rounded(value, PLACES);
    }
}
