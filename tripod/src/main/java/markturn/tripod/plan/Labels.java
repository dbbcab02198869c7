package markturn.tripod.plan;

import java.util.ArrayList;
import java.util.List;

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

    private final List<Box> taken = new ArrayList<>();
    private final List<Ray> lines;

    /**
     * Room on a sheet.
     *
     * @param taken what lies on the sheet already: the north arrow, the scale bar
     * @param lines what names should not cross
     */
    Labels(List<Box> taken, List<Ray> lines) {
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
        Box room = null;
        long fewest = Long.MAX_VALUE;
        for (Label place : PLACES) {
            Label label = place.anchor().equals("end") ? place.movedLeft(before) : place;
            double toTheLeft =
                    label.anchor().equals("start") ? 0 : label.anchor().equals("end") ? width : width / 2;
            Box box = new Box(x + label.dx() - toTheLeft, y + label.dy() - LINE, width, LINE);
            if (taken.stream().anyMatch(box::overlaps)) {
                continue;
            }
            long crossed = lines.stream().filter(box::isCrossedBy).count();
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
