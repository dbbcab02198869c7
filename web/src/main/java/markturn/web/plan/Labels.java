package markturn.web.plan;

import java.util.ArrayList;
import java.util.List;
import markturn.web.plan.PlanDrawing.Label;

/** Finds room for names: the first of four places beside a symbol that no other name covers. */
final class Labels {
    private static final double LETTER = 8;
    private static final double LINE = 14;
    private static final List<Label> PLACES = List.of(
            new Label(15, -6, "start", true),
            new Label(-15, -6, "end", true),
            new Label(15, 18, "start", true),
            new Label(-15, 18, "end", true));

    private record Box(double left, double top, double right, double bottom) {
        boolean covers(Box other) {
            return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
        }
    }

    private final List<Box> taken = new ArrayList<>();

    Label place(String name, double x, double y) {
        double width = name.length() * LETTER;
        for (Label label : PLACES) {
            double left = label.anchor().equals("start") ? x + label.dx() : x + label.dx() - width;
            Box box = new Box(left, y + label.dy() - LINE, left + width, y + label.dy());
            if (taken.stream().noneMatch(box::covers)) {
                taken.add(box);
                return label;
            }
        }
        return new Label(15, -6, "start", false);
    }
}
