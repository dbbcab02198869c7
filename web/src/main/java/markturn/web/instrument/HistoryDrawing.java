package markturn.web.instrument;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import markturn.survey.finding.words.Words;
import markturn.survey.show.Display;
import markturn.survey.show.TrueScale;

/**
 * An angle of an instrument over its setups, such as its collimation: one dot a setup with its deviation, evenly spaced in the order of time, the jumps
 * ringed. Drawing units of a sheet {@link #WIDTH} by {@link #HEIGHT}.
 *
 * @param zero how far down nothing lies
 * @param bar path of a bar of stated size
 */
public record HistoryDrawing(String title, List<Dot> dots, String zero, String bar, String barWords) {
    static final int WIDTH = 760;
    static final int HEIGHT = 150;
    private static final double LEFT = 60;
    private static final double BORDER = 16;

    /** A setup; what it says is for those who point at it. */
    public record Dot(String x, String y, String deviation, boolean jump, String words) {}

    static HistoryDrawing of(
            String title,
            List<SetupFigures> history,
            ToDoubleFunction<SetupFigures> value,
            ToDoubleFunction<SetupFigures> stdDev,
            Set<Integer> jumps,
            Display show,
            Function<SetupFigures, String> where) {
        double least = 0;
        double most = 0;
        for (SetupFigures each : history) {
            least = Math.min(least, value.applyAsDouble(each));
            most = Math.max(most, value.applyAsDouble(each));
        }
        double up = (HEIGHT - 2 * BORDER)
                / Math.max(most - least, 10 * show.units().angle().small());
        double zero = HEIGHT - BORDER + least * up;
        double step = (WIDTH - LEFT - BORDER) / Math.max(1, history.size() - 1);
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < history.size(); i++) {
            SetupFigures shown = history.get(i);
            double x = LEFT + i * step;
            double y = zero - value.applyAsDouble(shown) * up;
            double half = stdDev.applyAsDouble(shown) * up;
            dots.add(new Dot(
                    f(x),
                    f(y),
                    "M" + f(x) + " " + f(y - half) + "V" + f(y + half),
                    jumps.contains(i),
                    words(shown, value.applyAsDouble(shown), show, where)));
        }
        double bar = TrueScale.niceBar(
                (HEIGHT - 2 * BORDER) / 2 / up / show.units().angle().small());
        return new HistoryDrawing(
                title,
                dots,
                f(zero),
                "M14 " + f(zero) + "h6m-3 0V"
                        + f(zero - bar * show.units().angle().small() * up) + "m-3 0h6",
                Words.number(bar, 0) + show.smallSign());
    }

    private static String words(SetupFigures setup, double value, Display show, Function<SetupFigures, String> where) {
        Instant at = setup.at();
        return show.dayAndTime(at) + ", " + where.apply(setup) + ": " + show.smallAmount(value) + show.smallSign();
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
