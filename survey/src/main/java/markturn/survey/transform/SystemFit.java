package markturn.survey.transform;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * How one system of coordinates lies in another, found from marks known in both by least squares, all weighing alike: the plan turned and
 * shifted, its scale held or free (F. R. Helmert's transformation), or stretched and skewed too (affine); elevations shifted, and tilted
 * where enough marks have them. Textbook. Coordinates are counted from the middle of the marks.
 */
public final class SystemFit {
    /** What of the plan is free. */
    public enum Kind {
        /** Shift and turn: three unknowns. */
        SCALE_HELD(2, 3),
        /** Shift, turn and one scale: four. */
        SCALE_FREE(2, 4),
        /** Shift, and each axis with a scale and a direction of its own: six. */
        AFFINE(3, 6);

        private final int fewest;
        private final int unknowns;

        Kind(int fewest, int unknowns) {
            this.fewest = fewest;
            this.unknowns = unknowns;
        }

        /** How many marks it takes at least; then nothing is checked where their coordinates are no more than the unknowns. */
        public int fewest() {
            return fewest;
        }
    }

    /** What a mark is off by after the fit, job minus list transformed, metres; {@code up} empty where it has not both elevations. */
    public record Residual(String mark, double north, double east, OptionalDouble up) {
        /** In the plan. */
        public double plan() {
            return Math.hypot(north, east);
        }
    }

    /** So many marks with both elevations are wanted before a tilt is solved for: one is left over. */
    private static final int MARKS_FOR_TILT = 4;
    /** A mark is named where the others fit so many times better without it. Common practice, no source. */
    private static final double TIMES_BETTER = 4;

    private final Kind kind;
    private final List<InBoth> marks;
    private final double[] middleFrom;
    private final double[] middleTo;
    /** Row by row: what northing and easting in the list give for northing and easting in the job. */
    private final double[] matrix;
    /** Shift, and slopes by northing and easting, of elevations; empty where no mark has both. */
    private final Optional<double[]> levels;

    private SystemFit(
            Kind kind,
            List<InBoth> marks,
            double[] middleFrom,
            double[] middleTo,
            double[] matrix,
            Optional<double[]> levels) {
        this.kind = kind;
        this.marks = List.copyOf(marks);
        this.middleFrom = middleFrom;
        this.middleTo = middleTo;
        this.matrix = matrix;
        this.levels = levels;
    }

    /**
     * Fits.
     *
     * @param marks known in both
     * @return empty where they are too few, or lie at one place or (affine) on one line
     */
    public static Optional<SystemFit> of(Kind kind, List<InBoth> marks) {
        if (marks.size() < kind.fewest()) {
            return Optional.empty();
        }
        double[] from = middle(marks.stream().map(InBoth::from).toList());
        double[] to = middle(marks.stream().map(InBoth::to).toList());
        return plan(kind, marks, from, to)
                .map(matrix -> new SystemFit(kind, marks, from, to, matrix, elevations(marks, from)));
    }

    private static double[] middle(List<Mark.Coordinates> places) {
        return new double[] {
            places.stream().mapToDouble(Mark.Coordinates::northing).average().orElseThrow(),
            places.stream().mapToDouble(Mark.Coordinates::easting).average().orElseThrow()
        };
    }

    private static Optional<double[]> plan(Kind kind, List<InBoth> marks, double[] from, double[] to) {
        double nn = 0;
        double ee = 0;
        double ne = 0;
        double[] products = new double[4];
        for (InBoth mark : marks) {
            double n = mark.from().northing() - from[0];
            double e = mark.from().easting() - from[1];
            double north = mark.to().northing() - to[0];
            double east = mark.to().easting() - to[1];
            nn += n * n;
            ee += e * e;
            ne += n * e;
            products[0] += n * north;
            products[1] += e * north;
            products[2] += n * east;
            products[3] += e * east;
        }
        if (kind == Kind.AFFINE) {
            double determinant = nn * ee - ne * ne;
            return determinant <= 1e-9 * (nn + ee) * (nn + ee)
                    ? Optional.empty()
                    : Optional.of(new double[] {
                        (products[0] * ee - products[1] * ne) / determinant,
                        (products[1] * nn - products[0] * ne) / determinant,
                        (products[2] * ee - products[3] * ne) / determinant,
                        (products[3] * nn - products[2] * ne) / determinant
                    });
        }
        double cosine = products[0] + products[3];
        double sine = products[2] - products[1];
        double spread = nn + ee;
        double scale = kind == Kind.SCALE_HELD ? Math.hypot(cosine, sine) : spread;
        return spread < 1e-6 || scale == 0
                ? Optional.empty()
                : Optional.of(new double[] {cosine / scale, -sine / scale, sine / scale, cosine / scale});
    }

    private static Optional<double[]> elevations(List<InBoth> marks, double[] middle) {
        List<InBoth> both = marks.stream()
                .filter(m ->
                        m.from().elevation().isPresent() && m.to().elevation().isPresent())
                .toList();
        if (both.isEmpty()) {
            return Optional.empty();
        }
        int unknowns = both.size() < MARKS_FOR_TILT ? 1 : 3;
        DMatrixRMaj design = new DMatrixRMaj(both.size(), unknowns);
        DMatrixRMaj differences = new DMatrixRMaj(both.size(), 1);
        for (int i = 0; i < both.size(); i++) {
            InBoth mark = both.get(i);
            double[] row = {1, mark.from().northing() - middle[0], mark.from().easting() - middle[1]};
            for (int j = 0; j < unknowns; j++) {
                design.set(i, j, row[j]);
            }
            differences.set(
                    i,
                    0,
                    mark.to().elevation().getAsDouble()
                            - mark.from().elevation().getAsDouble());
        }
        LinearSolverDense<DMatrixRMaj> solver = LinearSolverFactory_DDRM.leastSquares(both.size(), unknowns);
        DMatrixRMaj solved = new DMatrixRMaj(unknowns, 1);
        double[] levels = new double[3];
        if (unknowns > 1 && solver.setA(design.copy()) && solver.quality() > 1e-10) {
            solver.solve(differences, solved);
            System.arraycopy(solved.getData(), 0, levels, 0, unknowns);
        } else {
            for (int i = 0; i < both.size(); i++) {
                levels[0] += differences.get(i, 0) / both.size();
            }
        }
        return Optional.of(levels);
    }

    /** A place of the list in the job's system; its elevation as the marks with elevations say, else as it was. */
    public Mark.Coordinates apply(Mark.Coordinates at) {
        double n = at.northing() - middleFrom[0];
        double e = at.easting() - middleFrom[1];
        OptionalDouble up = at.elevation();
        return new Mark.Coordinates(
                middleTo[0] + matrix[0] * n + matrix[1] * e,
                middleTo[1] + matrix[2] * n + matrix[3] * e,
                up.isPresent() && levels.isPresent()
                        ? OptionalDouble.of(
                                up.getAsDouble() + levels.get()[0] + levels.get()[1] * n + levels.get()[2] * e)
                        : up);
    }

    /** What each mark is off by. */
    public List<Residual> residuals() {
        return marks.stream().map(this::residual).toList();
    }

    private Residual residual(InBoth mark) {
        Mark.Coordinates seen = apply(mark.from());
        boolean levelled = levels.isPresent()
                && mark.from().elevation().isPresent()
                && mark.to().elevation().isPresent();
        return new Residual(
                mark.mark(),
                mark.to().northing() - seen.northing(),
                mark.to().easting() - seen.easting(),
                levelled
                        ? OptionalDouble.of(mark.to().elevation().getAsDouble()
                                - seen.elevation().getAsDouble())
                        : OptionalDouble.empty());
    }

    /** How many coordinates of the plan are left over. */
    public int redundancy() {
        return 2 * marks.size() - kind.unknowns;
    }

    /** Standard deviation of one coordinate as the residuals show it, metres; empty where none is left over. */
    public OptionalDouble stdDev() {
        double squares =
                residuals().stream().mapToDouble(r -> r.plan() * r.plan()).sum();
        return redundancy() > 0 ? OptionalDouble.of(Math.sqrt(squares / redundancy())) : OptionalDouble.empty();
    }

    /** What scale and turn of the plan came out, the scale as the root of the area's: 1 and radians. */
    public double scale() {
        return Math.sqrt(Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]));
    }

    /** By how much the list is turned to come into the job's system, clockwise, radians. */
    public double turn() {
        return Math.atan2(matrix[2] - matrix[1], matrix[0] + matrix[3]);
    }

    /** The mark without which the others fit many times better; empty where none stands out, or where too few are left to tell. */
    public Optional<String> disagrees() {
        if (redundancy() < 3) {
            return Optional.empty();
        }
        double all = stdDev().orElse(0);
        List<SystemFit> without = new ArrayList<>();
        for (InBoth mark : marks) {
            List<InBoth> others = new ArrayList<>(marks);
            others.remove(mark);
            of(kind, others).ifPresent(without::add);
        }
        if (without.size() < marks.size()) {
            return Optional.empty();
        }
        SystemFit best = without.stream()
                .min(Comparator.comparingDouble(f -> f.stdDev().orElse(Double.MAX_VALUE)))
                .orElseThrow();
        String left = marks.get(without.indexOf(best)).mark();
        return best.stdDev().orElse(all) * TIMES_BETTER < all ? Optional.of(left) : Optional.empty();
    }

    /** How far another fit puts places elsewhere, the farthest, metres: what the choice is worth. */
    public double apartFrom(SystemFit other, List<Mark.Coordinates> places) {
        return places.stream()
                .mapToDouble(at -> {
                    Mark.Coordinates here = apply(at);
                    Mark.Coordinates there = other.apply(at);
                    return Math.hypot(here.northing() - there.northing(), here.easting() - there.easting());
                })
                .max()
                .orElse(0);
    }
}
