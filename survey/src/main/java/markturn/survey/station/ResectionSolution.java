package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.adjust.Adjustment;
import markturn.survey.angle.Angles;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Observation.Kind;

/** A solution of a resection: the adjustment, and whose its observations are. */
record ResectionSolution(
        Adjustment adjustment,
        List<Resection.Row> rows,
        List<Sight> sights,
        Resection.Extra extra,
        double originNorth,
        double originEast) {
    double north() {
        return originNorth + adjustment.unknown(Resection.NORTHING);
    }

    double east() {
        return originEast + adjustment.unknown(Resection.EASTING);
    }

    double orientation() {
        return Angles.onCircle(adjustment.unknown(Resection.ORIENTATION));
    }

    /** Distance from coordinates is this times the measured one. */
    double scale() {
        return extra == Resection.Extra.SCALE ? adjustment.unknown(Resection.EXTRA) : 1;
    }

    /** What, added to each measured distance, gives the one from coordinates, metres. */
    double constant() {
        return extra == Resection.Extra.CONSTANT ? adjustment.unknown(Resection.EXTRA) : 0;
    }

    double scaleVariance() {
        return adjustment.covariance(Resection.EXTRA, Resection.EXTRA);
    }

    double lengthTo(Sight sight) {
        return Math.hypot(sight.northing() - north(), sight.easting() - east());
    }

    double stdDevOf(int observation) {
        return adjustment.stdDev(observation);
    }

    /** The number of an observed coordinate of a sight's mark; -1 where it is held. */
    int coordinateOf(int sight, Kind kind) {
        return rows.indexOf(new Resection.Row(sight, kind));
    }

    /**
     * How the instrument's place and orientation move as one mark, or what stands there, moves by a metre and its coordinates do not.
     *
     * @return row by row: northing, easting, orientation; by north and by east
     */
    double[] movedBy(int sight) {
        Sight at = sights.get(sight);
        double north = at.northing() - north();
        double east = at.easting() - east();
        double length = Math.max(Math.hypot(north, east), Weights.NEAREST);
        double[] moved = new double[2 * Resection.PLAN_UNKNOWNS];
        for (int number : observationsOf(sight)) {
            boolean direction = rows.get(number).kind() == Kind.DIRECTION;
            double byNorth = direction ? -east / (length * length) : north / length / scale();
            double byEast = direction ? north / (length * length) : east / length / scale();
            for (int unknown = 0; unknown < Resection.PLAN_UNKNOWNS; unknown++) {
                double effect = adjustment.effect(number, 1, unknown);
                moved[2 * unknown] += effect * byNorth;
                moved[2 * unknown + 1] += effect * byEast;
            }
        }
        return moved;
    }

    /** Numbers of the observations of one sight in the plan, coordinates of control apart. */
    int[] observationsOf(int sight) {
        List<Integer> numbers = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            boolean measured =
                    rows.get(i).kind() == Kind.DIRECTION || rows.get(i).kind() == Kind.DISTANCE;
            if (rows.get(i).sight() == sight && measured) {
                numbers.add(i);
            }
        }
        return numbers.stream().mapToInt(Integer::intValue).toArray();
    }
}
