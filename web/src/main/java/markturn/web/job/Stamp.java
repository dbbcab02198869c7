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
        Sheet sheet = Sheet.around(placed);
        List<String> control = new ArrayList<>();
        List<String> points = new ArrayList<>();
        for (MeasuredMark mark : placed) {
            Position at = mark.position().orElseThrow();
            if (mark.mark().kind() == Mark.Kind.CONTROL) {
                control.add("M" + (sheet.x(at) - 2) + " " + (sheet.y(at) + 2) + "h4l-2-4z");
            } else {
                points.add("M" + sheet.x(at) + " " + sheet.y(at) + "h0");
            }
        }
        return new Stamp(
                joined(rays(result, sheet), MOST_RAYS), joined(control, MOST_POINTS), joined(points, MOST_POINTS));
    }

    private static List<String> rays(SurveyResult result, Sheet sheet) {
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
                        .ifPresent(to -> rays.add("M" + sheet.x(from.get()) + " " + sheet.y(from.get()) + "L"
                                + sheet.x(to) + " " + sheet.y(to)));
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

    private record Sheet(double west, double north, double scale, double aside, double above) {
        static Sheet around(List<MeasuredMark> placed) {
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
                    (WIDTH - 2 * BORDER) / Math.max(east - west, 1),
                    (HEIGHT - 2 * BORDER) / Math.max(north - south, 1));
            return new Sheet(
                    west, north, scale, (WIDTH - (east - west) * scale) / 2, (HEIGHT - (north - south) * scale) / 2);
        }

        int x(Position at) {
            return (int) Math.round(aside + (at.easting() - west) * scale);
        }

        int y(Position at) {
            return (int) Math.round(above + (north - at.northing()) * scale);
        }
    }
}
