package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.SurveyResult;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.locate.CodeLines;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.show.Sentence;
import markturn.survey.show.Signs;
import markturn.survey.show.TrueScale;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * What was located from a setup, at true scale: north up, or turned so that the last sight points away from the observer and the sketch can
 * be held against the ground. Drawing units of a sheet {@link #WIDTH} by {@link #HEIGHT}.
 *
 * @param turned how far north is turned from up, degrees clockwise
 * @param leftOut how many earlier points are not drawn
 */
record Sketch(
        List<Point> points, List<Path> lines, Optional<Point> station, Optional<Ray> last, String turned, int leftOut)
        implements Shown {
    static final int WIDTH = 480;
    static final int HEIGHT = 400;
    private static final int BORDER = 34;
    private static final int MOST_NAMES = 60;
    /** More would hide each other on a sheet of this size, and every shot would carry them. */
    private static final int MOST_POINTS = 150;

    /** A point with its sign; {@code named} whether its name is shown. */
    record Point(String name, String x, String y, String path, boolean last, boolean named) implements Shown {
        Point withoutSign() {
            return new Point(name, x, y, "", last, named);
        }

        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("name", name)
                    .with("at", "translate(" + x + " " + y + ")")
                    .with("path", path);
        }
    }

    /** A line of a code. */
    record Path(String d, String dashes) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty().with("d", d).with("dashes", dashes);
        }
    }

    /** The sight to the last point. */
    record Ray(String x1, String y1, String x2, String y2) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty().with("x1", x1).with("y1", y1).with("x2", x2).with("y2", y2);
        }
    }

    @Override
    public Sheet sheet() {
        if (points.isEmpty()) {
            return Sheet.empty()
                    .with("label", "Sketch of 0 points from here")
                    .with("empty", "The sketch grows with each shot.");
        }
        Sheet sheet = Sheet.empty()
                .with("label", "Sketch of " + Sentence.count(points.size(), "point", "points") + " from here")
                .with("leftOut", leftOut == 0 ? "" : "the last " + points.size() + " points")
                .with("lines", lines)
                .with("signs", signs())
                .with(
                        "named",
                        points.stream().filter(p -> p.named() && !p.last()).toList())
                .with("north", "rotate(" + turned + ")");
        points.stream().filter(Point::last).findFirst().ifPresent(point -> sheet.with("last", point));
        last.ifPresent(ray -> sheet.with("ray", ray));
        station.ifPresent(place -> sheet.with("station", place));
        return sheet;
    }

    /** All signs in one stroke: a browser draws and forgets one shape faster than hundreds, and every shot would carry them. */
    private String signs() {
        StringBuilder d = new StringBuilder();
        for (Point point : points) {
            if (!point.last()) {
                d.append('M').append(point.x()).append(' ').append(point.y()).append(point.path());
            }
        }
        return d.toString();
    }

    static Sketch of(SurveyResult result, MeasuredSetup setup, boolean asTheGroundLies) {
        return new Drawing(result, setup, asTheGroundLies).drawn();
    }

    private static final class Drawing {
        private final SurveyResult result;
        private final Job job;
        private final MeasuredSetup setup;
        private final Optional<Shot> last;
        private final double turn;
        private final Set<String> here = new LinkedHashSet<>();

        Drawing(SurveyResult result, MeasuredSetup setup, boolean asTheGroundLies) {
            this.result = result;
            this.job = result.job();
            this.setup = setup;
            this.last = setup.shots().stream()
                    .filter(s -> s.position().isPresent() && isDetail(s))
                    .reduce((earlier, later) -> later);
            this.turn = asTheGroundLies && last.isPresent() && setup.station().isPresent()
                    ? setup.station().get().azimuthTo(last.get().position().get())
                    : 0;
            setup.shots().stream().filter(this::isDetail).forEach(s -> here.add(s.mark()));
            // What a construction placed from here belongs to the picture as what it rests on does.
            job.marks().stream()
                    .filter(m ->
                            m.by().filter(by -> here.containsAll(by.bases())).isPresent())
                    .forEach(m -> here.add(m.name()));
        }

        private boolean isDetail(Shot shot) {
            return job.mark(shot.fix().target())
                    .filter(m -> m.kind() == Mark.Kind.LOCATED)
                    .isPresent();
        }

        private Position turned(Position at) {
            double cos = Math.cos(turn);
            double sin = Math.sin(turn);
            return new Position(
                    at.northing() * cos + at.easting() * sin,
                    -at.northing() * sin + at.easting() * cos,
                    OptionalDouble.empty(),
                    at.plan(),
                    OptionalDouble.empty());
        }

        Sketch drawn() {
            List<MeasuredMark> all = here.stream()
                    .flatMap(name -> result.measured().mark(name).stream())
                    .filter(m -> m.position().isPresent())
                    .toList();
            int leftOut = Math.max(0, all.size() - MOST_POINTS);
            List<MeasuredMark> placed = all.subList(leftOut, all.size());
            here.retainAll(placed.stream().map(MeasuredMark::name).toList());
            List<Position> places = new ArrayList<>(
                    placed.stream().map(m -> turned(m.position().get())).toList());
            setup.station().map(this::turned).ifPresent(places::add);
            if (placed.isEmpty()) {
                return new Sketch(List.of(), List.of(), Optional.empty(), Optional.empty(), "0", 0);
            }
            TrueScale scale = new TrueScale(places, WIDTH, HEIGHT, BORDER);
            String lastName = last.map(s -> s.mark()).orElse("");
            return new Sketch(
                    placed.stream()
                            .map(m -> point(m, scale, lastName, placed.size() <= MOST_NAMES))
                            .toList(),
                    lines(scale),
                    setup.station()
                            .map(at -> new Point(
                                    setup.setup().station(),
                                    x(scale, turned(at)),
                                    y(scale, turned(at)),
                                    "",
                                    false,
                                    true)),
                    ray(scale),
                    Words.number(-Math.toDegrees(turn), 1),
                    leftOut);
        }

        private Point point(MeasuredMark mark, TrueScale scale, String lastName, boolean named) {
            Position at = turned(mark.position().orElseThrow());
            boolean isLast = mark.name().equals(lastName);
            return new Point(
                    mark.name(),
                    x(scale, at),
                    y(scale, at),
                    Signs.path(job.code(mark.mark().code()).sign()),
                    isLast,
                    named || isLast);
        }

        private List<Path> lines(TrueScale scale) {
            return CodeLines.of(result.measured()).stream()
                    .filter(line -> line.points().stream().anyMatch(p -> here.contains(p.name())))
                    .map(line -> new Path(
                            path(line, scale),
                            Signs.dashes(job.code(line.code()).stroke())))
                    .toList();
        }

        private String path(CodeLine line, TrueScale scale) {
            StringBuilder d = new StringBuilder();
            for (int i = 0; i < line.points().size(); i++) {
                Position at = turned(line.at(i));
                d.append(i == 0 ? "M" : "L").append(x(scale, at)).append(' ').append(y(scale, at));
            }
            return d.append(line.closed() ? "Z" : "").toString();
        }

        /** Whole units: a tenth of one is nothing on a sketch, and every shot would carry it for every point. */
        private static String x(TrueScale scale, Position at) {
            return String.valueOf(Math.round(scale.across(at)));
        }

        private static String y(TrueScale scale, Position at) {
            return String.valueOf(Math.round(scale.down(at)));
        }

        private Optional<Ray> ray(TrueScale scale) {
            return setup.station()
                    .flatMap(from -> last.map(to -> new Ray(
                            x(scale, turned(from)),
                            y(scale, turned(from)),
                            x(scale, turned(to.position().get())),
                            y(scale, turned(to.position().get())))));
        }
    }
}
