package markturn.web.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import markturn.survey.finding.Finding;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.web.fieldbook.Book;
import markturn.web.frame.Display;

/**
 * The plan of a job: control as triangles, stations as circles, located points as dots, rays between. Drawing units are picture points of
 * a sheet {@link #WIDTH} by {@link #HEIGHT}; north is up.
 */
public record PlanDrawing(List<Symbol> symbols, List<Ray> rays, String barLength, String barWords, boolean isEmpty) {
    public static final int WIDTH = 1000;
    public static final int HEIGHT = 620;
    private static final double BORDER = 70;
    private static final double WIDEST_BAR = 220;

    /** One mark; {@code numbers} is what a tap shows. */
    public record Symbol(
            String name,
            String kind,
            boolean station,
            boolean trouble,
            String x,
            String y,
            Label label,
            String numbers,
            String url) {}

    /** Where the name stands beside its symbol; {@code shown} only when asked for where there is no room. */
    public record Label(int dx, int dy, String anchor, boolean shown) {}

    /** One sight; a backsight is drawn heavier. */
    public record Ray(String x1, String y1, String x2, String y2, boolean backsight) {}

    private record Sheet(double west, double north, double scale) {
        String x(Position at) {
            return format(BORDER + (at.easting() - west) * scale);
        }

        String y(Position at) {
            return format(BORDER + (north - at.northing()) * scale);
        }
    }

    static PlanDrawing of(Book book, Display show) {
        List<MeasuredMark> placed = book.result().measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        if (placed.isEmpty()) {
            return new PlanDrawing(List.of(), List.of(), "0", "", true);
        }
        Sheet sheet = sheet(placed);
        double bar = niceBar(WIDEST_BAR / sheet.scale() / show.units().length().metres());
        Labels labels = new Labels();
        return new PlanDrawing(
                placed.stream().map(m -> symbol(book, m, sheet, show, labels)).toList(),
                rays(book, sheet),
                format(bar * show.units().length().metres() * sheet.scale()),
                show.number(bar, bar < 1 ? 1 : 0) + " " + show.lengthSign(),
                false);
    }

    private static Sheet sheet(List<MeasuredMark> placed) {
        double west = Double.MAX_VALUE;
        double east = -Double.MAX_VALUE;
        double south = Double.MAX_VALUE;
        double north = -Double.MAX_VALUE;
        for (MeasuredMark mark : placed) {
            Position at = mark.position().orElseThrow();
            west = Math.min(west, at.easting());
            east = Math.max(east, at.easting());
            south = Math.min(south, at.northing());
            north = Math.max(north, at.northing());
        }
        double scale = Math.min(
                (WIDTH - 2 * BORDER) / Math.max(east - west, 1), (HEIGHT - 2 * BORDER) / Math.max(north - south, 1));
        double spare = (WIDTH - 2 * BORDER - (east - west) * scale) / 2;
        return new Sheet(west - spare / scale, north, scale);
    }

    /** The largest of 1, 2, 5 times a power of ten that fits. */
    private static double niceBar(double most) {
        double power = Math.pow(10, Math.floor(Math.log10(most)));
        double times = most / power;
        return (times >= 5 ? 5 : times >= 2 ? 2 : 1) * power;
    }

    private static Symbol symbol(Book book, MeasuredMark mark, Sheet sheet, Display show, Labels labels) {
        Position at = mark.position().orElseThrow();
        boolean station = book.job().setups().stream()
                .anyMatch(s -> book.job().trueName(s.station()).equals(mark.name()));
        boolean trouble = book.result().findings().stream()
                .anyMatch(f -> f.severity() == Finding.Severity.STOP
                        && f.target().equals(mark.name())
                        && f.answer().isEmpty());
        String precision = mark.mark().kind() == Mark.Kind.CONTROL
                ? "held"
                : "standard deviation N %s, E %s %s"
                        .formatted(
                                show.rootDeviation(at.plan().nn()),
                                show.rootDeviation(at.plan().ee()),
                                show.differenceSign());
        return new Symbol(
                mark.name(),
                mark.mark().kind().name().toLowerCase(Locale.ROOT),
                station,
                trouble,
                sheet.x(at),
                sheet.y(at),
                labels.place(mark.name(), Double.parseDouble(sheet.x(at)), Double.parseDouble(sheet.y(at))),
                "%s: N %s, E %s, H %s; %s; %s"
                        .formatted(
                                mark.name(),
                                show.length(at.northing()),
                                show.length(at.easting()),
                                show.length(at.elevation()),
                                mark.from().map(f -> "from " + f).orElse("given"),
                                precision),
                "/job/" + book.jobId() + "/point/" + mark.name());
    }

    private static List<Ray> rays(Book book, Sheet sheet) {
        List<Ray> rays = new ArrayList<>();
        for (MeasuredSetup setup : book.result().measured().setups()) {
            if (setup.station().isEmpty()) {
                continue;
            }
            Position from = setup.station().get();
            for (Shot shot : setup.shots()) {
                Optional<Position> to = book.result()
                        .measured()
                        .mark(book.job().trueName(shot.fix().target()))
                        .flatMap(MeasuredMark::position);
                to.ifPresent(p -> rays.add(new Ray(
                        sheet.x(from),
                        sheet.y(from),
                        sheet.x(p),
                        sheet.y(p),
                        shot.fix().role() == Reading.Role.BACKSIGHT)));
            }
        }
        return rays;
    }

    private static String format(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
