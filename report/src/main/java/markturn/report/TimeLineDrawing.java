package markturn.report;

import java.util.List;
import java.util.stream.DoubleStream;
import markturn.survey.epoch.TimeLine;
import markturn.survey.finding.words.Words;
import markturn.survey.show.TrueScale;

/**
 * A mark over time: how far it was found along the direction of its movement, with a band of 95 % and the straight line. Drawing units of a
 * sheet {@link #WIDTH} by {@link #HEIGHT}; all marks of a series have one scale.
 *
 * @param band path about the points, 95 % up and down
 * @param line path of the straight line
 * @param bar path of a bar of stated length at the left
 */
public record TimeLineDrawing(String mark, List<Dot> points, String band, String line, String bar, String barWords) {
    public static final int WIDTH = 520;
    public static final int HEIGHT = 96;
    private static final double LEFT = 70;
    private static final double RIGHT = 20;
    private static final double BORDER = 14;
    private static final double NINETY_FIVE = 1.96;

    /** A point, and what it says. */
    public record Dot(String x, String y, String words) {}

    /** Of all lines of a series. */
    public static List<TimeLineDrawing> of(List<TimeLine> lines, Words words) {
        double most = lines.stream()
                .flatMapToDouble(line -> line.points().stream()
                        .flatMapToDouble(p -> DoubleStream.of(
                                Math.abs(p.along(line.direction())) + NINETY_FIVE * p.stdDevAlong(line.direction()))))
                .max()
                .orElse(1e-3);
        double last = lines.stream()
                .flatMapToDouble(line -> line.points().stream().mapToDouble(TimeLine.Point::years))
                .max()
                .orElse(1);
        double across = (WIDTH - LEFT - RIGHT) / Math.max(last, 1e-6);
        double up = (HEIGHT / 2.0 - BORDER) / Math.max(most, 1e-6);
        return lines.stream().map(line -> drawn(line, across, up, words)).toList();
    }

    private static TimeLineDrawing drawn(TimeLine line, double across, double up, Words words) {
        double[] direction = line.direction();
        StringBuilder above = new StringBuilder();
        StringBuilder below = new StringBuilder();
        for (TimeLine.Point point : line.points()) {
            String x = f(LEFT + point.years() * across);
            double at = point.along(direction);
            double half = NINETY_FIVE * point.stdDevAlong(direction);
            above.append(above.length() == 0 ? "M" : "L").append(x).append(' ').append(y(at + half, up));
            below.insert(0, "L" + x + " " + y(at - half, up));
        }
        double start = 0;
        double rate = 0;
        for (int k = 0; k < direction.length; k++) {
            start += line.start()[k] * direction[k];
            rate += line.rate()[k] * direction[k];
        }
        double first = line.points().get(0).years();
        double last = line.points().get(line.points().size() - 1).years();
        double bar = TrueScale.niceBar((HEIGHT - 2 * BORDER) / 2 / up);
        return new TimeLineDrawing(
                line.mark(),
                line.points().stream()
                        .map(p -> new Dot(
                                f(LEFT + p.years() * across),
                                y(p.along(direction), up),
                                p.epoch() + ": " + words.difference(p.along(direction)) + " ± "
                                        + words.difference(NINETY_FIVE * p.stdDevAlong(direction))))
                        .toList(),
                above.append(below).append("Z").toString(),
                "M" + f(LEFT + first * across) + " " + y(start + rate * first, up) + "L" + f(LEFT + last * across) + " "
                        + y(start + rate * last, up),
                "M14 " + y(0, up) + "h6m-3 0V" + y(bar, up) + "m-3 0h6",
                words.difference(bar));
    }

    private static String y(double metres, double up) {
        return f(HEIGHT / 2.0 - metres * up);
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
