package markturn.survey.epoch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.chance.Distributions;
import markturn.survey.network.FreeFigure;
import org.ejml.simple.SimpleMatrix;

/**
 * One mark over three epochs and more, in plan or in elevation, on the datum of marks that held in all of them: a straight line in time, and
 * whether it explains where the mark was found.
 *
 * @param points one an epoch that has the mark
 * @param start where the line begins, at the first epoch, metres
 * @param rate metres a year: north and east in plan, up in elevation
 * @param rateCovariance of the rate, square metres a square year
 * @param statistic of the rate: {@code rᵀ Q⁻¹ r}
 * @param limit what chance exceeds as seldom as was asked for
 * @param misfit of the points about the line, which chance distributes as chi-square
 * @param misfitLimit what chance exceeds as seldom
 */
public record TimeLine(
        String mark,
        List<Point> points,
        double[] start,
        double[] rate,
        double[][] rateCovariance,
        double statistic,
        double limit,
        double misfit,
        double misfitLimit) {
    /** Mean year of the calendar, seconds. */
    private static final double YEAR = 365.2425 * 86400;

    private static final int FEWEST = 3;
    /** Within a day there is no rate a year, years. */
    private static final double SHORTEST = 1 / 365.0;

    /**
     * Where a mark was found in an epoch.
     *
     * @param years since the first epoch
     * @param shift metres from where it was in the first
     * @param covariance of the shift, square metres
     */
    public record Point(String epoch, Instant at, double years, double[] shift, double[][] covariance) {
        /** How far it is along a direction, metres. */
        public double along(double[] direction) {
            double sum = 0;
            for (int k = 0; k < shift.length; k++) {
                sum += shift[k] * direction[k];
            }
            return sum;
        }

        /** One sigma of that, metres. */
        public double stdDevAlong(double[] direction) {
            double sum = 0;
            for (int i = 0; i < shift.length; i++) {
                for (int j = 0; j < shift.length; j++) {
                    sum += direction[i] * covariance[i][j] * direction[j];
                }
            }
            return Math.sqrt(Math.max(0, sum));
        }
    }

    /** Whether it goes on moving: the rate is beyond what chance explains. */
    public boolean moves() {
        return statistic > limit;
    }

    /** Whether a straight line explains it. */
    public boolean isStraight() {
        return misfit <= misfitLimit;
    }

    /** The direction in which it moves: that of the rate, upwards in elevation. */
    public double[] direction() {
        if (rate.length == 1) {
            return new double[] {1};
        }
        double speed = speed();
        return speed == 0 ? new double[] {1, 0} : new double[] {rate[0] / speed, rate[1] / speed};
    }

    /** Metres a year. */
    public double speed() {
        return rate.length == 1 ? Math.abs(rate[0]) : Math.hypot(rate[0], rate[1]);
    }

    private record Laid(Epoch epoch, double years, Displacements at) {}

    /**
     * The time lines of all marks that three figures and more have.
     *
     * @param epochs in order of time
     * @param figures of each epoch; empty where it has none
     * @param reference marks that held in all comparisons; those of the first figure count
     */
    static List<TimeLine> of(List<Epoch> epochs, List<Optional<FreeFigure>> figures, List<String> reference) {
        if (figures.isEmpty() || figures.get(0).isEmpty()) {
            return List.of();
        }
        FreeFigure start = figures.get(0).get();
        List<Laid> laid = new ArrayList<>();
        for (int i = 0; i < epochs.size(); i++) {
            Epoch epoch = epochs.get(i);
            double years = Duration.between(epochs.get(0).at(), epoch.at()).getSeconds() / YEAR;
            figures.get(i)
                    .flatMap(figure -> Displacements.from(start, figure, reference))
                    .filter(d -> d.marks().containsAll(reference))
                    .ifPresent(d -> laid.add(new Laid(epoch, years, d.onto(reference))));
        }
        List<String> marks = start.marks().stream()
                .filter(mark -> !reference.contains(mark))
                .filter(mark ->
                        laid.stream().filter(l -> l.at().marks().contains(mark)).count() >= FEWEST)
                .toList();
        return marks.stream()
                .flatMap(mark -> line(mark, laid, FigureComparison.ALARM / marks.size()).stream())
                .toList();
    }

    private static Optional<TimeLine> line(String mark, List<Laid> all, double each) {
        List<Laid> laid =
                all.stream().filter(l -> l.at().marks().contains(mark)).toList();
        if (laid.get(laid.size() - 1).years() - laid.get(0).years() < SHORTEST) {
            return Optional.empty();
        }
        int m = laid.get(0).at().dimension();
        SimpleMatrix normal = new SimpleMatrix(2 * m, 2 * m);
        SimpleMatrix right = new SimpleMatrix(2 * m, 1);
        List<SimpleMatrix> weights = new ArrayList<>();
        List<Point> points = new ArrayList<>();
        for (Laid l : laid) {
            double[] shift = l.at().shift(mark);
            double[][] own = l.at().covariance(mark);
            points.add(new Point(l.epoch().name(), l.epoch().at(), l.years(), shift, own));
            SimpleMatrix design = design(m, l.years());
            SimpleMatrix weight = new SimpleMatrix(own).invert();
            weights.add(weight);
            normal = normal.plus(design.transpose().mult(weight).mult(design));
            right = right.plus(design.transpose().mult(weight).mult(column(shift)));
        }
        SimpleMatrix cofactor = normal.invert();
        SimpleMatrix found = cofactor.mult(right);
        double misfit = 0;
        for (int i = 0; i < laid.size(); i++) {
            SimpleMatrix v = design(m, laid.get(i).years())
                    .mult(found)
                    .minus(column(points.get(i).shift()));
            misfit += v.transpose().mult(weights.get(i)).mult(v).get(0);
        }
        double[] start = new double[m];
        double[] rate = new double[m];
        double[][] rateCovariance = new double[m][m];
        for (int i = 0; i < m; i++) {
            start[i] = found.get(i);
            rate[i] = found.get(m + i);
            for (int j = 0; j < m; j++) {
                rateCovariance[i][j] = cofactor.get(m + i, m + j);
            }
        }
        return Optional.of(new TimeLine(
                mark,
                points,
                start,
                rate,
                rateCovariance,
                FigureComparison.squared(rate, rateCovariance),
                Distributions.chiSquare(m, each),
                misfit,
                Distributions.chiSquare(m * (laid.size() - 2), each)));
    }

    private static SimpleMatrix design(int m, double years) {
        SimpleMatrix design = new SimpleMatrix(m, 2 * m);
        for (int k = 0; k < m; k++) {
            design.set(k, k, 1);
            design.set(k, m + k, years);
        }
        return design;
    }

    private static SimpleMatrix column(double[] values) {
        return new SimpleMatrix(values.length, 1, true, values);
    }
}
