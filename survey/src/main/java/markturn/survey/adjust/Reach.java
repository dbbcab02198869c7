package markturn.survey.adjust;

/** How much of a fault lies where, as far up as it was followed: by the depth of the parts from that in which it stands. */
final class Reach {
    /** Rounding may make what is left of a fault smaller than it is, by this much of the whole. */
    private static final double ROUNDING = 1e-12;

    private final int number;
    private final Rising rising;
    private final double rounding;
    private Squares left;
    private final double[] in;
    private final double[] upTo;
    private int last;

    /**
     * Not followed yet.
     *
     * @param number of the fault
     * @param depth of the part in which it stands
     * @param whole the squares of all of it
     */
    Reach(int number, Rising rising, int depth, Squares whole) {
        this.number = number;
        this.rising = rising;
        this.left = whole;
        this.rounding = ROUNDING * whole.longest();
        this.in = new double[depth + 1];
        this.upTo = new double[depth + 1];
        this.last = depth + 1;
        this.upTo[depth] = Math.sqrt(whole.longest());
    }

    /** Follows it through one part more; it must not be on top. */
    void rise() {
        last--;
        rising.rise();
        Squares here = rising.squaresIn(last);
        in[last] = Math.sqrt(here.longest());
        if (last > 0) {
            left = left.minus(here);
            upTo[last - 1] = Math.sqrt(Math.max(0, left.longest()) + rounding);
        }
    }

    /** The number of the fault. */
    int number() {
        return number;
    }

    /** All of it, on top. */
    Rising toTheTop() {
        while (last > 0) {
            rise();
        }
        return rising;
    }

    /** The depth of the part that it was followed through last. */
    int last() {
        return last;
    }

    /** The longest of what lies in the part of that depth, in any way; which it was followed through. */
    double in(int depth) {
        return in[depth];
    }

    /** The longest of what lies in the part of that depth and above, in any way. */
    double upTo(int depth) {
        return upTo[depth];
    }
}
