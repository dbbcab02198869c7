package markturn.survey.result;

import java.util.List;

/**
 * Marks by where they are: each half of them on one side of the mark in the middle, by northing and by easting in turn. So it does not
 * matter whether they lie evenly or crowd together. It does not change.
 */
public final class PlaceIndex {
    private final MeasuredMark[] marks;
    private final double[] north;
    private final double[] east;

    /** Looks at a mark. */
    public interface Look {
        /**
         * @param radius of interest so far, metres
         * @return the radius of interest from now on
         */
        double at(MeasuredMark mark, double radius);
    }

    /** Of marks that have a position. */
    PlaceIndex(List<MeasuredMark> all) {
        marks = all.toArray(MeasuredMark[]::new);
        north = new double[marks.length];
        east = new double[marks.length];
        for (int i = 0; i < marks.length; i++) {
            Position at = marks[i].position().orElseThrow();
            north[i] = at.northing();
            east[i] = at.easting();
        }
        sort(0, marks.length, true);
    }

    private void sort(int from, int to, boolean byNorth) {
        if (to - from > 1) {
            int middle = (from + to) / 2;
            putInPlace(from, to - 1, middle, byNorth ? north : east);
            sort(from, middle, !byNorth);
            sort(middle + 1, to, !byNorth);
        }
    }

    /** Moves smaller ones before a place and greater ones behind it (Hoare's way of finding the k-th). */
    private void putInPlace(int first, int last, int place, double[] by) {
        int low = first;
        int high = last;
        while (low < high) {
            double pivot = by[(low + high) >>> 1];
            int i = low;
            int j = high;
            while (i <= j) {
                while (by[i] < pivot) {
                    i++;
                }
                while (by[j] > pivot) {
                    j--;
                }
                if (i <= j) {
                    swap(i++, j--);
                }
            }
            if (place <= j) {
                high = j;
            } else if (place >= i) {
                low = i;
            } else {
                return;
            }
        }
    }

    private void swap(int one, int other) {
        MeasuredMark mark = marks[one];
        marks[one] = marks[other];
        marks[other] = mark;
        double northing = north[one];
        north[one] = north[other];
        north[other] = northing;
        double easting = east[one];
        east[one] = east[other];
        east[other] = easting;
    }

    /**
     * Looks at every mark that is within the radius of interest when its turn comes, those on the side of the place first.
     *
     * @param radius metres
     * @return the radius of interest in the end
     */
    double around(double northing, double easting, double radius, Look look) {
        return around(0, marks.length, true, northing, easting, radius, look);
    }

    private double around(
            int from, int to, boolean byNorth, double northing, double easting, double radius, Look look) {
        if (from >= to) {
            return radius;
        }
        int middle = (from + to) / 2;
        double off = byNorth ? northing - north[middle] : easting - east[middle];
        double left = off < 0
                ? around(from, middle, !byNorth, northing, easting, radius, look)
                : around(middle + 1, to, !byNorth, northing, easting, radius, look);
        if (Math.abs(off) > left) {
            return left;
        }
        if (Math.hypot(northing - north[middle], easting - east[middle]) <= left) {
            left = look.at(marks[middle], left);
        }
        return off < 0
                ? around(middle + 1, to, !byNorth, northing, easting, left, look)
                : around(from, middle, !byNorth, northing, easting, left, look);
    }
}
