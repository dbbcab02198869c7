package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleConsumer;

/**
 * Which of many faults shifts each of many places farthest; each fault touches unknowns that stand together in one front. What a fault does
 * there is its right side times the inverse of that front. Farther off it is followed up the tree of the dissection, and on to single
 * places, only where it could matter: with the factor {@code N = Rᵀ R}, a fault {@code b} shifts an unknown {@code e} by the product of
 * {@code R⁻ᵀ b} and {@code R⁻ᵀ e}, and two that meet no lower than at some part share only the elements of that part and of those above
 * it. By Cauchy and Schwarz in each of these the shift is no more than the sum of the products of what of either lies there
 * ({@link ShiftBounds}); where that is less than the places were already shifted by other faults, nothing is computed.
 */
public final class FarthestShift {
    /** The share of the faults that was sought after each round: the largest first, beside which the others then need not go far. */
    private static final double[] ROUNDS = {0.02, 0.1, 0.3, 1};

    /** So many numbers are no burden. */
    private static final long KEPT = 16_000_000;

    /** The share of the work that is done before anything is sought. */
    private static final double BEFORE = 0.2;

    /** So many are sought before it is told how much is done. */
    private static final int TOGETHER = 512;

    private final SparseNormalEquations normal;
    private final Fronts fronts;
    private final ShiftedPlaces places;
    private final List<List<Fault>> standing = new ArrayList<>();

    private static final class Fault {
        private final int number;
        private final Dissection.Part stands;
        private final int[] positions;
        private final double[][] values;
        /** Its right sides times what they do: the squares of {@code R⁻ᵀ b}. */
        private Squares whole;

        Fault(int number, Dissection.Part stands, int[] positions, double[][] values) {
            this.number = number;
            this.stands = stands;
            this.positions = positions;
            this.values = values;
        }
    }

    /**
     * No fault yet.
     *
     * @param places of each place the unknowns it moves by, one or two of one node; {@link NumberedPlace#HELD} moves nowhere
     */
    FarthestShift(SparseNormalEquations normal, int[][] places) {
        this(normal, places, KEPT);
    }

    /** @param kept so many numbers are held at a time, whatever it costs to make them anew */
    FarthestShift(SparseNormalEquations normal, int[][] places, long kept) {
        this.normal = normal;
        this.fronts = new Fronts(normal);
        this.places = new ShiftedPlaces(normal, fronts, places, kept);
        fronts.parts().forEach(part -> standing.add(new ArrayList<>()));
    }

    /** A shift that is known already: faults that shift a place less are not sought. */
    public void atLeast(int place, double shift) {
        places.atLeast(place, shift * shift);
    }

    /**
     * Takes in a fault.
     *
     * @param sides as large as the fault may be; they must stand together ({@link Adjustment#isNear}); where they touch nothing, it shifts
     *     nothing
     */
    public void add(int number, RightSides sides) {
        if (sides.unknowns().length == 0) {
            return;
        }
        int[] positions = new int[sides.unknowns().length];
        double[][] values = new double[sides.ways()][positions.length];
        int earliest = Integer.MAX_VALUE;
        for (int i = 0; i < positions.length; i++) {
            positions[i] = normal.dissection().position(sides.unknowns()[i]);
            earliest = Math.min(earliest, positions[i]);
            for (int way = 0; way < values.length; way++) {
                values[way][i] = sides.values()[way][i] * normal.scale(positions[i]);
            }
        }
        Dissection.Part stands = normal.dissection().partAt(earliest);
        standing.get(stands.number()).add(new Fault(number, stands, positions, values));
    }

    /**
     * Seeks.
     *
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    public void search(DoubleConsumer progress) {
        AtOnce.each(fronts.parts(), true, this::whereTheyStand);
        List<Fault> faults = new ArrayList<>();
        standing.forEach(faults::addAll);
        faults.sort(Comparator.comparingDouble((Fault fault) -> fault.whole.longest())
                .reversed());
        progress.accept(BEFORE);
        ShiftBounds bounds = new ShiftBounds(fronts, places);
        int from = 0;
        for (double share : ROUNDS) {
            int end = (int) Math.round(share * faults.size());
            bounds.renew();
            // Neighbours one after the other: what one needs of the factor is at hand for the next.
            faults.subList(from, end).sort(Comparator.comparingInt(fault -> fault.stands.number()));
            while (from < end) {
                int to = Math.min(from + TOGETHER, end);
                AtOnce.each(faults.subList(from, to), true, fault -> follow(fault, bounds));
                from = to;
                progress.accept(BEFORE + (1 - BEFORE) * from / faults.size());
            }
        }
    }

    /** How far the place is shifted at most: by the faults taken in, or as was known before. */
    public double shift(int place) {
        return Math.sqrt(places.farthest(place));
    }

    /** The number of the fault that shifts it so far; -1 where none does more than was known before. */
    public int by(int place) {
        return places.by(place);
    }

    /** What each fault does in the front in which it stands. */
    private void whereTheyStand(Dissection.Part part) {
        List<Fault> faults = standing.get(part.number());
        if (faults.isEmpty()) {
            return;
        }
        double[][] inverse = normal.inverseOfFront(part);
        ShiftedPlaces.InFront near = places.in(part);
        for (Fault fault : faults) {
            int[] indices = part.indicesOf(fault.positions);
            double[][] rows = new double[indices.length][];
            for (int i = 0; i < indices.length; i++) {
                rows[i] = inverse[indices[i]];
            }
            double[][] answers = DenseVectors.sums(rows, fault.values);
            fault.whole = squares(fault.values, indices, answers);
            near.judge(fault.number, fault.whole.longest(), answers);
        }
    }

    private static Squares squares(double[][] values, int[] indices, double[][] answers) {
        int other = values.length - 1;
        double first = 0;
        double second = 0;
        double product = 0;
        for (int i = 0; i < indices.length; i++) {
            first += values[0][i] * answers[0][indices[i]];
            second += values[other][i] * answers[other][indices[i]];
            product += values[0][i] * answers[other][indices[i]];
        }
        return other > 0 ? new Squares(first, second, product) : new Squares(first, 0, 0);
    }

    /** Up from where it stands while it could shift a place farther up or beyond, then on to those places. */
    private void follow(Fault fault, ShiftBounds bounds) {
        double whole = Math.sqrt(fault.whole.longest());
        if (!mayShiftAny(whole, fault.stands, bounds)) {
            return;
        }
        Rising rising = new Rising(fronts, fault.stands, fault.positions, fault.values);
        Reach reach = new Reach(fault.number, rising, fronts.depth(fault.stands), fault.whole);
        List<Dissection.Part> way = new ArrayList<>();
        Dissection.Part next = fault.stands;
        while (next != null) {
            reach.rise();
            way.add(next);
            boolean farther = !fronts.isOnTop(next) && bounds.mayShiftOutside(reach.upTo(reach.last() - 1), next);
            next = farther ? fronts.above(next) : null;
        }
        Dissection.Part from = null;
        for (Dissection.Part part : way) {
            if (from != null) {
                judge(reach, part, part, bounds);
            }
            for (Dissection.Part under : part.under()) {
                if (under != from) {
                    descend(reach, part, under, bounds);
                }
            }
            from = part;
        }
    }

    private static boolean mayShiftAny(double whole, Dissection.Part part, ShiftBounds bounds) {
        return bounds.mayShiftOutside(whole, part) || bounds.mayShiftUnder(whole, part);
    }

    /** Into a part and those under it, where a fault that meets their places farther up could shift one. */
    private void descend(Reach reach, Dissection.Part meeting, Dissection.Part part, ShiftBounds bounds) {
        if (bounds.mayShiftUnder(part, fronts.depth(meeting), reach)) {
            judge(reach, meeting, part, bounds);
            for (Dissection.Part under : part.under()) {
                descend(reach, meeting, under, bounds);
            }
        }
    }

    private void judge(Reach reach, Dissection.Part meeting, Dissection.Part part, ShiftBounds bounds) {
        for (int place : places.of(part)) {
            if (bounds.mayShift(place, fronts.depth(meeting), reach)) {
                places.judge(place, reach.number(), reach.toTheTop(), fronts.end(meeting));
            }
        }
    }
}
