package markturn.survey.epoch;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import markturn.survey.network.FreeFigure;
import org.ejml.simple.SimpleMatrix;

/**
 * How the common marks of two figures lie to each other: the later less the earlier, with the covariance of that, on whatever datum the
 * figures have. {@link #onto} puts them on a datum of meaning.
 */
final class Displacements {
    private final List<String> marks;
    private final int dimension;
    private final SimpleMatrix shifts;
    private final SimpleMatrix covariance;
    /** What a datum leaves open: columns for the shifts, and in plan for the turn, by mark; turns are counted about the middle. */
    private final SimpleMatrix open;

    private Displacements(
            List<String> marks, int dimension, SimpleMatrix shifts, SimpleMatrix covariance, SimpleMatrix open) {
        this.marks = marks;
        this.dimension = dimension;
        this.shifts = shifts;
        this.covariance = covariance;
        this.open = open;
    }

    /**
     * Between two figures of the same dimension; the later is first laid on the earlier as a rigid figure, by the marks that are to hold.
     *
     * @param reference marks that are to hold the datum; those both have are taken
     * @return empty where fewer than two of these are common
     */
    static Optional<Displacements> between(FreeFigure earlier, FreeFigure later, List<String> reference) {
        return laid(earlier, later, reference, true);
    }

    /** The same with the earlier as mere numbers to count from: the covariance is the later's alone. */
    static Optional<Displacements> from(FreeFigure start, FreeFigure figure, List<String> reference) {
        return laid(start, figure, reference, false);
    }

    private static Optional<Displacements> laid(
            FreeFigure earlier, FreeFigure later, List<String> reference, boolean observed) {
        List<String> common =
                earlier.marks().stream().filter(later.marks()::contains).toList();
        List<String> holding = common.stream().filter(reference::contains).toList();
        if (holding.size() < 2) {
            return Optional.empty();
        }
        int dimension = earlier.dimension();
        SimpleMatrix first = values(earlier, common);
        SimpleMatrix second = values(later, common);
        SimpleMatrix covariance = covariance(later, common);
        if (dimension == 2) {
            SimpleMatrix turn = rotation(first, second, indices(common, holding));
            SimpleMatrix turns = new SimpleMatrix(2 * common.size(), 2 * common.size());
            for (int i = 0; i < common.size(); i++) {
                turns.insertIntoThis(2 * i, 2 * i, turn);
            }
            second = turns.mult(second);
            covariance = turns.mult(covariance).mult(turns.transpose());
        }
        return Optional.of(new Displacements(
                common,
                dimension,
                second.minus(first),
                observed ? covariance.plus(covariance(earlier, common)) : covariance,
                open(first, dimension)));
    }

    private static int[] indices(List<String> all, List<String> some) {
        return some.stream().mapToInt(all::indexOf).toArray();
    }

    private static SimpleMatrix values(FreeFigure figure, List<String> marks) {
        int m = figure.dimension();
        SimpleMatrix values = new SimpleMatrix(m * marks.size(), 1);
        for (int i = 0; i < marks.size(); i++) {
            int at = figure.marks().indexOf(marks.get(i));
            for (int k = 0; k < m; k++) {
                values.set(m * i + k, figure.values()[m * at + k]);
            }
        }
        return values;
    }

    private static SimpleMatrix covariance(FreeFigure figure, List<String> marks) {
        int m = figure.dimension();
        int[] at = new int[m * marks.size()];
        for (int i = 0; i < at.length; i++) {
            at[i] = m * figure.marks().indexOf(marks.get(i / m)) + i % m;
        }
        SimpleMatrix covariance = new SimpleMatrix(at.length, at.length);
        for (int i = 0; i < at.length; i++) {
            for (int j = 0; j < at.length; j++) {
                covariance.set(i, j, figure.covariance()[at[i]][at[j]]);
            }
        }
        return covariance;
    }

    /** The turn that lays the second on the first best, by marks that are to hold; the scale is the instrument's and stays. */
    private static SimpleMatrix rotation(SimpleMatrix first, SimpleMatrix second, int[] holding) {
        double[] one = middle(first, holding);
        double[] other = middle(second, holding);
        double along = 0;
        double across = 0;
        for (int i : holding) {
            double north = first.get(2 * i) - one[0];
            double east = first.get(2 * i + 1) - one[1];
            double otherNorth = second.get(2 * i) - other[0];
            double otherEast = second.get(2 * i + 1) - other[1];
            along += otherNorth * north + otherEast * east;
            across += otherNorth * east - otherEast * north;
        }
        double length = Math.hypot(along, across);
        double cos = length == 0 ? 1 : along / length;
        double sin = length == 0 ? 0 : across / length;
        return new SimpleMatrix(new double[][] {{cos, -sin}, {sin, cos}});
    }

    private static double[] middle(SimpleMatrix places, int[] holding) {
        double north = 0;
        double east = 0;
        for (int i : holding) {
            north += places.get(2 * i) / holding.length;
            east += places.get(2 * i + 1) / holding.length;
        }
        return new double[] {north, east};
    }

    /** Turns are scaled so that the farthest mark moves by one: metres and radians would make sums of no meaning. */
    private static SimpleMatrix open(SimpleMatrix places, int dimension) {
        int marks = places.getNumRows() / dimension;
        SimpleMatrix open = new SimpleMatrix(places.getNumRows(), dimension == 2 ? 3 : 1);
        int[] all = java.util.stream.IntStream.range(0, marks).toArray();
        double[] middle = dimension == 2 ? middle(places, all) : new double[2];
        double farthest = 1;
        for (int i = 0; i < marks && dimension == 2; i++) {
            farthest = Math.max(farthest, Math.hypot(places.get(2 * i) - middle[0], places.get(2 * i + 1) - middle[1]));
        }
        for (int i = 0; i < marks; i++) {
            open.set(dimension * i, 0, 1);
            if (dimension == 2) {
                open.set(2 * i + 1, 1, 1);
                open.set(2 * i, 2, -(places.get(2 * i + 1) - middle[1]) / farthest);
                open.set(2 * i + 1, 2, (places.get(2 * i) - middle[0]) / farthest);
            }
        }
        return open;
    }

    List<String> marks() {
        return marks;
    }

    int dimension() {
        return dimension;
    }

    /**
     * The same with the datum laid on some marks: these neither shift nor turn as a whole (S-transformation; Baarda 1973, from memory).
     *
     * @param reference at least two of {@link #marks}
     */
    Displacements onto(List<String> reference) {
        int n = shifts.getNumRows();
        SimpleMatrix chosen = new SimpleMatrix(n, n);
        for (int at : indices(marks, reference)) {
            for (int k = 0; k < dimension; k++) {
                chosen.set(dimension * at + k, dimension * at + k, 1);
            }
        }
        SimpleMatrix weighed = open.transpose().mult(chosen);
        SimpleMatrix less = SimpleMatrix.identity(n)
                .minus(open.mult(weighed.mult(open).invert()).mult(weighed));
        return new Displacements(
                marks, dimension, less.mult(shifts), less.mult(covariance).mult(less.transpose()), open);
    }

    /** The shift of a mark, metres. */
    double[] shift(String mark) {
        int at = dimension * marks.indexOf(mark);
        double[] shift = new double[dimension];
        for (int k = 0; k < dimension; k++) {
            shift[k] = shifts.get(at + k);
        }
        return shift;
    }

    /** The covariance of the shift of a mark, square metres. */
    double[][] covariance(String mark) {
        return covariance(mark, mark);
    }

    /** The covariance of the shifts of two marks. */
    double[][] covariance(String one, String other) {
        int at = dimension * marks.indexOf(one);
        int beside = dimension * marks.indexOf(other);
        double[][] own = new double[dimension][dimension];
        for (int i = 0; i < dimension; i++) {
            for (int j = 0; j < dimension; j++) {
                own[i][j] = covariance.get(at + i, beside + j);
            }
        }
        return own;
    }

    /** The weight of the shifts of some marks, which are on their own datum: the pseudo-inverse of their covariance. */
    private SimpleMatrix weight(int[] rows) {
        int n = rows.length;
        SimpleMatrix own = new SimpleMatrix(n, n);
        SimpleMatrix loose = new SimpleMatrix(n, open.getNumCols());
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                own.set(i, j, covariance.get(rows[i], rows[j]));
            }
            for (int k = 0; k < open.getNumCols(); k++) {
                loose.set(i, k, open.get(rows[i], k));
            }
        }
        // On its own datum the covariance is zero along what is open: filled up there it can be inverted, and is
        // emptied again.
        SimpleMatrix unit = loose.mult(loose.transpose().mult(loose).invert()).mult(loose.transpose());
        double scale = own.trace() / n;
        return own.plus(unit.scale(scale)).invert().minus(unit.scale(1 / scale));
    }

    /**
     * The test of some marks among themselves, on their own datum.
     *
     * @param held at least two of {@link #marks}, onto which these displacements were laid
     */
    Congruence congruence(List<String> held) {
        int[] at = indices(marks, held);
        int[] rows = new int[dimension * at.length];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = dimension * at[i / dimension] + i % dimension;
        }
        SimpleMatrix own = new SimpleMatrix(rows.length, 1);
        Arrays.setAll(own.getDDRM().data, i -> shifts.get(rows[i]));
        SimpleMatrix weight = weight(rows);
        SimpleMatrix weighed = weight.mult(own);
        double[] shares = new double[held.size()];
        for (int i = 0; i < shares.length; i++) {
            // What the sum of squares loses when this mark is let go (Pelzer 1971, from memory).
            SimpleMatrix part = weighed.rows(dimension * i, dimension * (i + 1));
            SimpleMatrix block =
                    weight.extractMatrix(dimension * i, dimension * (i + 1), dimension * i, dimension * (i + 1));
            shares[i] = part.transpose().mult(block.invert()).mult(part).get(0);
        }
        return new Congruence(held, own.transpose().mult(weighed).get(0), rows.length - open.getNumCols(), shares);
    }
}
