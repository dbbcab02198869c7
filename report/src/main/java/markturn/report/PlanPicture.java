package markturn.report;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.SurveyResult;
import markturn.survey.job.Mark;
import markturn.survey.locate.CodeLines;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.show.Display;
import markturn.survey.show.Signs;
import markturn.survey.show.TrueScale;

/** The plan of a job for a printed page, as SVG text: control, stations, new marks, located points, lines by code, sights, north, a bar. */
final class PlanPicture {
    static final int WIDTH = 680;
    static final int HEIGHT = 440;
    private static final int BORDER = 46;
    private static final int MOST_NAMES = 120;
    /** So many names of control and new marks are written. */
    private static final int MOST_MARK_NAMES = 1000;

    /** Above so many marks, signs alike that would fall on each other are drawn once: else large jobs are a black sheet of 20 MB. */
    private static final int MOST_SIGNS = 2000;

    /** Picture points. */
    private static final int CELL = 5;

    private static final double WIDEST_BAR = 150;

    private final SurveyResult result;
    private final Display show;
    private final List<MeasuredMark> placed;
    private final TrueScale scale;
    private final StringBuilder svg = new StringBuilder();
    private final Set<Cell> taken = new HashSet<>();
    private final Set<Cell> sighted = new HashSet<>();
    private int covered;
    private int names;

    /** A place on paper, to {@link #CELL} picture points, and what is drawn there. */
    private record Cell(long x, long y, String what) {}

    private PlanPicture(SurveyResult result, Display show) {
        this.result = result;
        this.show = show;
        this.placed = result.measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        this.scale = new TrueScale(placed.stream().map(m -> m.position().get()).toList(), WIDTH, HEIGHT, BORDER);
    }

    /** The picture; empty text where nothing has a place. */
    static String svg(SurveyResult result, Display show) {
        PlanPicture picture = new PlanPicture(result, show);
        return picture.placed.isEmpty() ? "" : picture.drawn();
    }

    private String drawn() {
        svg.append(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\" role=\"img\" aria-label=\"Plan of the job\">"
                        .formatted(WIDTH, HEIGHT, WIDTH, HEIGHT));
        sights();
        CodeLines.of(result.measured()).forEach(this::line);
        Set<String> stations = result.job().setups().stream()
                .map(s -> result.job().trueName(s.station()))
                .collect(Collectors.toSet());
        long located = placed.stream().filter(this::isLocated).count();
        placed.forEach(mark -> mark(mark, stations.contains(mark.name()), located <= MOST_NAMES));
        north();
        bar();
        left();
        return svg.append("</svg>").toString();
    }

    private boolean isLocated(MeasuredMark mark) {
        return mark.mark().kind() == Mark.Kind.LOCATED;
    }

    private void sights() {
        for (MeasuredSetup setup : result.measured().setups()) {
            if (setup.station().isEmpty()) {
                continue;
            }
            Position from = setup.station().get();
            for (Shot shot : setup.shots()) {
                result.measured()
                        .mark(shot.mark())
                        .filter(m -> !isLocated(m))
                        .flatMap(MeasuredMark::position)
                        .filter(to -> !isCrowded() || sighted.add(cell(to, scale.x(from) + " " + scale.y(from))))
                        .ifPresent(to -> svg.append(
                                "<line x1=\"%s\" y1=\"%s\" x2=\"%s\" y2=\"%s\" stroke=\"#888888\" stroke-width=\"0.6\"/>"
                                        .formatted(scale.x(from), scale.y(from), scale.x(to), scale.y(to))));
            }
        }
    }

    private void line(CodeLine line) {
        StringBuilder path = new StringBuilder();
        Cell last = null;
        for (int i = 0; i < line.points().size(); i++) {
            Cell here = cell(line.at(i), "");
            boolean end = i == 0 || i == line.points().size() - 1;
            if (isCrowded() && !end && here.equals(last)) {
                continue;
            }
            last = here;
            path.append(i == 0 ? "M" : "L")
                    .append(scale.x(line.at(i)))
                    .append(' ')
                    .append(scale.y(line.at(i)));
        }
        String dashes = Signs.dashes(result.job().code(line.code()).stroke());
        svg.append("<path d=\"%s%s\" fill=\"none\" stroke=\"#1A2028\" stroke-width=\"1.2\"%s/>"
                .formatted(
                        path,
                        line.closed() ? "Z" : "",
                        dashes.equals("none") ? "" : " stroke-dasharray=\"" + dashes.replace(' ', ',') + "\""));
    }

    private boolean isCrowded() {
        return placed.size() > MOST_SIGNS;
    }

    private Cell cell(Position at, String what) {
        return new Cell((long) scale.across(at) / CELL, (long) scale.down(at) / CELL, what);
    }

    private void mark(MeasuredMark mark, boolean station, boolean named) {
        String sign = mark.mark().kind() + mark.mark().code();
        if (isCrowded() && !station && !taken.add(cell(mark.position().orElseThrow(), sign))) {
            covered++;
            return;
        }
        String x = scale.x(mark.position().orElseThrow());
        String y = scale.y(mark.position().orElseThrow());
        svg.append("<g transform=\"translate(%s,%s)\">".formatted(x, y));
        if (station) {
            svg.append("<circle r=\"7\" fill=\"none\" stroke=\"#1A2028\" stroke-width=\"1.2\"/>");
        }
        if (isLocated(mark)) {
            svg.append("<path d=\"%s\" transform=\"scale(0.7)\" fill=\"none\" stroke=\"#1A2028\" stroke-width=\"1.6\"/>"
                    .formatted(Signs.path(result.job().code(mark.mark().code()).sign())));
        } else {
            svg.append("<path d=\"M0 -6L5.5 4L-5.5 4Z\" stroke=\"#1A2028\" stroke-width=\"1.2\" fill=\"%s\"/>"
                    .formatted(mark.mark().kind() == Mark.Kind.CONTROL ? "#1A2028" : "#ffffff"));
        }
        if (isLocated(mark) ? named : names++ < MOST_MARK_NAMES) {
            svg.append("<text x=\"8\" y=\"-4\" font-family=\"Next\" font-size=\"%d\" fill=\"#1A2028\">%s</text>"
                    .formatted(isLocated(mark) ? 7 : 10, escaped(mark.name())));
        }
        svg.append("</g>");
    }

    /** What the picture does not show is said on it. */
    private void left() {
        if (covered > 0) {
            svg.append(
                    "<text x=\"%d\" y=\"%d\" text-anchor=\"end\" font-family=\"Next\" font-size=\"9\" fill=\"#1A2028\">%d of %d marks would fall on others like them at this scale and are not drawn</text>"
                            .formatted(WIDTH - 12, HEIGHT - 6, covered, placed.size()));
        }
    }

    private void north() {
        svg.append(("<g transform=\"translate(%d,36)\"><path d=\"M0 18L0 -18M0 -18L-5 -6M0 -18L5 -6\" fill=\"none\""
                        + " stroke=\"#1A2028\" stroke-width=\"1.4\"/><text x=\"-4\" y=\"31\" font-family=\"Next\" font-size=\"10\">N</text></g>")
                .formatted(WIDTH - 22));
    }

    private void bar() {
        double unit = show.units().length().metres();
        double bar = TrueScale.niceBar(WIDEST_BAR / scale.perMetre() / unit);
        String length = String.format(Locale.ROOT, "%.1f", bar * unit * scale.perMetre());
        svg.append(
                ("<g transform=\"translate(16,%d)\"><path d=\"M0 -4L0 4M0 0L%s 0M%s -4L%s 4\" fill=\"none\" stroke=\"#1A2028\""
                                + " stroke-width=\"1.4\"/><text y=\"-7\" font-family=\"Next\" font-size=\"10\">%s %s</text></g>")
                        .formatted(
                                HEIGHT - 10,
                                length,
                                length,
                                length,
                                show.number(bar, bar < 1 ? 1 : 0),
                                show.lengthSign()));
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replaceAll("\\p{Cntrl}", "?");
    }
}
