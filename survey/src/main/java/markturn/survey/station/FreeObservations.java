package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.adjust.Adjustment;
import markturn.survey.angle.Angles;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Observation;
import markturn.survey.result.Observation.Kind;

/** What was observed at a free station, with what the solution leaves of it. */
final class FreeObservations {
    private final List<Sight> sights;
    private final Weights weights;

    FreeObservations(List<Sight> sights, Weights weights) {
        this.sights = sights;
        this.weights = weights;
    }

    /** Every observation, used or left out, mark by mark. */
    List<Observation> all(ResectionSolution solution, Optional<Levelled> levelled) {
        List<Observation> all = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            int number = i;
            Sight sight = sights.get(i);
            add(all, solution.rows(), solution.adjustment(), number, Kind.DIRECTION);
            if (sight.direction().isPresent() && !sight.useDirection()) {
                double length = solution.lengthTo(sight);
                double azimuth = Math.atan2(sight.easting() - solution.east(), sight.northing() - solution.north());
                double residual = Angles.shortWay(
                        azimuth - solution.orientation() - sight.direction().getAsDouble());
                all.add(leftOut(sight, Kind.DIRECTION, residual, sight.directionStdDev(weights, length)));
            }
            add(all, solution.rows(), solution.adjustment(), number, Kind.DISTANCE);
            if (sight.distance().isPresent() && !sight.useDistance()) {
                double residual = solution.lengthTo(sight) / solution.scale()
                        - sight.distance().getAsDouble();
                all.add(leftOut(sight, Kind.DISTANCE, residual, sight.distanceStdDev(weights)));
            }
            add(all, solution.rows(), solution.adjustment(), number, Kind.NORTHING);
            add(all, solution.rows(), solution.adjustment(), number, Kind.EASTING);
            levelled.ifPresent(l -> {
                add(all, l.rows(), l.adjustment(), number, Kind.ELEVATION_DIFFERENCE);
                if (sight.with(true, true, true).givesElevation() && !sight.useElevation()) {
                    double residual = sight.elevation().getAsDouble()
                            - l.elevation()
                            - sight.rise().getAsDouble();
                    all.add(leftOut(
                            sight,
                            Kind.ELEVATION_DIFFERENCE,
                            residual,
                            Math.sqrt(sight.riseVariance().getAsDouble())));
                }
                add(all, l.rows(), l.adjustment(), number, Kind.ELEVATION);
            });
        }
        return all;
    }

    private static Observation leftOut(Sight sight, Kind kind, double residual, double stdDev) {
        return new Observation(sight.target(), kind, residual, stdDev, OptionalDouble.empty(), false);
    }

    private void add(List<Observation> all, List<Resection.Row> rows, Adjustment adjustment, int sight, Kind kind) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).sight() == sight && rows.get(i).kind() == kind) {
                double redundancy = Math.max(0, adjustment.redundancyBlock(i)[0][0]);
                all.add(new Observation(
                        sights.get(sight).target(),
                        kind,
                        adjustment.residual(i),
                        adjustment.stdDev(i),
                        OptionalDouble.of(redundancy),
                        true));
            }
        }
    }
}
