package markturn.survey.epoch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.chance.Distributions;
import markturn.survey.network.FreeFigure;

/**
 * Two epochs compared, in plan or in elevation: the reference is tested among itself first, and every mark then against what is left of it.
 *
 * @param reference the marks that hold the datum
 * @param left marks that were meant to and did not hold, in the order in which they were let go
 * @param agrees whether what is left agrees within chance
 * @param movements of all common marks, in the order of the earlier epoch
 */
public record FigureComparison(List<String> reference, List<Left> left, boolean agrees, List<Movement> movements) {
    /** One in a hundred is found fault with by chance alone. */
    static final double ALARM = 0.01;

    /** Four times in five. */
    static final double POWER = 0.8;

    /**
     * A mark let go from the reference.
     *
     * @param others marks that explain it as well: with one of them let go instead, the rest agrees too
     */
    public record Left(String mark, List<String> others) {}

    /**
     * Compares.
     *
     * @param meant marks that are meant to be stable; those that both have count
     * @param alarm with what probability the test of the reference may fail by chance
     * @param each the same of the test of each mark
     * @return empty where fewer than two of them are common
     */
    static Optional<FigureComparison> of(
            FreeFigure earlier, FreeFigure later, List<String> meant, double alarm, double each) {
        return Displacements.between(earlier, later, meant).map(all -> compared(all, meant, alarm, each));
    }

    private static FigureComparison compared(Displacements all, List<String> meant, double alarm, double each) {
        List<String> reference =
                new ArrayList<>(all.marks().stream().filter(meant::contains).toList());
        List<Left> left = new ArrayList<>();
        Displacements laid = all.onto(reference);
        Congruence test = laid.congruence(reference);
        // Of two marks neither can be told from the other; one more than that has to stay.
        while (test.fails(alarm) && reference.size() > 2) {
            Congruence failed = test;
            String mark = failed.suspect();
            left.add(new Left(
                    mark,
                    reference.stream()
                            .filter(other -> !other.equals(mark) && failed.holdsWithout(other, all.dimension(), alarm))
                            .toList()));
            reference.remove(mark);
            laid = all.onto(reference);
            test = laid.congruence(reference);
        }
        List<String> gone = left.stream().map(Left::mark).toList();
        MarkTest eachMark = MarkTest.of(all.dimension(), each);
        List<Movement> movements = new ArrayList<>();
        for (String mark : all.marks()) {
            Movement.Part part = reference.contains(mark)
                    ? Movement.Part.REFERENCE
                    : gone.contains(mark) ? Movement.Part.LEFT_REFERENCE : Movement.Part.COMPARED;
            movements.add(eachMark.movement(laid, mark, part));
        }
        return new FigureComparison(List.copyOf(reference), left, !test.fails(alarm), movements);
    }

    /**
     * What every mark of one comparison is held against; the same for all, and dear to find.
     *
     * @param limit of the squared movement by its covariance, chi-square
     * @param shown the noncentrality that exceeds it four times in five
     */
    private record MarkTest(double limit, double shown) {
        static MarkTest of(int degrees, double alarm) {
            return new MarkTest(
                    Distributions.chiSquare(degrees, alarm), Distributions.noncentrality(degrees, alarm, POWER));
        }

        Movement movement(Displacements laid, String mark, Movement.Part part) {
            double[] shift = laid.shift(mark);
            double[][] covariance = laid.covariance(mark);
            return new Movement(
                    mark,
                    part,
                    shift,
                    covariance,
                    squared(shift, covariance),
                    limit,
                    Math.sqrt(shown * largest(covariance)));
        }
    }

    /** {@code dᵀ Q⁻¹ d} of one or two rows. */
    static double squared(double[] d, double[][] q) {
        if (d.length == 1) {
            return d[0] * d[0] / q[0][0];
        }
        double determinant = q[0][0] * q[1][1] - q[0][1] * q[1][0];
        return (q[1][1] * d[0] * d[0] - 2 * q[0][1] * d[0] * d[1] + q[0][0] * d[1] * d[1]) / determinant;
    }

    private static double largest(double[][] q) {
        if (q.length == 1) {
            return q[0][0];
        }
        return (q[0][0] + q[1][1]) / 2 + Math.hypot((q[0][0] - q[1][1]) / 2, q[0][1]);
    }

    /** What a mark did; empty where only one of the epochs has it. */
    public Optional<Movement> movement(String mark) {
        return movements.stream().filter(m -> m.mark().equals(mark)).findFirst();
    }

    /** The marks that moved. */
    public List<Movement> moved() {
        return movements.stream().filter(Movement::moved).toList();
    }
}
