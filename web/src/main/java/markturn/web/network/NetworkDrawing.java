package markturn.web.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import markturn.survey.SurveyResult;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;
import markturn.survey.show.TrueScale;

/** The marks of a network at true scale with their sights, and their ellipses of 95 %, exaggerated as stated. Drawing units; north is up. */
public record NetworkDrawing(
        List<Dot> marks, List<Ellipse> ellipses, List<Ellipse> relative, String sights, String words) {
    private static final double WIDTH = 520;
    private static final double HEIGHT = 420;
    private static final double BORDER = 50;
    /** How large the largest ellipse is drawn. */
    private static final double LARGEST = 26;

    /** A mark; {@code held} where it did not move; its label is empty where many stand close, and left of it near the right border. */
    public record Dot(String name, String label, boolean labelLeft, boolean held, String x, String y) {}

    /** An ellipse about a mark. */
    public record Ellipse(String x, String y, String rx, String ry, String turn) {}

    static NetworkDrawing of(SurveyResult result, MeasuredNetwork network, Words words) {
        Map<String, Position> places = new TreeMap<>();
        Map<String, Position> found = new TreeMap<>();
        network.marks().forEach(m -> found.put(m.name(), m.position()));
        network.observations().forEach(w -> {
            place(result, found, w.observation().target(), places);
            result.job().setup(w.setup()).ifPresent(s -> place(result, found, s.station(), places));
        });
        TrueScale scale = new TrueScale(places.values(), WIDTH, HEIGHT, BORDER);
        List<Dot> dots = new ArrayList<>();
        places.forEach((name, at) -> {
            boolean located = result.job()
                    .mark(name)
                    .filter(m -> m.kind() == Mark.Kind.LOCATED)
                    .isPresent();
            dots.add(new Dot(
                    name,
                    located ? "" : name,
                    scale.across(at) > WIDTH - 2 * BORDER,
                    !found.containsKey(name),
                    scale.x(at),
                    scale.y(at)));
        });
        StringBuilder sights = new StringBuilder();
        network.observations()
                .forEach(w -> result.job().setup(w.setup()).ifPresent(s -> {
                    Dot from = dot(dots, result.job().trueName(s.station()));
                    Dot to = dot(dots, result.job().trueName(w.observation().target()));
                    sights.append("M%s %sL%s %s".formatted(from.x(), from.y(), to.x(), to.y()));
                }));
        double largest = found.values().stream()
                .mapToDouble(p -> p.plan().ellipse().of95().semiMajor())
                .max()
                .orElse(0);
        double exaggerated = LARGEST / Math.max(1e-6, largest);
        List<Ellipse> ellipses = new ArrayList<>();
        found.forEach((name, at) -> {
            Covariance.Ellipse ellipse = at.plan().ellipse().of95();
            Dot dot = dot(dots, name);
            ellipses.add(ellipse(dot.x(), dot.y(), ellipse, exaggerated));
        });
        List<Ellipse> relative = new ArrayList<>();
        network.relatives().forEach(pair -> {
            Dot one = dot(dots, pair.one());
            Dot other = dot(dots, pair.other());
            if (found.containsKey(pair.one()) && found.containsKey(pair.other()) && isNamed(one) && isNamed(other)) {
                relative.add(ellipse(
                        half(one.x(), other.x()),
                        half(one.y(), other.y()),
                        pair.plan().ellipse().of95(),
                        exaggerated));
            }
        });
        return new NetworkDrawing(
                dots,
                ellipses,
                relative,
                sights.toString(),
                "ellipses of 95 %, between marks dashed; the largest of a mark is " + words.difference(largest));
    }

    private static Ellipse ellipse(String x, String y, Covariance.Ellipse of, double exaggerated) {
        return new Ellipse(
                x,
                y,
                f(Math.max(1, of.semiMinor() * exaggerated)),
                f(Math.max(1, of.semiMajor() * exaggerated)),
                f(Math.toDegrees(of.azimuth())));
    }

    private static boolean isNamed(Dot dot) {
        return !dot.label().isEmpty();
    }

    private static String half(String one, String other) {
        return f((Double.parseDouble(one) + Double.parseDouble(other)) / 2);
    }

    /** How far two marks lie from each other, metres; empty where one has no place. */
    static OptionalDouble between(SurveyResult result, MeasuredNetwork network, MeasuredNetwork.Relative pair) {
        Map<String, Position> found = new TreeMap<>();
        network.marks().forEach(m -> found.put(m.name(), m.position()));
        Map<String, Position> ends = new TreeMap<>();
        place(result, found, pair.one(), ends);
        place(result, found, pair.other(), ends);
        return ends.size() < 2
                ? OptionalDouble.empty()
                : OptionalDouble.of(ends.get(pair.one()).distanceTo(ends.get(pair.other())));
    }

    private static void place(
            SurveyResult result, Map<String, Position> found, String called, Map<String, Position> places) {
        String name = result.job().trueName(called);
        Position at = found.containsKey(name)
                ? found.get(name)
                : result.measured().mark(name).flatMap(MeasuredMark::position).orElse(null);
        if (at != null) {
            places.put(name, at);
        }
    }

    private static Dot dot(List<Dot> dots, String name) {
        return dots.stream().filter(d -> d.name().equals(name)).findFirst().orElseThrow();
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
