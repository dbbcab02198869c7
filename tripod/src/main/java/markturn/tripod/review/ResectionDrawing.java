package markturn.tripod.review;

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
import markturn.survey.show.Sentence;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * A resection drawn: marks, rays with the angles between them, residuals and ellipse with the exaggeration that is stated, and the circle
 * through three marks where it is dangerous. North is up; drawing units.
 */
public final class ResectionDrawing {
    static final double WIDTH = 560;
    static final double HEIGHT = 430;
    private static final double BORDER = 56;
    /** How long the largest residual, and how large the ellipse, are drawn. */
    private static final double SHOWN = 46;

    private static final double WIDEST_LABELLED = Math.toRadians(200);

    private final MeasuredSetup setup;
    private final List<Sighted> sights;
    private final Display show;
    private final Position station;
    private final double west;
    private final double north;
    private final double scale;

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

    /**
     * The drawing of a station that has a position.
     *
     * @param oneMore how its position would be with one mark more; empty where none is tried
     */
    public static Shown of(MeasuredSetup setup, Display show, Optional<Covariance> oneMore) {
        Sheet shapes = new ResectionDrawing(setup, show).shapes(oneMore);
        return () -> shapes;
    }

    /** Northing and easting under a point of the drawing. */
    public static double[] placeAt(MeasuredSetup setup, Display show, double x, double y) {
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

    private Sheet shapes(Optional<Covariance> oneMore) {
        double residuals = niceFactor(largestResidual());
        boolean held = station.plan().equals(Covariance.NONE);
        double ellipse = niceFactor(station.plan().ellipse().semiMajor());
        List<Shown> ellipses = new ArrayList<>();
        if (!held) {
            ellipses.add(ellipse(station.plan(), ellipse, "error-ellipse"));
        }
        oneMore.ifPresent(plan -> ellipses.add(ellipse(plan, ellipse, "error-ellipse one-more")));
        Sheet shapes = Sheet.empty()
                .with("rays", sights.stream().map(this::ray).toList())
                .with("angles", angles())
                .with("strokes", strokes(residuals))
                .with("ellipses", ellipses)
                .with("marks", sights.stream().map(this::mark).toList())
                .with(
                        "station",
                        Sheet.empty()
                                .with("at", at(station.easting(), station.northing()))
                                .with("name", setup.setup().station()))
                .with(
                        "caption",
                        "residuals drawn " + whole(residuals) + " times"
                                + (held ? "" : ", ellipse " + whole(ellipse) + " times") + " their size");
        dangerCircle().ifPresent(danger -> shapes.with("danger", danger));
        return shapes;
    }

    /** Moves what is drawn to a place. */
    private String at(double easting, double northing) {
        return "translate(" + f(x(easting)) + " " + f(y(northing)) + ")";
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

    private Shown ray(Sighted sight) {
        return () -> Sheet.empty()
                .with("x1", f(x(station.easting())))
                .with("y1", f(y(station.northing())))
                .with("x2", f(x(sight.easting())))
                .with("y2", f(y(sight.northing())))
                .with("kind", sight.isUsed() ? "ray" : "ray unused");
    }

    /** The angle between neighbouring rays, where there is room for it. */
    private List<Shown> angles() {
        List<Shown> shown = new ArrayList<>();
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
                shown.add(() -> Sheet.empty()
                        .with("x", f(x(station.easting()) + 56 * Math.sin(middle)))
                        .with("y", f(y(station.northing()) - 56 * Math.cos(middle) + 4))
                        .with("words", Math.round(Math.toDegrees(to - from)) + "°"));
            }
        }
        return shown;
    }

    /** Where each mark is seen from here, drawn from where its coordinates say it is. */
    private List<Shown> strokes(double factor) {
        List<Shown> strokes = new ArrayList<>();
        for (Sighted sight : sights) {
            double azimuth = Math.atan2(sight.easting() - station.easting(), sight.northing() - station.northing());
            double along = -sight.along().orElse(0);
            double across = -sight.across().orElse(0);
            double n = along * Math.cos(azimuth) - across * Math.sin(azimuth);
            double e = along * Math.sin(azimuth) + across * Math.cos(azimuth);
            if (Math.hypot(n, e) > 0) {
                strokes.add(() -> Sheet.empty()
                        .with("at", at(sight.easting(), sight.northing()))
                        .with("d", "M0 0l" + f(e * factor * scale) + " " + f(-n * factor * scale))
                        .with("kind", sight.isUsed() ? "residual" : "residual unused"));
            }
        }
        return strokes;
    }

    private Shown ellipse(Covariance plan, double factor, String kind) {
        Covariance.Ellipse ellipse = plan.ellipse();
        return () -> Sheet.empty()
                .with("rx", f(Math.max(1, ellipse.semiMinor() * factor * scale)))
                .with("ry", f(ellipse.semiMajor() * factor * scale))
                .with(
                        "at",
                        at(station.easting(), station.northing()) + " rotate(" + f(Math.toDegrees(ellipse.azimuth()))
                                + ")")
                .with("kind", kind);
    }

    /** The circle through three marks, which fixes no station that lies on it; empty where lengths were measured too. */
    private Optional<Sheet> dangerCircle() {
        List<Sighted> used = sights.stream().filter(Sighted::isUsed).toList();
        if (used.size() < 3 || used.stream().anyMatch(Sighted::length)) {
            return Optional.empty();
        }
        double[] circle = Circles.through(used.get(0), used.get(1), used.get(2));
        if (circle[2] * scale > 20 * WIDTH || Double.isNaN(circle[2])) {
            return Optional.empty();
        }
        boolean near = Circles.off(circle, station.northing(), station.easting()) < Circles.nearSighted(circle, used);
        return Optional.of(Sheet.empty()
                .with("at", at(circle[1], circle[0]))
                .with("r", f(circle[2] * scale))
                .with("kind", near ? "danger near" : "danger"));
    }

    private Shown mark(Sighted sight) {
        boolean atTheEdge = x(sight.easting()) > WIDTH - 90;
        return () -> Sheet.empty()
                .with("at", at(sight.easting(), sight.northing()))
                .with("kind", sight.isUsed() ? "mark" : "mark unused")
                .with("target", sight.target())
                .with("dx", atTheEdge ? "-12" : "12")
                .with("anchor", atTheEdge ? "end" : "start")
                .with(
                        "words",
                        Sentence.of(
                                "%s: along %s, across %s %s",
                                sight.target(),
                                show.difference(sight.along()),
                                show.difference(sight.across()),
                                show.differenceSign()));
    }
}
