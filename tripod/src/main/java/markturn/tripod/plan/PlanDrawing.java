package markturn.tripod.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.locate.CodeLines;
import markturn.survey.locate.PlanScale;
import markturn.survey.result.CodeLine;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.show.Signs;
import markturn.survey.show.TrueScale;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The plan of a job: control as triangles, stations as circles, located points by the signs of their codes, lines by code, rays between.
 * Drawing units are picture points of a sheet {@link #WIDTH} by {@link #HEIGHT}; north is up. With many located points these lie on a
 * canvas beneath, which asks for them as {@link Layer}.
 *
 * @param layered whether the located points and their lines are left to the canvas
 */
record PlanDrawing(
        List<Symbol> symbols,
        List<PlanLine> lines,
        List<PlanLine> unseen,
        List<Ray> rays,
        String barLength,
        String barWords,
        boolean layered,
        boolean isEmpty)
        implements Shown {
    static final int WIDTH = 1000;
    static final int HEIGHT = 620;
    /** Above so many located points a canvas draws them. */
    static final int MOST_SYMBOLS = 300;

    private static final double BORDER = 70;
    private static final double WIDEST_BAR = 220;
    /** What the strokes of an open stop take up beside a symbol. */
    private static final int STROKES = 9;

    private static final int MOST_DODGED = 1000;
    /** Where the north arrow and the scale bar stand. */
    private static final Box NORTH = new Box(935, 15, 40, 75);

    private static final Box BAR = new Box(30, 565, WIDEST_BAR + 20, 40);

    private record Paper(double west, double north, double scale) {
        double across(Position at) {
            return BORDER + (at.easting() - west) * scale;
        }

        double down(Position at) {
            return BORDER + (north - at.northing()) * scale;
        }

        String x(Position at) {
            return format(across(at));
        }

        String y(Position at) {
            return format(down(at));
        }

        int fineX(Position at) {
            return (int) Math.round(100 * across(at));
        }

        int fineY(Position at) {
            return (int) Math.round(100 * down(at));
        }
    }

    @Override
    public Sheet sheet() {
        return isEmpty
                ? Sheet.empty()
                : Sheet.empty()
                        .with("rays", rays)
                        .with("lines", lines)
                        .with("unseen", unseen)
                        .with("symbols", symbols)
                        .with("layered", layered)
                        .with(
                                "bar",
                                Sheet.empty()
                                        .with("length", barLength)
                                        .with("d", "M0 -5V5M0 0H" + barLength + "M" + barLength + " -5V5")
                                        .with("words", barWords));
    }

    /** The plan; {@code scale} marks what it could not show. */
    static PlanDrawing of(BookedJob book, Display show, PlanScale scale) {
        List<MeasuredMark> placed = placed(book);
        if (placed.isEmpty()) {
            return new PlanDrawing(List.of(), List.of(), List.of(), List.of(), "0", "", false, true);
        }
        Paper paper = paper(placed);
        double unit = show.units().length().metres();
        double bar = TrueScale.niceBar(WIDEST_BAR / paper.scale() / unit);
        boolean layered = placed.stream()
                        .filter(m -> m.mark().kind() == Mark.Kind.LOCATED)
                        .count()
                > MOST_SYMBOLS;
        List<Ray> rays = rays(book, paper, layered);
        return new PlanDrawing(
                new Symbols(book, paper, show, scale, rays).of(placed, layered),
                layered ? List.of() : lines(book, paper),
                unseen(book, paper),
                rays,
                format(bar * unit * paper.scale()),
                show.number(bar, bar < 1 ? 1 : 0) + " " + show.lengthSign(),
                layered,
                false);
    }

    private static List<MeasuredMark> placed(BookedJob book) {
        return book.result().measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
    }

    /** The located points and their lines for the canvas. */
    static Layer layer(BookedJob book) {
        List<MeasuredMark> placed = placed(book);
        Paper paper = paper(placed);
        List<MeasuredMark> located = placed.stream()
                .filter(m -> m.mark().kind() == Mark.Kind.LOCATED)
                .toList();
        Job job = book.job();
        List<String> signs = Stream.of(Code.Sign.values()).map(Signs::path).toList();
        return new Layer(
                located.stream().map(MeasuredMark::name).toList(),
                located.stream()
                        .mapToInt(m -> paper.fineX(m.position().orElseThrow()))
                        .toArray(),
                located.stream()
                        .mapToInt(m -> paper.fineY(m.position().orElseThrow()))
                        .toArray(),
                located.stream()
                        .mapToInt(m -> job.code(m.mark().code()).sign().ordinal())
                        .toArray(),
                signs,
                CodeLines.of(book.result().measured()).stream()
                        .map(line -> layerLine(
                                line, paper, Signs.dashes(job.code(line.code()).stroke())))
                        .toList());
    }

    private static Layer.LayerLine layerLine(CodeLine line, Paper paper, String dashes) {
        return new Layer.LayerLine(
                line.points().stream()
                        .mapToInt(p -> paper.fineX(p.position().orElseThrow()))
                        .toArray(),
                line.points().stream()
                        .mapToInt(p -> paper.fineY(p.position().orElseThrow()))
                        .toArray(),
                dashes,
                line.closed());
    }

    private static List<PlanLine> lines(BookedJob book, Paper paper) {
        return CodeLines.of(book.result().measured()).stream()
                .map(line -> new PlanLine(
                        path(line, paper),
                        Signs.dashes(book.job().code(line.code()).stroke()),
                        line.code() + " " + line.number()))
                .toList();
    }

    private static String path(CodeLine line, Paper paper) {
        StringBuilder d = new StringBuilder();
        for (int i = 0; i < line.points().size(); i++) {
            d.append(i == 0 ? "M" : "L").append(paper.x(line.at(i))).append(' ').append(paper.y(line.at(i)));
        }
        return d.append(line.closed() ? "Z" : "").toString();
    }

    private static List<PlanLine> unseen(BookedJob book, Paper paper) {
        return PlanScale.unseen(book.result().measured()).stream()
                .map(side -> new PlanLine(
                        "M" + paper.x(side.from()) + " " + paper.y(side.from()) + "L" + paper.x(side.to()) + " "
                                + paper.y(side.to()),
                        "",
                        side.figure().code() + ", " + side.words()))
                .toList();
    }

    private static Paper paper(List<MeasuredMark> placed) {
        double west = Double.MAX_VALUE;
        double east = -Double.MAX_VALUE;
        double south = Double.MAX_VALUE;
        double north = -Double.MAX_VALUE;
        for (MeasuredMark mark : placed) {
            Position at = mark.stated().orElseThrow();
            west = Math.min(west, at.easting());
            east = Math.max(east, at.easting());
            south = Math.min(south, at.northing());
            north = Math.max(north, at.northing());
        }
        double scale = Math.min(
                (WIDTH - 2 * BORDER) / Math.max(east - west, 1), (HEIGHT - 2 * BORDER) / Math.max(north - south, 1));
        double spare = (WIDTH - 2 * BORDER - (east - west) * scale) / 2;
        return new Paper(west - spare / scale, north, scale);
    }

    /** What a tap on a mark shows. */
    static String numbers(MeasuredMark mark, Display show) {
        Position at = mark.position().orElseThrow();
        String precision = mark.mark().kind() == Mark.Kind.CONTROL
                ? "held"
                : Sentence.of(
                        "standard deviation N %s, E %s %s",
                        show.rootDeviation(at.plan().nn()),
                        show.rootDeviation(at.plan().ee()),
                        show.differenceSign());
        return Sentence.of(
                "%s: N %s, E %s, H %s; %s; %s",
                mark.name()
                        + (mark.mark().code().isEmpty()
                                ? ""
                                : ", " + mark.mark().code()),
                show.length(at.northing()),
                show.length(at.easting()),
                show.length(at.elevation()),
                mark.from().map(f -> "from " + f).orElse("given"),
                precision);
    }

    private static final class Symbols {
        private final BookedJob book;
        private final Paper paper;
        private final Display show;
        private final Labels labels;
        private final Set<String> stations;
        private final Set<String> troubled = new HashSet<>();
        private final Set<String> superfluous;

        Symbols(BookedJob book, Paper paper, Display show, PlanScale scale, List<Ray> rays) {
            this.book = book;
            this.paper = paper;
            this.show = show;
            // With very many rays no name finds a place beside them all.
            this.labels = new Labels(
                    List.of(NORTH, BAR), rays.stream().limit(MOST_DODGED).toList());
            this.stations = book.job().setups().stream()
                    .map(s -> book.job().trueName(s.station()))
                    .collect(Collectors.toSet());
            book.result().findings().stream().filter(Finding::isOpenStop).forEach(f -> troubled.add(f.target()));
            this.superfluous = scale.superfluous(book.result().measured());
        }

        List<Symbol> of(List<MeasuredMark> placed, boolean layered) {
            return placed.stream()
                    .filter(m -> !layered || m.mark().kind() != Mark.Kind.LOCATED)
                    .map(this::symbol)
                    .toList();
        }

        private Symbol symbol(MeasuredMark mark) {
            Position at = mark.position().orElseThrow();
            boolean unneeded = superfluous.contains(mark.name());
            return new Symbol(
                    mark.name(),
                    mark.mark().kind(),
                    stations.contains(mark.name()),
                    troubled.contains(mark.name()),
                    unneeded,
                    paper.x(at),
                    paper.y(at),
                    Signs.path(book.job().code(mark.mark().code()).sign()),
                    labels.place(
                            mark.name(),
                            paper.across(at),
                            paper.down(at),
                            troubled.contains(mark.name()) ? STROKES : 0),
                    numbers(mark, show) + (unneeded ? "; closer to another than the plan can show" : ""),
                    Address.ofJob(book.jobId()).mark(mark.name()));
        }
    }

    private static List<Ray> rays(BookedJob book, Paper paper, boolean layered) {
        List<Ray> rays = new ArrayList<>();
        Measured measured = book.result().measured();
        for (MeasuredSetup setup : measured.setups()) {
            if (setup.station().isEmpty()) {
                continue;
            }
            Position from = setup.station().get();
            for (Shot shot : setup.shots()) {
                Optional<MeasuredMark> mark = measured.mark(shot.mark());
                if (layered
                        && mark.filter(m -> m.mark().kind() == Mark.Kind.LOCATED)
                                .isPresent()) {
                    continue;
                }
                mark.flatMap(MeasuredMark::position)
                        .ifPresent(p -> rays.add(new Ray(
                                paper.across(from),
                                paper.down(from),
                                paper.across(p),
                                paper.down(p),
                                shot.fix().role() == Reading.Role.BACKSIGHT)));
            }
        }
        return rays;
    }

    private static String format(double value) {
        return Words.number(value, 1);
    }
}
