package markturn.survey.adjust;

import java.util.Arrays;

/** Places, each of one or two unknowns of one node, and the farthest that any fault was found to shift them. */
final class ShiftedPlaces {
    private final int[][] positions;
    private final double[][] scales;
    private final double[] variance;
    private final double[] farthest;
    private final int[] by;
    /** By position: the place whose first sought unknown stands there, or -1. */
    private final int[] placeAt;

    private final InFront[] inFronts;

    /**
     * Shifted by nothing yet.
     *
     * @param places of each place the unknowns it moves by; {@link NumberedPlace#HELD} moves nowhere
     */
    ShiftedPlaces(SparseNormalEquations normal, int[][] places) {
        this.positions = new int[places.length][2];
        this.scales = new double[places.length][2];
        this.variance = new double[places.length];
        this.farthest = new double[places.length];
        this.by = new int[places.length];
        this.placeAt = new int[normal.dissection().size()];
        this.inFronts = new InFront[normal.dissection().parts().size()];
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
    }

    int count() {
        return by.length;
    }

    /** The place whose first sought unknown stands there; -1 where none does. */
    int at(int position) {
        return placeAt[position];
    }

    /** The positions of its unknowns; -1 for one that is held. */
    int[] positions(int place) {
        return positions[place];
    }

    /** The sum of the variances of its unknowns. */
    double variance(int place) {
        return variance[place];
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
    InFront in(Dissection.Part part) {
        InFront known = inFronts[part.number()];
        if (known == null) {
            known = new InFront(part);
            inFronts[part.number()] = known;
        }
        return known;
    }

    /** The places of a front, those of its pivots first, and the indices of their unknowns; -1 for one that is held. */
    final class InFront {
        private final int[] place;
        private final int[] first;
        private final int[] second;
        private final int ofPivots;
        private final int count;

        private InFront(Dissection.Part part) {
            int size = part.size();
            place = new int[size];
            first = new int[size];
            second = new int[size];
            int found = 0;
            int pivots = 0;
            for (int index = 0; index < size; index++) {
                int at = placeAt[part.positionOf(index)];
                if (at >= 0) {
                    int other = positions[at][1];
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

        /**
         * Judges whether a fault shifts those of the pivots, or all of the front, farther than others do.
         *
         * @param left what is left of it, squared: it shifts nothing by more deviations than the root of that
         * @param answers what it does to the unknowns of the front, a row for each of its ways
         */
        void judge(int number, double left, boolean all, double[][] answers) {
            int many = all ? count : ofPivots;
            for (int i = 0; i < many; i++) {
                if (left * variance[place[i]] >= farthest[place[i]]) {
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
            double half = (nn - ee) / 2;
            return (nn + ee) / 2 + Math.sqrt(half * half + ne * ne);
        }
    }
}
