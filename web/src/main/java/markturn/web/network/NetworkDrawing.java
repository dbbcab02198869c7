package markturn.web.network;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import markturn.survey.SurveyResult;
import markturn.survey.finding.words.Words;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;
import markturn.survey.show.TrueScale;

/**
 * The marks of a network at true scale with their sights, and their ellipses of 95 %, exaggerated as stated. Drawing units; north is up.
 * What may be thousands is one path of all.
 *
 * @param marks those with a name beside them
 * @param points a path of the located points
 * @param ellipses a path of the marks' ellipses
 * @param relative a path of those between marks
 * @param sights a path of the sights
 */
public record NetworkDrawing(
        List<Dot> marks, String points, String ellipses, String relative, String sights, String words) {
    private static final double WIDTH = 520;
    private static final double HEIGHT = 420;
    private static final double BORDER = 50;
    /** How large the largest ellipse is drawn. */
    private static final double LARGEST = 26;

    private static final double POINT = 4;

    /** A mark; {@code held} where it did not move; its name stands left of it near the right border. */
    public record Dot(String name, boolean labelLeft, boolean held, boolean located, String x, String y) {
        private double across() {
            return Double.parseDouble(x);
        }

        private double down() {
            return Double.parseDouble(y);
        }
    }

    static NetworkDrawing of(NetworkPlaces where, Words words) {
        SurveyResult result = where.result();
        MeasuredNetwork network = where.network();
        Map<String, Position> found = where.adjusted();
        Map<String, Position> places = new TreeMap<>();
        network.observations().forEach(w -> {
            place(where, w.observation().target(), places);
            result.job().setup(w.setup()).ifPresent(s -> place(where, s.station(), places));
        });
        TrueScale scale = new TrueScale(places.values(), WIDTH, HEIGHT, BORDER);
        Map<String, Dot> dots = new TreeMap<>();
        places.forEach((name, at) -> {
            dots.put(
                    name,
                    new Dot(
                            name,
                            scale.across(at) > WIDTH - 2 * BORDER,
                            !found.containsKey(name),
                            where.isLocated(name),
                            scale.x(at),
                            scale.y(at)));
        });
        StringBuilder sights = new StringBuilder();
        network.observations()
                .forEach(w -> result.job().setup(w.setup()).ifPresent(s -> {
                    Dot from = dots.get(result.job().trueName(s.station()));
                    Dot to = dots.get(result.job().trueName(w.observation().target()));
                    sights.append("M").append(from.x()).append(' ').append(from.y());
                    sights.append("L").append(to.x()).append(' ').append(to.y());
                }));
        double largest = found.values().stream()
                .mapToDouble(p -> p.plan().ellipse().of95().semiMajor())
                .max()
                .orElse(0);
        double exaggerated = LARGEST / Math.max(1e-6, largest);
        StringBuilder ellipses = new StringBuilder();
        found.forEach((name, at) -> {
            Dot dot = dots.get(name);
            ellipses.append(
                    ellipse(dot.across(), dot.down(), at.plan().ellipse().of95(), exaggerated));
        });
        StringBuilder relative = new StringBuilder();
        network.relatives().forEach(pair -> {
            if (isDrawn(pair.one(), found, dots) && isDrawn(pair.other(), found, dots)) {
                Dot one = dots.get(pair.one());
                Dot other = dots.get(pair.other());
                relative.append(ellipse(
                        (one.across() + other.across()) / 2,
                        (one.down() + other.down()) / 2,
                        pair.plan().ellipse().of95(),
                        exaggerated));
            }
        });
        StringBuilder points = new StringBuilder();
        dots.values().stream()
                .filter(Dot::located)
                .forEach(dot -> points.append(ellipse(dot.across(), dot.down(), POINT, POINT, 0)));
        return new NetworkDrawing(
                dots.values().stream().filter(dot -> !dot.located()).toList(),
                points.toString(),
                ellipses.toString(),
                relative.toString(),
                sights.toString(),
                "ellipses of 95 %, between marks dashed; the largest of a mark is " + words.difference(largest));
    }

    /** Between located points there are too many. */
    private static boolean isDrawn(String name, Map<String, Position> found, Map<String, Dot> dots) {
        return found.containsKey(name) && !dots.get(name).located();
    }

    private static String ellipse(double x, double y, Covariance.Ellipse of, double exaggerated) {
        return ellipse(
                x,
                y,
                Math.max(1, of.semiMinor() * exaggerated),
                Math.max(1, of.semiMajor() * exaggerated),
                of.azimuth());
    }

    /** Two arcs, the axis {@code across} turned clockwise by {@code turn}, radians. */
    private static String ellipse(double x, double y, double across, double along, double turn) {
        double dx = across * Math.cos(turn);
        double dy = across * Math.sin(turn);
        String axes = "a" + f(across) + " " + f(along) + " " + f(Math.toDegrees(turn)) + " 1 0 ";
        return "M" + f(x - dx) + " " + f(y - dy) + axes + f(2 * dx) + " " + f(2 * dy) + axes + f(-2 * dx) + " "
                + f(-2 * dy);
    }

    private static void place(NetworkPlaces where, String called, Map<String, Position> places) {
        where.of(called).ifPresent(at -> places.put(where.result().job().trueName(called), at));
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
