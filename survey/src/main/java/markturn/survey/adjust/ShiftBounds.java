package markturn.survey.adjust;

import java.util.Arrays;
import java.util.List;

/**
 * What one unit of a fault could do at most to places, as a share of what they were already shifted: by where in the tree the two meet,
 * and by what of {@code R⁻ᵀ e} lies in each part from there to the top (Cauchy and Schwarz in each). Kept for each place, and for all
 * places of a part and under it together.
 */
final class ShiftBounds {
    /** More than any share of a shift. */
    private static final double ANY = 1e100;

    /** A bound that is nearer to one than this is rounding. */
    private static final double REACHED = 1 - 1e-9;

    private final Fronts fronts;
    private final ShiftedPlaces places;
    /** Of each place, by depth: the root of what lies in that part, and of what lies there and above. */
    private final double[][] root;

    private final double[][] rootUpTo;
    /** What a place was shifted, upside down. */
    private final double[] by;
    /** The same of all places under a part together, by the depth of the parts above it, each as a share of what it was shifted. */
    private final double[][] most;

    private final double[][] mostUpTo;
    private final double[] ofPivots;
    private final double[] outside;

    /** Of places not shifted yet; {@link #renew} is still to be asked. */
    ShiftBounds(Fronts fronts, ShiftedPlaces places) {
        int parts = fronts.parts().size();
        this.fronts = fronts;
        this.places = places;
        this.root = new double[places.count()][];
        this.rootUpTo = new double[places.count()][];
        this.by = new double[places.count()];
        this.most = new double[parts][];
        this.mostUpTo = new double[parts][];
        this.ofPivots = new double[parts];
        this.outside = new double[parts];
        for (Dissection.Part part : fronts.parts()) {
            most[part.number()] = new double[fronts.depth(part)];
            mostUpTo[part.number()] = new double[fronts.depth(part)];
        }
        AtOnce.each(0, places.count(), true, this::takeUp);
    }

    private void takeUp(int place) {
        Dissection.Part part = places.part(place);
        if (part == null) {
            return;
        }
        int depths = fronts.depth(part) + 1;
        root[place] = new double[depths];
        rootUpTo[place] = new double[depths];
        Rising risen = places.risen(place);
        Squares sum = Squares.NONE;
        for (int depth = 0; depth < depths; depth++) {
            Squares here = risen.squaresIn(depth);
            sum = sum.plus(here);
            root[place][depth] = Math.sqrt(here.longest());
            rootUpTo[place][depth] = Math.sqrt(sum.longest());
        }
    }

    /** Takes up what the places were shifted by now. */
    void renew() {
        List<Dissection.Part> parts = fronts.parts();
        for (Dissection.Part part : parts) {
            int number = part.number();
            Arrays.fill(most[number], 0);
            Arrays.fill(mostUpTo[number], 0);
            ofPivots[number] = 0;
            for (int place : places.of(part)) {
                double farthest = places.farthest(place);
                by[place] = farthest > 0 ? 1 / Math.sqrt(farthest) : ANY;
                raise(most[number], root[place], by[place]);
                raise(mostUpTo[number], rootUpTo[place], by[place]);
                ofPivots[number] = Math.max(ofPivots[number], by[place] * rootUpTo[place][fronts.depth(part)]);
            }
            for (Dissection.Part under : part.under()) {
                raise(most[number], most[under.number()], 1);
                raise(mostUpTo[number], mostUpTo[under.number()], 1);
            }
        }
        for (int number = parts.size() - 1; number >= 0; number--) {
            outside[number] = fronts.isOnTop(parts.get(number)) ? 0 : outside(fronts.above(parts.get(number)), number);
        }
    }

    private static void raise(double[] bounds, double[] shares, double by) {
        for (int depth = 0; depth < bounds.length; depth++) {
            bounds[depth] = Math.max(bounds[depth], by * shares[depth]);
        }
    }

    private double outside(Dissection.Part over, int but) {
        double bound = Math.max(outside[over.number()], ofPivots[over.number()]);
        for (Dissection.Part beside : over.under()) {
            bound = beside.number() == but ? bound : Math.max(bound, mostUpTo[beside.number()][fronts.depth(over)]);
        }
        return bound;
    }

    /** Whether a fault, of which so much lies above a part (the root of the squares), may shift a place outside of it and of all under it. */
    boolean mayShiftOutside(double left, Dissection.Part part) {
        return left * outside[part.number()] > REACHED;
    }

    /** Whether it may shift a place under a part in which it stands. */
    boolean mayShiftUnder(double whole, Dissection.Part part) {
        double bound = 0;
        for (Dissection.Part under : part.under()) {
            bound = Math.max(bound, mostUpTo[under.number()][fronts.depth(part)]);
        }
        return whole * bound > REACHED;
    }

    /** Whether a fault may shift a place that lies in a part or under it, and meets it in one of that depth farther up. */
    boolean mayShiftUnder(Dissection.Part part, int meeting, Reach reach) {
        return may(reach, meeting, most[part.number()], mostUpTo[part.number()], 1);
    }

    /** Whether a fault may shift a place that meets it in a part of that depth. */
    boolean mayShift(int place, int meeting, Reach reach) {
        return may(reach, meeting, root[place], rootUpTo[place], by[place]);
    }

    private static boolean may(Reach reach, int meeting, double[] in, double[] upTo, double by) {
        if (reach.upTo(meeting) * upTo[meeting] * by <= REACHED) {
            return false;
        }
        int last = reach.last();
        double bound = last > 0 ? reach.upTo(last - 1) * upTo[last - 1] : 0;
        for (int depth = last; depth <= meeting; depth++) {
            bound += reach.in(depth) * in[depth];
        }
        return bound * by > REACHED;
    }
}
