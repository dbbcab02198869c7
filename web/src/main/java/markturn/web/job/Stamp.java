package markturn.web.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import markturn.survey.SurveyResult;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.show.TrueScale;

/**
 * The plan of a job the size of a stamp: control as small triangles, what else has a position as dots, sights as hair lines. Drawing units
 * are picture points of a sheet {@link #WIDTH} by {@link #HEIGHT}, north up; each part is one path, empty where there is nothing of it.
 */
record Stamp(String rays, String control, String points) {
    static final int WIDTH = 60;
    static final int HEIGHT = 44;

    private static final int BORDER = 5;
    private static final int MOST_RAYS = 120;
    private static final int MOST_POINTS = 200;

    /** Of what was computed. */
    static Stamp of(SurveyResult result) {
        List<MeasuredMark> placed = result.measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        if (placed.isEmpty()) {
            return new Stamp("", "", "");
        }
        TrueScale sheet = new TrueScale(
                placed.stream().map(m -> m.position().orElseThrow()).toList(), WIDTH, HEIGHT, BORDER);
        List<String> control = new ArrayList<>();
        List<String> points = new ArrayList<>();
        for (MeasuredMark mark : placed) {
            Position at = mark.position().orElseThrow();
            if (mark.mark().kind() == Mark.Kind.CONTROL) {
                control.add("M" + (x(sheet, at) - 2) + " " + (y(sheet, at) + 2) + "h4l-2-4z");
            } else {
                points.add("M" + x(sheet, at) + " " + y(sheet, at) + "h0");
            }
        }
        return new Stamp(
                joined(rays(result, sheet), MOST_RAYS), joined(control, MOST_POINTS), joined(points, MOST_POINTS));
    }

    private static List<String> rays(SurveyResult result, TrueScale sheet) {
        List<String> rays = new ArrayList<>();
        for (MeasuredSetup setup : result.measured().setups()) {
            Optional<Position> from = setup.station();
            if (from.isEmpty()) {
                continue;
            }
            for (Shot shot : setup.shots()) {
                result.measured()
                        .mark(shot.mark())
                        .filter(m -> m.mark().kind() != Mark.Kind.LOCATED)
                        .flatMap(MeasuredMark::position)
                        .ifPresent(to -> rays.add("M" + x(sheet, from.get()) + " " + y(sheet, from.get()) + "L"
                                + x(sheet, to) + " " + y(sheet, to)));
            }
        }
        return rays;
    }

    /** Of many, evenly chosen ones: a stamp of more would be black. */
    private static String joined(Collection<String> strokes, int most) {
        List<String> once = strokes.stream().distinct().toList();
        int step = Math.max(1, (once.size() + most - 1) / most);
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < once.size(); i += step) {
            path.append(once.get(i));
        }
        return path.toString();
    }

    /** As it is stored: one line a part. */
    String text() {
        return rays + "\n" + control + "\n" + points;
    }

    /** From how it is stored; empty parts where it is not that. */
    static Stamp read(String text) {
        String[] parts = text.split("\n", -1);
        return parts.length == 3 ? new Stamp(parts[0], parts[1], parts[2]) : new Stamp("", "", "");
    }

    /** Whether there is nothing to draw. */
    public boolean isEmpty() {
        return rays.isEmpty() && control.isEmpty() && points.isEmpty();
    }

    /** Whole picture points are fine enough for a stamp. */
    private static long x(TrueScale sheet, Position at) {
        return Math.round(sheet.across(at));
    }

    private static long y(TrueScale sheet, Position at) {
        return Math.round(sheet.down(at));
    }
}
