package markturn.web.review;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import markturn.survey.angle.Angles;
import markturn.survey.finding.resection.Circles;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.show.Display;
import org.springframework.web.util.HtmlUtils;

/**
 * A resection drawn: marks, rays with the angles between them, residuals and ellipse with the exaggeration that is stated, and the circle
 * through three marks where it is dangerous. North is up; drawing units.
 */
final class ResectionDrawing {
    static final double WIDTH = 560;
    static final double HEIGHT = 430;
    private static final double BORDER = 56;
    /** How long the largest residual, and how large the ellipse, are drawn. */
    private static final double SHOWN = 46;

    private static final double WIDEST_LABELLED = Math.toRadians(200);
    private static final double DANGER = 0.1;

    private final MeasuredSetup setup;
    private final List<Sighted> sights;
    private final Display show;
    private final Position station;
    private final double west;
    private final double north;
    private final double scale;
    private final StringBuilder svg = new StringBuilder();

    private ResectionDrawing(MeasuredSetup setup, Display show) {
        this.setup = setup;
        this.sights = setup.resected().orElseThrow().sights();
        this.show = show;
        this.station = setup.station().orElseThrow();
        double[] n = sights.stream().mapToDouble(Sighted::northing).toArray();
        double[] e = sights.stream().mapToDouble(Sighted::easting).toArray();
        double south =
                Math.min(station.northing(), java.util.Arrays.stream(n).min().orElse(0));
        double top =
                Math.max(station.northing(), java.util.Arrays.stream(n).max().orElse(0));
        double left =
                Math.min(station.easting(), java.util.Arrays.stream(e).min().orElse(0));
        double right =
                Math.max(station.easting(), java.util.Arrays.stream(e).max().orElse(0));
        this.scale = Math.min(
                (WIDTH - 2 * BORDER) / Math.max(1, right - left), (HEIGHT - 2 * BORDER) / Math.max(1, top - south));
        this.west = left - (WIDTH / scale - (right - left)) / 2;
        this.north = top + (HEIGHT / scale - (top - south)) / 2;
    }

    /** The drawing of a station that has a position. */
    static String svg(MeasuredSetup setup, Display show, Optional<Covariance> oneMore) {
        return new ResectionDrawing(setup, show).draw(oneMore);
    }

    /** Northing and easting under a point of the drawing. */
    static double[] placeAt(MeasuredSetup setup, Display show, double x, double y) {
        ResectionDrawing drawing = new ResectionDrawing(setup, show);
        return new double[] {drawing.north - y / drawing.scale, drawing.west + x / drawing.scale};
    }

    private double x(double easting) {
        return (easting - west) * scale;
    }

    private double y(double northing) {
        return (north - northing) * scale;
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }

    /** Appends markup with each {@code %s} filled in: a few dozen at every switch, so without a formatter. */
    private void put(String format, String... values) {
        int from = 0;
        for (String value : values) {
            int at = format.indexOf("%s", from);
            svg.append(format, from, at).append(value);
            from = at + 2;
        }
        svg.append(format, from, format.length());
    }

    private String draw(Optional<Covariance> oneMore) {
        dangerCircle();
        rays();
        angles();
        double residuals = niceFactor(largestResidual());
        strokes(residuals);
        boolean held = station.plan().equals(Covariance.NONE);
        double ellipse = niceFactor(station.plan().ellipse().semiMajor());
        if (!held) {
            ellipse(station.plan(), ellipse, "error-ellipse");
        }
        oneMore.ifPresent(plan -> ellipse(plan, ellipse, "error-ellipse one-more"));
        marks();
        put(
                "<circle cx='%s' cy='%s' r='9' class='station'/><text x='%s' y='%s' class='name'>%s</text>",
                f(x(station.easting())),
                f(y(station.northing())),
                f(x(station.easting()) + 13),
                f(y(station.northing()) + 18),
                HtmlUtils.htmlEscape(setup.setup().station()));
        put(
                "<g transform='translate(%s 34)' class='north'><path d='M0 22V-14M0 -14l-5 11M0 -14l5 11'/><text y='38' text-anchor='middle'>N</text></g>",
                f(WIDTH - 24));
        put(
                "<text x='8' y='%s' class='small'>residuals drawn %s times%s their size</text>",
                f(HEIGHT - 8), whole(residuals), held ? "" : ", ellipse " + whole(ellipse) + " times");
        return svg.toString();
    }

    private static String whole(double factor) {
        return Words.number(factor, 0).replaceAll("(?<=\\d)(?=(\\d{3})+$)", " ");
    }

    /** 1, 2 or 5 times a power of ten, so that what is that large is drawn at most as long as is shown well. */
    private double niceFactor(double metres) {
        double most = SHOWN / scale / Math.max(metres, 1e-5);
        double power = Math.pow(10, Math.floor(Math.log10(most)));
        double times = most / power;
        return Math.max(1, (times >= 5 ? 5 : times >= 2 ? 2 : 1) * power);
    }

    private double largestResidual() {
        return sights.stream().mapToDouble(s -> s.residual().orElse(0)).max().orElse(0);
    }

    private void rays() {
        for (Sighted sight : sights) {
            put(
                    "<line x1='%s' y1='%s' x2='%s' y2='%s' class='%s'/>",
                    f(x(station.easting())),
                    f(y(station.northing())),
                    f(x(sight.easting())),
                    f(y(sight.northing())),
                    sight.isUsed() ? "ray" : "ray unused");
        }
    }

    /** The angle between neighbouring rays, where there is room for it. */
    private void angles() {
        List<Double> azimuths = new ArrayList<>(sights.stream()
                .filter(Sighted::isUsed)
                .map(s ->
                        Angles.onCircle(Math.atan2(s.easting() - station.easting(), s.northing() - station.northing())))
                .sorted(Comparator.naturalOrder())
                .toList());
        for (int i = 0; i < azimuths.size(); i++) {
            double from = azimuths.get(i);
            double to = i + 1 < azimuths.size() ? azimuths.get(i + 1) : azimuths.get(0) + Angles.TURN;
            if (to - from < WIDEST_LABELLED && azimuths.size() > 1) {
                double middle = (from + to) / 2;
                put(
                        "<text x='%s' y='%s' text-anchor='middle' class='small'>%s°</text>",
                        f(x(station.easting()) + 56 * Math.sin(middle)),
                        f(y(station.northing()) - 56 * Math.cos(middle) + 4),
                        "" + Math.round(Math.toDegrees(to - from)));
            }
        }
    }

    /** Where each mark is seen from here, drawn from where its coordinates say it is. */
    private void strokes(double factor) {
        for (Sighted sight : sights) {
            double azimuth = Math.atan2(sight.easting() - station.easting(), sight.northing() - station.northing());
            double along = -sight.along().orElse(0);
            double across = -sight.across().orElse(0);
            double n = along * Math.cos(azimuth) - across * Math.sin(azimuth);
            double e = along * Math.sin(azimuth) + across * Math.cos(azimuth);
            if (Math.hypot(n, e) > 0) {
                put(
                        "<path d='M%s %sl%s %s' class='residual%s'/>",
                        f(x(sight.easting())),
                        f(y(sight.northing())),
                        f(e * factor * scale),
                        f(-n * factor * scale),
                        sight.isUsed() ? "" : " unused");
            }
        }
    }

    private void ellipse(Covariance plan, double factor, String kind) {
        Covariance.Ellipse ellipse = plan.ellipse();
        put(
                "<ellipse rx='%s' ry='%s' transform='translate(%s %s) rotate(%s)' class='%s'/>",
                f(Math.max(1, ellipse.semiMinor() * factor * scale)),
                f(ellipse.semiMajor() * factor * scale),
                f(x(station.easting())),
                f(y(station.northing())),
                f(Math.toDegrees(ellipse.azimuth())),
                kind);
    }

    private void dangerCircle() {
        List<Sighted> used = sights.stream().filter(Sighted::isUsed).toList();
        if (used.size() < 3 || used.stream().anyMatch(Sighted::length)) {
            return;
        }
        double[] circle = Circles.through(used.get(0), used.get(1), used.get(2));
        if (circle[2] * scale > 20 * WIDTH || Double.isNaN(circle[2])) {
            return;
        }
        boolean near = Circles.off(circle, station.northing(), station.easting()) < DANGER;
        put(
                "<circle cx='%s' cy='%s' r='%s' class='danger%s'/>",
                f(x(circle[1])), f(y(circle[0])), f(circle[2] * scale), near ? " near" : "");
    }

    private void marks() {
        for (Sighted sight : sights) {
            double px = x(sight.easting());
            double py = y(sight.northing());
            String anchor = px > WIDTH - 90 ? "end" : "start";
            put(
                    "<g class='mark%s' data-target='%s'><circle cx='%s' cy='%s' r='16' class='touch'/><path d='M%s %sl7 13h-14z' class='control'/><text x='%s' y='%s' text-anchor='%s' class='name'>%s</text><title>%s</title></g>",
                    sight.isUsed() ? "" : " unused",
                    HtmlUtils.htmlEscape(sight.target()),
                    f(px),
                    f(py),
                    f(px),
                    f(py - 8),
                    f(px + (anchor.equals("end") ? -12 : 12)),
                    f(py - 6),
                    anchor,
                    HtmlUtils.htmlEscape(sight.target()),
                    HtmlUtils.htmlEscape("%s: along %s, across %s %s"
                            .formatted(
                                    sight.target(),
                                    show.difference(sight.along()),
                                    show.difference(sight.across()),
                                    show.differenceSign())));
        }
    }
}
