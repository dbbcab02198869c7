package markturn.survey.adjust;

import java.util.Arrays;

/** Places, each of one or two unknowns of one node, and the farthest that any fault was found to shift them. */
final class ShiftedPlaces {
    private final Fronts fronts;
    private final int[][] positions;
    private final double[][] scales;
    private final double[] variance;
    private final double[] farthest;
    private final int[] by;
    private final Dissection.Part[] part;
    /** By the number of a part: the places whose first unknown stands in it. */
    private final int[][] of;

    private final Rising[] risen;
    private final boolean areKept;
    /** By position: the place whose first sought unknown stands there, or -1. */
    private final int[] placeAt;

    /**
     * Shifted by nothing yet.
     *
     * @param kept so many numbers may be held of the places themselves
     * @param places of each place the unknowns it moves by; {@link NumberedPlace#HELD} moves nowhere
     */
    ShiftedPlaces(SparseNormalEquations normal, Fronts fronts, int[][] places, long kept) {
        this.fronts = fronts;
        this.positions = new int[places.length][2];
        this.scales = new double[places.length][2];
        this.variance = new double[places.length];
        this.farthest = new double[places.length];
        this.by = new int[places.length];
        this.placeAt = new int[normal.dissection().size()];
        Arrays.fill(by, -1);
        Arrays.fill(placeAt, -1);
        for (int place = 0; place < places.length; place++) {
            Arrays.fill(positions[place], -1);
            int sought = 0;
            for (int unknown : places[place]) {
                if (unknown != NumberedPlace.HELD) {
                    int position = normal.dissection().position(unknown);
                    scales[place][sought] = normal.scale(position);
                    positions[place][sought++] = position;
                    variance[place] += normal.cofactor(unknown, unknown);
                    placeAt[positions[place][0]] = place;
                }
            }
        }
        this.part = new Dissection.Part[places.length];
        this.of = new int[fronts.parts().size()][];
        this.risen = new Rising[places.length];
        long elements = 0;
        for (Dissection.Part some : fronts.parts()) {
            of[some.number()] = Arrays.stream(placeAt, some.first(), some.first() + some.pivots())
                    .filter(place -> place >= 0)
                    .toArray();
            for (int place : of[some.number()]) {
                part[place] = some;
                elements += 2L * fronts.end(some);
            }
        }
        this.areKept = elements < kept;
    }

    int count() {
        return by.length;
    }

    /** The part in which its first sought unknown stands; null where it has none. */
    Dissection.Part part(int place) {
        return part[place];
    }

    /** Those that stand in a part. */
    int[] of(Dissection.Part some) {
        return of[some.number()];
    }

    /** The unknowns of a place, each by itself, on top; made anew each time it is asked for where all of them together were a burden. */
    Rising risen(int place) {
        Rising known = risen[place];
        if (known == null) {
            int[] sought = Arrays.stream(positions[place])
                    .filter(position -> position >= 0)
                    .toArray();
            double[][] units = new double[sought.length][sought.length];
            for (int i = 0; i < sought.length; i++) {
                units[i][i] = scales[place][i];
            }
            known = new Rising(fronts, part[place], sought, units).toTheTop();
            risen[place] = areKept ? known : null;
        }
        return known;
    }

    /**
     * Judges whether a fault shifts a place farther than others do.
     *
     * @param fault on top
     * @param end where what the two have in common ends
     */
    void judge(int place, int number, Rising fault, int end) {
        double squared = fault.shift(risen(place), end).longest();
        if (squared >= farthest[place]) {
            take(place, squared, number);
        }
    }

    /** The farthest shift found so far, squared. */
    double farthest(int place) {
        return farthest[place];
    }

    /** The number of the fault that shifts it so far; -1 where that was known before. */
    int by(int place) {
        return by[place];
    }

    void atLeast(int place, double squared) {
        farthest[place] = Math.max(farthest[place], squared);
    }

    private synchronized void take(int place, double squared, int number) {
        if (squared > farthest[place] || squared == farthest[place] && number < by[place]) {
            farthest[place] = squared;
            by[place] = number;
        }
    }

    /** Those of a front. */
    InFront in(Dissection.Part front) {
        return new InFront(front);
    }

    /** The places of a front and the indices of their unknowns; -1 for one that is held. */
    final class InFront {
        private final int[] place;
        private final int[] first;
        private final int[] second;
        private final int count;

        private InFront(Dissection.Part front) {
            int size = front.size();
            place = new int[size];
            first = new int[size];
            second = new int[size];
            int found = 0;
            for (int index = 0; index < size; index++) {
                int at = placeAt[front.positionOf(index)];
                if (at >= 0) {
                    int other = positions[at][1];
                    place[found] = at;
                    first[found] = index;
                    second[found++] = other < 0 ? -1 : front.indexOf(other);
                }
            }
            count = found;
        }

        /**
         * Judges whether a fault shifts them farther than others do.
         *
         * @param whole the sum of the squares of all of it: it shifts nothing by more deviations than the root of that
         * @param answers what it does to the unknowns of the front, a row for each of its ways
         */
        void judge(int number, double whole, double[][] answers) {
            for (int i = 0; i < count; i++) {
                if (whole * variance[place[i]] >= farthest[place[i]]) {
                    double squared = squared(i, answers);
                    if (squared >= farthest[place[i]]) {
                        take(place[i], squared, number);
                    }
                }
            }
        }

        /** The longest arrow of the ellipse whose conjugate half axes are the shifts by each way, squared. */
        private double squared(int i, double[][] answers) {
            double[] scale = scales[place[i]];
            double nn = 0;
            double ee = 0;
            double ne = 0;
            for (double[] answer : answers) {
                double north = answer[first[i]] * scale[0];
                double east = second[i] < 0 ? 0 : answer[second[i]] * scale[1];
                nn += north * north;
                ee += east * east;
                ne += north * east;
            }
            return new Squares(nn, ee, ne).longest();
        }
    }
}
