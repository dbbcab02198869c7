package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Difference;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Mark;
import markturn.survey.result.Observation.Kind;

/**
 * The elevation of a free station, apart from its plan: weighted mean over the marks with distance and elevation. Control with a standard
 * deviation takes part as an observation of its own.
 */
record Levelled(Adjustment adjustment, List<Resection.Row> rows) {
    private static final int STATION = 0;

    /** The elevation; empty where no mark gives one. */
    static Optional<Levelled> of(List<Sight> sights) {
        List<Observed> observations = new ArrayList<>();
        List<Resection.Row> rows = new ArrayList<>();
        List<Double> start = new ArrayList<>(List.of(0.0));
        for (int i = 0; i < sights.size(); i++) {
            Sight sight = sights.get(i);
            if (!sight.givesElevation()) {
                continue;
            }
            double known = sight.elevation().getAsDouble();
            double deviation =
                    sight.deviations().map(Mark.Deviations::elevation).orElse(0.0);
            int mark = NumberedPlace.HELD;
            if (deviation > 0) {
                mark = start.size();
                start.add(known);
            }
            rows.add(new Resection.Row(i, Kind.ELEVATION_DIFFERENCE));
            observations.add(new Difference(
                    STATION,
                    mark,
                    0,
                    known,
                    sight.rise().getAsDouble(),
                    Math.sqrt(sight.riseVariance().getAsDouble())));
            if (mark != NumberedPlace.HELD) {
                rows.add(new Resection.Row(i, Kind.ELEVATION));
                observations.add(new Coordinate(mark, known, deviation));
            }
        }
        if (observations.isEmpty()) {
            return Optional.empty();
        }
        double[] unknowns = start.stream().mapToDouble(Double::doubleValue).toArray();
        try {
            return Optional.of(new Levelled(
                    LeastSquares.adjust(observations, unknowns, () -> new DenseNormalEquations(unknowns.length)),
                    rows));
        } catch (RankDefect | NotConverging impossible) {
            // One height difference to a known elevation determines a mean: this cannot be.
            throw new IllegalStateException(impossible);
        }
    }

    /** How far the axis rises with what was observed of a sight, metre by metre; 0 where that was not observed. */
    double effect(int sight, Kind kind) {
        int observed = rows.indexOf(new Resection.Row(sight, kind));
        return observed < 0 ? 0 : adjustment.effect(observed, 1, STATION);
    }

    double elevation() {
        return adjustment.unknown(STATION);
    }

    /** Without the instrument's height, which is common to all. */
    double variance() {
        return adjustment.covariance(STATION, STATION);
    }
}
