package markturn.web.plan;

import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import markturn.web.plan.PlanDrawing.Label;

/**
 * Finds room for names: of the places beside a symbol that nothing covers the one that crosses the fewest lines, the first of those that
 * are equal.
 */
final class Labels {
    private static final double LETTER = 8;
    private static final double LINE = 14;
    private static final List<Label> PLACES = List.of(
            new Label(15, -6, "start", true),
            new Label(-15, -6, "end", true),
            new Label(15, 18, "start", true),
            new Label(-15, 18, "end", true),
            new Label(0, -18, "middle", true),
            new Label(0, 28, "middle", true));

    private final List<Rectangle2D> taken = new ArrayList<>();
    private final List<Line2D> lines;

    /**
     * Room on a sheet.
     *
     * @param taken what lies on the sheet already: the north arrow, the scale bar
     * @param lines what names should not cross
     */
    Labels(List<Rectangle2D> taken, List<Line2D> lines) {
        this.taken.addAll(taken);
        this.lines = lines;
    }

    /**
     * Where a name stands.
     *
     * @param before room that is taken at the left of its symbol, drawing units
     */
    Label place(String name, double x, double y, int before) {
        double width = name.length() * LETTER;
        Label best = null;
        Rectangle2D room = null;
        long fewest = Long.MAX_VALUE;
        for (Label place : PLACES) {
            Label label = place.anchor().equals("end") ? place.movedLeft(before) : place;
            double toTheLeft =
                    label.anchor().equals("start") ? 0 : label.anchor().equals("end") ? width : width / 2;
            Rectangle2D box = new Rectangle2D.Double(x + label.dx() - toTheLeft, y + label.dy() - LINE, width, LINE);
            if (taken.stream().anyMatch(box::intersects)) {
                continue;
            }
            long crossed = lines.stream().filter(box::intersectsLine).count();
            if (crossed < fewest) {
                fewest = crossed;
                best = label;
                room = box;
            }
        }
        if (best == null) {
            return new Label(15, -6, "start", false);
        }
        taken.add(room);
        return best;
    }
}
