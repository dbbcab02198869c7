package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleConsumer;

/**
 * Which of many faults shifts each of many places farthest; each fault touches unknowns that stand together in one front. What a fault does
 * there is its right side times the inverse of that front. Farther off it is followed up and down the tree of the dissection only where
 * it could matter: with the factor {@code N = Rᵀ R}, a fault {@code b} shifts an unknown {@code e} by the product of {@code R⁻ᵀ b} and
 * {@code R⁻ᵀ e}, and two that meet no lower than at some part share only the elements of that part and of those above it. By Cauchy and
 * Schwarz the shift is no more than what is left of the fault there, times the deviation of the unknown; where that is less than the
 * place was already shifted by another fault, and all places beyond likewise, nothing is computed.
 */
public final class FarthestShift {
    /** The share of the faults that was sought after each round: the largest first, beside which the others then need not go far. */
    private static final double[] ROUNDS = {0.02, 0.1, 0.3, 1};

    /** So many vectors are worth another processor. */
    private static final int SEVERAL = 16;

    /** Rounding may make what is left of a fault smaller than it is, by this much of the whole. */
    private static final double ROUNDING = 1e-12;

    private final SparseNormalEquations normal;
    private final Fronts fronts;
    private final ShiftedPlaces places;
    private final List<List<Fault>> standing = new ArrayList<>();

    /** A fault on its way. */
    private static final class Fault {
        private final int number;
        private final int stands;
        private final int[] positions;
        private final double[][] values;
        private double whole;
        /** What of it is left at the part where it stands, squared. */
        private double left;
        /** The roots of what of that lies in the part, and of what lies beyond. */
        private double here;

        private double beyond;
        /** What is left of its right sides at the boundary of the part that it comes from; null where it began. */
        private double[][] side;

        private Dissection.Part from;

        Fault(int number, int stands, int[] positions, double[][] values) {
            this.number = number;
            this.stands = stands;
            this.positions = positions;
            this.values = values;
        }

        int ways() {
            return values.length;
        }
    }

    /**
     * No fault yet.
     *
     * @param places of each place the unknowns it moves by, one or two of one node; {@link NumberedPlace#HELD} moves nowhere
     */
    FarthestShift(SparseNormalEquations normal, int[][] places) {
        this.normal = normal;
        this.fronts = new Fronts(normal);
        this.places = new ShiftedPlaces(normal, places);
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
        int stands = normal.dissection().partAt(earliest).number();
        standing.get(stands).add(new Fault(number, stands, positions, values));
    }

    /**
     * Seeks.
     *
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    public void search(DoubleConsumer progress) {
        List<Dissection.Part> parts = fronts.parts();
        double all = (1.0 + ROUNDS.length) * parts.size();
        int done = 0;
        AtOnce.each(parts, true, this::whereTheyStand);
        List<Fault> faults = new ArrayList<>();
        for (List<Fault> some : standing) {
            faults.addAll(some);
            some.clear();
            progress.accept(++done / all);
        }
        faults.sort(Comparator.comparingDouble((Fault fault) -> fault.left).reversed());
        VarianceShares shares = new VarianceShares(normal, fronts, places);
        int from = 0;
        for (double share : ROUNDS) {
            int to = (int) Math.round(share * faults.size());
            for (Fault fault : faults.subList(from, to)) {
                standing.get(fault.stands).add(fault);
            }
            from = to;
            shares.renew();
            for (Dissection.Part part : parts) {
                climb(part, shares);
                progress.accept(++done / all);
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
        Fronts.Inverse inverse = fronts.inverse(part);
        ShiftedPlaces.InFront near = places.in(part);
        for (Fault fault : faults) {
            int[] indices = part.indicesOf(fault.positions);
            double[][] answers = inverse.answers(indices, fault.values);
            for (int way = 0; way < answers.length; way++) {
                for (int i = 0; i < indices.length; i++) {
                    fault.whole += fault.values[way][i] * answers[way][indices[i]];
                }
            }
            fault.left = fault.whole;
            near.judge(fault.number, fault.left, true, answers);
        }
    }

    /** What comes from under a part, and what stands in it, shifts places in it and under it; what is left goes on to the part above. */
    private void climb(Dissection.Part part, VarianceShares shares) {
        List<Fault> faults = standing.get(part.number()).stream()
                .filter(fault -> mayShift(fault, part, shares))
                .toList();
        standing.set(part.number(), new ArrayList<>());
        if (!faults.isEmpty()) {
            ShiftedPlaces.InFront near = places.in(part);
            Fronts.Inverse inverse = fronts.inverse(part);
            AtOnce.each(faults, faults.size() > SEVERAL, fault -> climb(part, fault, near, inverse, shares));
        }
    }

    private static boolean mayShift(Fault fault, Dissection.Part part, VarianceShares shares) {
        boolean may = shares.mayShiftOutside(fault.left, part) || shares.mayShiftPivots(fault.left, part);
        for (Dissection.Part under : part.under()) {
            may |= shares.mayShiftUnder(fault.left, under, 1);
        }
        return may;
    }

    private void climb(
            Dissection.Part part,
            Fault fault,
            ShiftedPlaces.InFront near,
            Fronts.Inverse inverse,
            VarianceShares shares) {
        boolean arrived = fault.side != null;
        int[] indices = arrived ? fronts.fromAbove(fault.from) : part.indicesOf(fault.positions);
        double[][] sides = arrived ? fault.side : fault.values;
        Fronts.Eliminated eliminated = fronts.eliminated(part, indices, sides);
        double after = Math.max(0, fault.left - eliminated.taken()) + ROUNDING * fault.whole;
        fault.here = Math.sqrt(eliminated.taken());
        fault.beyond = Math.sqrt(after);
        boolean farther = arrived && shares.mayShiftPivots(fault.left, part);
        for (Dissection.Part under : part.under()) {
            farther |= isFollowed(fault, under, 1, shares);
        }
        if (farther) {
            double[][] answers = arrived ? inverse.answers(fault.from, sides) : inverse.answers(indices, sides);
            near.judge(fault.number, fault.left, true, answers);
            descend(part, fault, answers, 1, shares);
        }
        if (shares.mayShiftOutside(after, part)) {
            fault.side = eliminated.left();
            fault.from = part;
            fault.left = after;
            List<Fault> next = standing.get(fronts.above(part.number()));
            synchronized (next) {
                next.add(fault);
            }
        }
    }

    private static boolean isFollowed(Fault fault, Dissection.Part under, int levels, VarianceShares shares) {
        return under != fault.from
                && shares.mayShiftUnder(fault.left, under, levels)
                && shares.mayShiftUnder(fault.here, fault.beyond, under, levels);
    }

    /** Down into the parts under one, where what is left of a fault could shift a place farther. */
    private void descend(Dissection.Part part, Fault fault, double[][] answers, int levels, VarianceShares shares) {
        for (Dissection.Part under : part.under()) {
            if (isFollowed(fault, under, levels, shares)) {
                double[][] its = fronts.followed(under, answers);
                places.in(under).judge(fault.number, fault.left, false, its);
                descend(under, fault, its, levels + 1, shares);
            }
        }
    }
}
