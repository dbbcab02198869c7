package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Arrays;
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

    /** Places rise through a front while they are no more than so many times its unknowns. */
    private static final int MOST_RISING = 2;

    /** So many numbers are no burden. */
    private static final int KEPT = 4_000_000;

    /** More than any share of a shift. */
    private static final double ANY = 1e100;

    /** Rounding may make what is left of a fault smaller than it is, by this much of the whole. */
    private static final double ROUNDING = 1e-12;

    private final SparseNormalEquations normal;
    private final List<Dissection.Part> parts;
    private final int[][] places;
    private final double[][] scales;
    private final double[] variance;
    private final double[] farthest;
    private final int[] by;
    /** By position: the place whose first sought unknown stands there, or -1. */
    private final int[] placeAt;

    private final List<List<Fault>> standing = new ArrayList<>();
    private final int[] above;
    private final Below[] below;
    private final double[][][] inverses;
    private final boolean areKept;
    /** Of each part but those on top: where its boundary stands in the front above it. */
    private final int[][] fromAbove;

    private final Rising[] rising;
    private final double[][] shares;
    private final double[][] sharesHere;
    private final double[][] sharesBeyond;
    private final double[] sharesOfPivots;
    private final double[] sharesOutside;

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
        this.parts = normal.dissection().parts();
        this.places = new int[places.length][2];
        this.scales = new double[places.length][2];
        this.variance = new double[places.length];
        this.farthest = new double[places.length];
        this.by = new int[places.length];
        this.placeAt = new int[normal.dissection().size()];
        this.above = new int[parts.size()];
        this.below = new Below[parts.size()];
        this.inverses = new double[parts.size()][][];
        this.areKept = parts.stream()
                        .mapToLong(part -> (long) part.size() * part.size())
                        .sum()
                < KEPT;
        this.fromAbove = new int[parts.size()][];
        this.rising = new Rising[places.length];
        this.sharesHere = new double[parts.size()][];
        this.sharesBeyond = new double[parts.size()][];
        this.shares = new double[parts.size()][];
        this.sharesOfPivots = new double[parts.size()];
        this.sharesOutside = new double[parts.size()];
        Arrays.fill(by, -1);
        Arrays.fill(placeAt, -1);
        for (int place = 0; place < places.length; place++) {
            Arrays.fill(this.places[place], -1);
            int sought = 0;
            for (int unknown : places[place]) {
                if (unknown != NumberedPlace.HELD) {
                    int position = normal.dissection().position(unknown);
                    scales[place][sought] = normal.scale(position);
                    this.places[place][sought++] = position;
                    variance[place] += normal.cofactor(unknown, unknown);
                    placeAt[this.places[place][0]] = place;
                }
            }
        }
        for (int part = 0; part < parts.size(); part++) {
            standing.add(new ArrayList<>());
        }
        Arrays.fill(above, -1);
        parts.forEach(part -> part.under().forEach(under -> {
            above[under.number()] = part.number();
            fromAbove[under.number()] = part.indicesOf(under.boundary());
        }));
    }

    /** A shift that is known already: faults that shift a place less are not sought. */
    public void atLeast(int place, double shift) {
        farthest[place] = Math.max(farthest[place], shift * shift);
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
        double all = (1.0 + ROUNDS.length) * parts.size();
        int done = 0;
        List<Fault> faults = new ArrayList<>();

        AtOnce.each(parts, true, this::whereTheyStand);
        for (Dissection.Part part : parts) {
            faults.addAll(standing.get(part.number()));
            standing.get(part.number()).clear();
            progress.accept(++done / all);
        }
        faults.sort(Comparator.comparingDouble((Fault fault) -> fault.left).reversed());
        partVariances();
        int from = 0;
        for (double share : ROUNDS) {
            int to = (int) Math.round(share * faults.size());
            for (Fault fault : faults.subList(from, to)) {
                standing.get(fault.stands).add(fault);
            }
            from = to;
            share();
            for (Dissection.Part part : parts) {
                climb(part);
                progress.accept(++done / all);
            }
        }
    }

    /** How far the place is shifted at most: by the faults taken in, or as was known before. */
    public double shift(int place) {
        return Math.sqrt(farthest[place]);
    }

    /** The number of the fault that shifts it so far; -1 where none does more than was known before. */
    public int by(int place) {
        return by[place];
    }

    /** What each fault does in the front in which it stands. */
    private void whereTheyStand(Dissection.Part part) {
        List<Fault> faults = standing.get(part.number());
        if (faults.isEmpty()) {
            return;
        }
        double[][] inverse = inverse(part);
        FrontPlaces near = new FrontPlaces(part);
        for (Fault fault : faults) {
            int[] indices = part.indicesOf(fault.positions);
            double[][] answers = answers(inverse, indices, fault.values);
            for (int way = 0; way < answers.length; way++) {
                for (int i = 0; i < indices.length; i++) {
                    fault.whole += fault.values[way][i] * answers[way][indices[i]];
                }
            }
            fault.left = fault.whole;
            judge(fault, near, near.count, answers);
        }
    }

    /** The inverse of a front; kept where all of them are no burden. */
    private double[][] inverse(Dissection.Part part) {
        if (!areKept) {
            return normal.inverseOfFront(part);
        }
        if (inverses[part.number()] == null) {
            inverses[part.number()] = normal.inverseOfFront(part);
        }
        return inverses[part.number()];
    }

    /** What right sides are answered with in a front, of which they have elements at some indices. */
    private static double[][] answers(double[][] inverse, int[] indices, double[][] sides) {
        double[][] rows = new double[indices.length][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = inverse[indices[i]];
        }
        return DenseRows.sums(rows, sides);
    }

    /** The places of a front, those of its pivots first, and the indices of their unknowns; -1 for one that is held. */
    private final class FrontPlaces {
        private final int[] place;
        private final int[] first;
        private final int[] second;
        private final int ofPivots;
        private final int count;

        FrontPlaces(Dissection.Part part) {
            int size = part.size();
            place = new int[size];
            first = new int[size];
            second = new int[size];
            int found = 0;
            int pivots = 0;
            for (int index = 0; index < size; index++) {
                int at = placeAt[part.positionOf(index)];
                if (at >= 0) {
                    int other = places[at][1];
                    place[found] = at;
                    first[found] = index;
                    second[found++] = other < 0 ? -1 : part.indexOf(other);
                }
                if (index < part.pivots()) {
                    pivots = found;
                }
            }
            ofPivots = pivots;
            count = found;
        }
    }

    /** How a part follows what stands above it. */
    private final class Below {
        private final FrontPlaces near;
        private final int[] indices;
        private final double[][] ways;
        private final int pivots;

        Below(Dissection.Part part) {
            near = new FrontPlaces(part);
            indices = fromAbove[part.number()];
            ways = normal.ways(part);
            pivots = part.pivots();
        }

        /** The answers in this part's front, of those in the front above it. */
        double[][] follow(double[][] above) {
            double[][] ofBoundary = new double[above.length][indices.length];
            for (int way = 0; way < above.length; way++) {
                for (int i = 0; i < indices.length; i++) {
                    ofBoundary[way][i] = above[way][indices[i]];
                }
            }
            double[][] answers = DenseRows.sums(ways, ofBoundary);
            for (int way = 0; way < above.length; way++) {
                answers[way] = Arrays.copyOf(answers[way], pivots + indices.length);
                System.arraycopy(ofBoundary[way], 0, answers[way], pivots, indices.length);
            }
            return answers;
        }
    }

    private Below below(Dissection.Part part) {
        if (below[part.number()] == null) {
            below[part.number()] = new Below(part);
        }
        return below[part.number()];
    }

    /** Whether a fault shifts the first places of a front farther than others do. */
    private void judge(Fault fault, FrontPlaces near, int many, double[][] answers) {
        for (int i = 0; i < many; i++) {
            int place = near.place[i];
            if (fault.left * variance[place] < farthest[place]) {
                continue;
            }
            double nn = 0;
            double ee = 0;
            double ne = 0;
            for (double[] answer : answers) {
                double north = answer[near.first[i]] * scales[place][0];
                double east = near.second[i] < 0 ? 0 : answer[near.second[i]] * scales[place][1];
                nn += north * north;
                ee += east * east;
                ne += north * east;
            }
            double half = (nn - ee) / 2;
            double squared = (nn + ee) / 2 + Math.sqrt(half * half + ne * ne);
            if (squared >= farthest[place]) {
                take(place, squared, fault.number);
            }
        }
    }

    private synchronized void take(int place, double squared, int number) {
        if (squared > farthest[place] || squared == farthest[place] && number < by[place]) {
            farthest[place] = squared;
            by[place] = number;
        }
    }

    /** What comes from under a part, and what stands in it, shifts places in it and under it; what is left goes on to the part above. */
    private void climb(Dissection.Part part) {
        double most = Math.max(sharesOutside[part.number()], sharesOfPivots[part.number()]);
        for (Dissection.Part under : part.under()) {
            most = Math.max(most, shares[under.number()][1]);
        }
        double least = most;
        List<Fault> faults = standing.get(part.number()).stream()
                .filter(fault -> fault.left * least * least > 1)
                .toList();
        standing.set(part.number(), new ArrayList<>());
        if (!faults.isEmpty()) {
            FrontPlaces near = new FrontPlaces(part);
            double[][] inverse = inverse(part);
            AtOnce.each(faults, faults.size() > SEVERAL, fault -> climb(part, fault, near, inverse));
        }
    }

    private void climb(Dissection.Part part, Fault fault, FrontPlaces near, double[][] inverse) {
        boolean arrived = fault.side != null;
        int[] indices = arrived ? fromAbove[fault.from.number()] : part.indicesOf(fault.positions);
        double[][] sides = arrived ? fault.side : fault.values;
        double[][] rows = new double[sides.length][part.size()];
        double taken = 0;
        for (int way = 0; way < rows.length; way++) {
            for (int i = 0; i < indices.length; i++) {
                rows[way][indices[i]] = sides[way][i];
            }
            taken += DenseRows.forward(normal.factor(part), rows[way]);
        }
        double after = Math.max(0, fault.left - taken) + ROUNDING * fault.whole;
        fault.here = Math.sqrt(taken);
        fault.beyond = Math.sqrt(after);
        double own = sharesOfPivots[part.number()];
        boolean farther = arrived && fault.left * own * own > 1;
        for (Dissection.Part under : part.under()) {
            farther |= under != fault.from && mayShift(fault, under, 1);
        }
        if (farther) {
            double[][] answers = answers(inverse, indices, sides);
            judge(fault, near, near.count, answers);
            descend(part, fault, answers, 1);
        }
        if (after * sharesOutside[part.number()] * sharesOutside[part.number()] > 1) {
            fault.side = new double[rows.length][];
            for (int way = 0; way < rows.length; way++) {
                fault.side[way] = Arrays.copyOfRange(rows[way], part.pivots(), part.size());
            }
            fault.from = part;
            fault.left = after;
            List<Fault> next = standing.get(above[part.number()]);
            synchronized (next) {
                next.add(fault);
            }
        }
    }

    /** Whether a fault may shift any place in a part or under it farther, that is so many levels under where the fault is followed from. */
    private boolean mayShift(Fault fault, Dissection.Part part, int levels) {
        double all = shares[part.number()][levels];
        return fault.left * all * all > 1
                && fault.here * sharesHere[part.number()][levels] + fault.beyond * sharesBeyond[part.number()][levels]
                        > 1;
    }

    /** Down into the parts under one, where what is left of a fault could shift a place farther. */
    private void descend(Dissection.Part part, Fault fault, double[][] answers, int levels) {
        for (Dissection.Part under : part.under()) {
            if (under == fault.from || !mayShift(fault, under, levels)) {
                continue;
            }
            Below below = below(under);
            double[][] its = below.follow(answers);
            judge(fault, below.near, below.near.ofPivots, its);
            descend(under, fault, its, levels + 1);
        }
    }

    /** A place on its way up: what of its variance lies in its own part, and in each above; left is all that was not parted. */
    private static final class Rising {
        private final int place;
        private final int part;
        private final List<Double> squares = new ArrayList<>();
        private double left;
        private double[][] side;
        private Dissection.Part from;

        Rising(int place, int part, double variance) {
            this.place = place;
            this.part = part;
            this.left = variance;
        }
    }

    /** Parts the variance of every place among its part and those above it, as far as that costs no more than the factor did. */
    private void partVariances() {
        List<List<Rising>> arriving = new ArrayList<>();
        parts.forEach(part -> arriving.add(new ArrayList<>()));
        for (Dissection.Part part : parts) {
            List<Rising> some = arriving.set(part.number(), List.of());
            for (int position = part.first(); position < part.first() + part.pivots(); position++) {
                int place = placeAt[position];
                if (place >= 0) {
                    rising[place] = new Rising(place, part.number(), variance[place]);
                    some.add(rising[place]);
                }
            }
            if (some.size() <= MOST_RISING * part.size()) {
                AtOnce.each(some, some.size() > SEVERAL, place -> rise(part, place));
                if (above[part.number()] >= 0) {
                    arriving.get(above[part.number()]).addAll(some);
                }
            }
        }
    }

    /**
     * The largest share of what a place was already shifted, of all in a part and under it, that one unit of a fault can shift it: by what of
     * the fault lies in the part in which they meet, so many levels up, by what lies beyond that, and by both.
     */
    private void share() {
        Arrays.fill(sharesOfPivots, 0);
        for (int number = parts.size() - 1; number >= 0; number--) {
            int depth = above[number] < 0 ? 0 : shares[above[number]].length;
            shares[number] = new double[depth + 1];
            sharesHere[number] = new double[depth + 1];
            sharesBeyond[number] = new double[depth + 1];
        }
        for (Rising place : rising) {
            if (place != null) {
                share(place);
            }
        }
        for (int number = 0; number < parts.size(); number++) {
            for (int level = 2; level < shares[number].length; level++) {
                handOn(shares, number, level);
                handOn(sharesHere, number, level);
                handOn(sharesBeyond, number, level);
            }
        }
        for (int number = parts.size() - 1; number >= 0; number--) {
            sharesOutside[number] = above[number] < 0 ? 0 : outside(parts.get(above[number]), number);
        }
    }

    private void share(Rising place) {
        double by = farthest[place.place] > 0 ? 1 / Math.sqrt(farthest[place.place]) : ANY;
        double beyond = place.left;
        int part = place.part;
        for (int level = shares[part].length - 1; level > 0; level--) {
            boolean parted = level < place.squares.size();
            double here = parted ? place.squares.get(level) : place.left;
            raise(sharesHere[part], level, by * Math.sqrt(here));
            raise(sharesBeyond[part], level, by * Math.sqrt(beyond));
            beyond += parted ? here : 0;
            raise(shares[part], level, by * Math.sqrt(beyond));
        }
        raise(sharesOfPivots, part, by * Math.sqrt(variance[place.place]));
    }

    private void handOn(double[][] of, int number, int level) {
        raise(of[above[number]], level - 1, of[number][level]);
    }

    private static void raise(double[] shares, int at, double share) {
        shares[at] = Math.max(shares[at], share);
    }

    /** The largest share of all places that stand in a part above one, and under it but not in that one, and outside it. */
    private double outside(Dissection.Part over, int but) {
        double most = Math.max(sharesOutside[over.number()], sharesOfPivots[over.number()]);
        for (Dissection.Part beside : over.under()) {
            most = beside.number() == but ? most : Math.max(most, shares[beside.number()][1]);
        }
        return most;
    }

    private void rise(Dissection.Part part, Rising place) {
        double[][] rows = new double[2][part.size()];
        double taken = 0;
        for (int way = 0; way < rows.length; way++) {
            int position = places[place.place][way];
            if (position < 0) {
                continue;
            }
            if (place.side == null) {
                rows[way][part.indexOf(position)] = normal.scale(position);
            } else {
                int[] indices = fromAbove[place.from.number()];
                for (int i = 0; i < indices.length; i++) {
                    rows[way][indices[i]] = place.side[way][i];
                }
            }
            taken += DenseRows.forward(normal.factor(part), rows[way]);
        }
        place.side = new double[][] {
            Arrays.copyOfRange(rows[0], part.pivots(), part.size()),
            Arrays.copyOfRange(rows[1], part.pivots(), part.size())
        };
        place.from = part;
        place.squares.add(taken);
        place.left = Math.max(0, place.left - taken);
    }
}
