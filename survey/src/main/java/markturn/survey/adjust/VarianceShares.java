package markturn.survey.adjust;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * How much of what a place was already shifted one unit of a fault could shift it at most, by where the two meet in the tree: by what of the
 * place's variance lies in that part and beyond it. Kept for all places of a part and under it together, by how many levels up they meet.
 */
final class VarianceShares {
    /** So many vectors are worth another processor. */
    private static final int SEVERAL = 16;

    /** Places rise through a front while they are no more than so many times its unknowns: that costs no more than the factor did. */
    private static final int MOST_RISING = 2;

    /** More than any share of a shift. */
    private static final double ANY = 1e100;

    private final Fronts fronts;
    private final List<Dissection.Part> parts;
    private final ShiftedPlaces places;
    private final Rising[] rising;
    private final double[][] whole;
    private final double[][] here;
    private final double[][] beyond;
    private final double[] ofPivots;
    private final double[] outside;

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

    /** Parts the variances; {@link #renew} is still to be asked. */
    VarianceShares(SparseNormalEquations normal, Fronts fronts, ShiftedPlaces places) {
        this.fronts = fronts;
        this.parts = fronts.parts();
        this.places = places;
        this.rising = new Rising[places.count()];
        this.whole = new double[parts.size()][];
        this.here = new double[parts.size()][];
        this.beyond = new double[parts.size()][];
        this.ofPivots = new double[parts.size()];
        this.outside = new double[parts.size()];
        List<List<Rising>> arriving = new ArrayList<>();
        parts.forEach(part -> arriving.add(new ArrayList<>()));
        for (Dissection.Part part : parts) {
            List<Rising> some = arriving.set(part.number(), List.of());
            for (int position = part.first(); position < part.first() + part.pivots(); position++) {
                int place = places.at(position);
                if (place >= 0) {
                    rising[place] = new Rising(place, part.number(), places.variance(place));
                    some.add(rising[place]);
                }
            }
            if (some.size() <= MOST_RISING * part.size()) {
                AtOnce.each(some, some.size() > SEVERAL, place -> rise(normal, part, place));
                if (!fronts.isOnTop(part.number())) {
                    arriving.get(fronts.above(part.number())).addAll(some);
                }
            }
        }
    }

    private void rise(SparseNormalEquations normal, Dissection.Part part, Rising place) {
        Fronts.Eliminated eliminated = place.side == null
                ? fronts.eliminated(part, part.indicesOf(sought(place)), units(normal, sought(place)))
                : fronts.eliminated(part, fronts.fromAbove(place.from), place.side);
        place.side = eliminated.left();
        place.from = part;
        place.squares.add(eliminated.taken());
        place.left = Math.max(0, place.left - eliminated.taken());
    }

    private int[] sought(Rising place) {
        return Arrays.stream(places.positions(place.place))
                .filter(position -> position >= 0)
                .toArray();
    }

    /** A vector for each unknown, with that alone. */
    private static double[][] units(SparseNormalEquations normal, int[] positions) {
        double[][] units = new double[positions.length][positions.length];
        for (int i = 0; i < positions.length; i++) {
            units[i][i] = normal.scale(positions[i]);
        }
        return units;
    }

    /** Takes up what the places were shifted by now. */
    void renew() {
        Arrays.fill(ofPivots, 0);
        for (int number = parts.size() - 1; number >= 0; number--) {
            int levels = fronts.isOnTop(number) ? 1 : whole[fronts.above(number)].length + 1;
            whole[number] = new double[levels];
            here[number] = new double[levels];
            beyond[number] = new double[levels];
        }
        for (Rising place : rising) {
            if (place != null) {
                takeUp(place);
            }
        }
        for (int number = 0; number < parts.size(); number++) {
            for (int level = 2; level < whole[number].length; level++) {
                handOn(whole, number, level);
                handOn(here, number, level);
                handOn(beyond, number, level);
            }
        }
        for (int number = parts.size() - 1; number >= 0; number--) {
            outside[number] = fronts.isOnTop(number) ? 0 : outside(parts.get(fronts.above(number)), number);
        }
    }

    private void takeUp(Rising place) {
        double farthest = places.farthest(place.place);
        double by = farthest > 0 ? 1 / Math.sqrt(farthest) : ANY;
        double above = place.left;
        int part = place.part;
        for (int level = whole[part].length - 1; level > 0; level--) {
            boolean parted = level < place.squares.size();
            double square = parted ? place.squares.get(level) : place.left;
            raise(here[part], level, by * Math.sqrt(square));
            raise(beyond[part], level, by * Math.sqrt(above));
            above += parted ? square : 0;
            raise(whole[part], level, by * Math.sqrt(above));
        }
        raise(ofPivots, part, by * Math.sqrt(places.variance(place.place)));
    }

    private void handOn(double[][] of, int number, int level) {
        raise(of[fronts.above(number)], level - 1, of[number][level]);
    }

    private static void raise(double[] shares, int at, double share) {
        shares[at] = Math.max(shares[at], share);
    }

    private double outside(Dissection.Part over, int but) {
        double most = Math.max(outside[over.number()], ofPivots[over.number()]);
        for (Dissection.Part beside : over.under()) {
            most = beside.number() == but ? most : Math.max(most, whole[beside.number()][1]);
        }
        return most;
    }

    /** Whether a fault, of which so much is left (squared), may shift a place that stands in a part farther. */
    boolean mayShiftPivots(double left, Dissection.Part part) {
        return left * ofPivots[part.number()] * ofPivots[part.number()] > 1;
    }

    /** Whether it may shift a place outside a part, and outside what lies under it, farther. */
    boolean mayShiftOutside(double left, Dissection.Part part) {
        return left * outside[part.number()] * outside[part.number()] > 1;
    }

    /**
     * Whether it may shift a place in a part or under it farther.
     *
     * @param levels how many levels above that part the fault meets those places
     */
    boolean mayShiftUnder(double left, Dissection.Part part, int levels) {
        return left * whole[part.number()][levels] * whole[part.number()][levels] > 1;
    }

    /** The same more sharply, by the roots of what of the fault lies where they meet, and of what lies beyond. */
    boolean mayShiftUnder(double leftHere, double leftBeyond, Dissection.Part part, int levels) {
        return leftHere * here[part.number()][levels] + leftBeyond * beyond[part.number()][levels] > 1;
    }
}
