package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The circle seen from above, the zero sight up: the targets where they lie, the one in hand, and the telescope with its vertical circle
 * on the side of the face in use. Drawing units; the radius is 100.
 */
record CircleDrawing(List<Spoke> spokes, String pointer, String face) implements Shown {
    private static final double RADIUS = 84;
    private static final double LABEL_RADIUS = 101;
    private static final double LETTER_HEIGHT = 18;
    private static final double DEGREE = Math.PI / 180;

    /** One target on the circle; without its name where another stands there. */
    public record Spoke(String target, String x, String y, String labelX, String labelY, String anchor, boolean inHand)
            implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("target", target)
                    .with("x", x)
                    .with("y", y)
                    .with("labelX", labelX)
                    .with("labelY", labelY)
                    .with("anchor", anchor)
                    .with("inHand", inHand ? "target in-hand" : "target");
        }

        /** Whether two names would run into each other. */
        boolean covers(Spoke other) {
            double across = Double.parseDouble(labelX) - Double.parseDouble(other.labelX);
            double down = Double.parseDouble(labelY) - Double.parseDouble(other.labelY);
            return !other.target.isEmpty() && Math.abs(down) < LETTER_HEIGHT && Math.abs(across) < RADIUS;
        }

        Spoke unnamed() {
            return new Spoke("", x, y, labelX, labelY, anchor, inHand);
        }
    }

    @Override
    public Sheet sheet() {
        String word = "face " + face.toLowerCase(Locale.ROOT);
        Sheet sheet = Sheet.empty()
                .with("label", "The circle, " + word + " in use")
                .with("word", word)
                .with("spokes", spokes);
        return pointer.isEmpty()
                ? sheet
                : sheet.with(
                        "telescope",
                        Sheet.empty()
                                .with("turn", "rotate(" + pointer + ")")
                                .with("side", face.equals("LEFT") ? "-14" : "14"));
    }

    static CircleDrawing of(MeasuredSetup setup, String inHand, Reading.Face face) {
        List<Spoke> spokes = new ArrayList<>();
        double pointer = Double.NaN;
        for (SetAbstract sets : setup.abstracts()) {
            boolean mine = sets.target().equals(inHand);
            if (!mine && sets.fix().single()) {
                continue;
            }
            OptionalDouble direction = sets.direction();
            if (direction.isPresent()) {
                if (mine) {
                    pointer = direction.getAsDouble();
                }
                spokes.add(spoke(sets.target(), direction.getAsDouble(), mine));
            }
        }
        spokes.sort(java.util.Comparator.comparing(s -> !s.inHand()));
        List<Spoke> shown = new ArrayList<>();
        spokes.forEach(s -> shown.add(shown.stream().anyMatch(s::covers) ? s.unnamed() : s));
        String turn = Double.isNaN(pointer) ? "" : format(pointer / DEGREE);
        return new CircleDrawing(shown, turn, face.name());
    }

    private static Spoke spoke(String target, double direction, boolean inHand) {
        double east = Math.sin(direction);
        double north = Math.cos(direction);
        String anchor = Math.abs(east) < 0.25 ? "middle" : east > 0 ? "start" : "end";
        double lift = north > 0.9 ? -2 : north < -0.9 ? 12 : 4;
        return new Spoke(
                target,
                format(east * RADIUS),
                format(-north * RADIUS),
                format(east * LABEL_RADIUS),
                format(-north * LABEL_RADIUS + lift),
                anchor,
                inHand);
    }

    private static String format(double value) {
        return Words.number(value, 1);
    }
}
