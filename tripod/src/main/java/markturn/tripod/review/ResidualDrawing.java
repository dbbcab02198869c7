package markturn.tripod.review;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.SurveyResult;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The residuals of the sets: a row for each target, a stroke for each set, the limit as a bracket. Drawing units; zero is the middle.
 */
public record ResidualDrawing(List<Row> rows, String limitLeft, String limitRight, String scale, int height)
        implements Shown {
    private static final int MARGIN = 6;
    private static final double MIDDLE = 300;
    /** Numbers nearer than this would run into each other. */
    private static final double DIGITS = 14;

    private static final double HALF = 200;
    private static final int FIRST_ROW = 34;
    private static final int ROW = 40;

    /** One target. */
    public record Row(String target, int y, List<Stroke> strokes) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("target", target)
                    .with("at", "translate(0 " + y + ")")
                    .with("strokes", strokes);
        }
    }

    @Override
    public Sheet sheet() {
        return rows.isEmpty()
                ? Sheet.empty()
                : Sheet.empty()
                        .with("box", "0 0 600 " + height)
                        .with("scale", scale)
                        .with("foot", String.valueOf(foot()))
                        .with("limitLeft", limitLeft)
                        .with("limitRight", limitRight)
                        .with("rows", rows);
    }

    /** Where the lines of zero and of the limit end. */
    private int foot() {
        return height - MARGIN;
    }

    /** One set's residual. */
    public record Stroke(String number, String x, boolean out, String words) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("number", number)
                    .with("x", x)
                    .with("out", out ? "out" : "")
                    .with("words", words);
        }
    }

    /** The drawing; without rows where no target has two sets. */
    public static ResidualDrawing of(SurveyResult result, MeasuredSetup setup) {
        Words words = new Words(result.job().units());
        List<Judgement> judged = result.judgements().stream()
                .filter(j -> j.setup().equals(setup.name()) && j.quantity() == Limit.SET_RESIDUAL)
                .toList();
        double limit = judged.stream().mapToDouble(Judgement::limit).max().orElse(0);
        double largest =
                judged.stream().mapToDouble(j -> Math.abs(j.value())).max().orElse(0);
        double full = Math.max(limit, largest) * 1.15;
        List<Row> rows = new ArrayList<>();
        for (SetAbstract sets : setup.abstracts()) {
            boolean isZero = sets.target().equals(setup.setup().orientation().zero());
            if (sets.sets() > 1 && !isZero) {
                rows.add(row(sets, FIRST_ROW + rows.size() * ROW, full, limit, words));
            }
        }
        return new ResidualDrawing(
                rows,
                x(-limit, full),
                x(limit, full),
                "limit " + words.small(limit) + " to either side of the mean",
                FIRST_ROW + rows.size() * ROW + 6);
    }

    private static Row row(SetAbstract sets, int y, double full, double limit, Words words) {
        List<Stroke> strokes = new ArrayList<>();
        for (int i = 0; i < sets.residuals().size(); i++) {
            OptionalDouble residual = sets.residuals().get(i);
            if (residual.isPresent()) {
                double v = residual.getAsDouble();
                String at = x(v, full);
                boolean room = strokes.stream()
                        .noneMatch(s -> !s.number().isEmpty()
                                && Math.abs(Double.parseDouble(s.x()) - Double.parseDouble(at)) < DIGITS);
                strokes.add(new Stroke(
                        room ? "" + (i + 1) : "",
                        at,
                        Math.abs(v) > limit,
                        Sentence.of("set %d: %s%s", i + 1, v < 0 ? "-" : "+", words.small(v))));
            }
        }
        return new Row(sets.target(), y, strokes);
    }

    private static String x(double residual, double full) {
        return Words.number(MIDDLE + (full == 0 ? 0 : residual / full * HALF), 1);
    }
}
