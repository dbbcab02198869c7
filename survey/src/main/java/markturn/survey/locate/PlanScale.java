package markturn.survey.locate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import markturn.survey.job.Mark;
import markturn.survey.result.CodeLine;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;

/**
 * What detail a plan of 1 : M can show.
 *
 * @param scale M, above 0
 */
public record PlanScale(int scale) {
    /** The thinnest that can be drawn, metres on paper. Common practice, no source. */
    private static final double ON_PAPER = 0.0002;

    /** The smallest feature worth a point, metres on the ground: 0.2 mm on paper. */
    public double smallest() {
        return ON_PAPER * scale;
    }

    private record Cell(long north, long east) {}

    /** Located points of one code that lie closer to an earlier one than the plan can show, by name. */
    public Set<String> superfluous(Measured measured) {
        Set<String> names = new LinkedHashSet<>();
        Map<String, Map<Cell, List<Position>>> kept = new HashMap<>();
        for (MeasuredMark mark : measured.marks()) {
            if (mark.mark().kind() == Mark.Kind.LOCATED && mark.position().isPresent()) {
                Position at = mark.position().get();
                Map<Cell, List<Position>> ofCode =
                        kept.computeIfAbsent(mark.mark().code(), code -> new HashMap<>());
                if (isNearOne(ofCode, at)) {
                    names.add(mark.name());
                } else {
                    ofCode.computeIfAbsent(cell(at, 0, 0), cell -> new ArrayList<>())
                            .add(at);
                }
            }
        }
        return names;
    }

    private Cell cell(Position at, int north, int east) {
        return new Cell(
                (long) Math.floor(at.northing() / smallest()) + north,
                (long) Math.floor(at.easting() / smallest()) + east);
    }

    private boolean isNearOne(Map<Cell, List<Position>> kept, Position at) {
        for (int north = -1; north <= 1; north++) {
            for (int east = -1; east <= 1; east++) {
                for (Position other : kept.getOrDefault(cell(at, north, east), List.of())) {
                    if (other.distanceTo(at) < smallest()) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** One side of a closed figure, between two of its points. */
    public record Side(CodeLine figure, int number, Position from, Position to) {
        /** Its two ends by name. */
        public String words() {
            int next = (number + 1) % figure.points().size();
            return figure.points().get(number).name() + " to "
                    + figure.points().get(next).name();
        }
    }

    /**
     * Sides of closed figures at which no setup has looked from outside, with nothing of the figures between. A setup that sighted none of a
     * figure's points has not looked at it.
     */
    public static List<Side> unseen(Measured measured) {
        List<Side> sides = sides(CodeLines.of(measured));
        return sides.stream()
                .filter(side -> measured.setups().stream()
                        .filter(setup -> sighted(setup, side.figure()))
                        .flatMap(setup -> setup.station().stream())
                        .noneMatch(station -> sees(station, side, sides)))
                .toList();
    }

    private static boolean sighted(MeasuredSetup setup, CodeLine figure) {
        return setup.shots().stream()
                .anyMatch(shot -> figure.points().stream()
                        .anyMatch(point -> point.name().equals(shot.fix().target())));
    }

    private static List<Side> sides(List<CodeLine> lines) {
        List<Side> sides = new ArrayList<>();
        for (CodeLine line : lines) {
            for (int i = 0; line.closed() && i < line.points().size(); i++) {
                sides.add(new Side(
                        line, i, line.at(i), line.at((i + 1) % line.points().size())));
            }
        }
        return sides;
    }

    private static boolean sees(Position station, Side side, List<Side> all) {
        double outside = Plane.turn(at(side.from()), at(side.to()), at(station)) * area(side.figure());
        if (outside >= 0) {
            return false;
        }
        double[] middle = {
            (side.from().northing() + side.to().northing()) / 2,
            (side.from().easting() + side.to().easting()) / 2
        };
        return all.stream()
                .filter(other -> other != side)
                .noneMatch(other -> Plane.cross(at(station), middle, at(other.from()), at(other.to())));
    }

    private static double area(CodeLine figure) {
        double[][] corners = new double[figure.points().size()][];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = at(figure.at(i));
        }
        return Plane.area(corners);
    }

    private static double[] at(Position place) {
        return new double[] {place.northing(), place.easting()};
    }
}
