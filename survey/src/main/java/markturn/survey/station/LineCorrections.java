package markturn.survey.station;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.reduce.GridLines;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import org.locationtech.proj4j.Proj4jException;

/**
 * What each line of a setup differs by from the job's mean scale, and from straight, where the job is in a map projection. Found from the
 * setup as it comes out without them: that places every mark well enough.
 */
final class LineCorrections {
    /** No projection. */
    static final LineCorrections NONE = new LineCorrections(Map.of());

    private final Map<String, Correction> byMark;

    /** Factor of the distance beside the mean factor, and what is added to the direction, radians. */
    private record Correction(double ratio, double turn) {}

    private LineCorrections(Map<String, Correction> byMark) {
        this.byMark = byMark;
    }

    /** From a setup that was computed without. */
    static LineCorrections of(Job job, GridLines lines, MeasuredSetup without, Map<String, Position> known) {
        if (without.station().isEmpty()) {
            return NONE;
        }
        Position from = without.station().get();
        OptionalDouble axis = from.elevation().isPresent()
                ? OptionalDouble.of(from.elevation().getAsDouble()
                        + without.instrumentHeight().orElse(0))
                : OptionalDouble.empty();
        Map<String, Correction> byMark = new HashMap<>();
        for (Shot shot : without.shots()) {
            Optional<Position> to = Optional.ofNullable(known.get(shot.mark())).or(shot::position);
            to.filter(at -> !byMark.containsKey(shot.mark()))
                    .flatMap(at -> correction(job, lines, from, at, axis))
                    .ifPresent(correction -> byMark.put(shot.mark(), correction));
        }
        return new LineCorrections(byMark);
    }

    private static Optional<Correction> correction(
            Job job, GridLines lines, Position from, Position to, OptionalDouble axis) {
        try {
            double factor = lines.factor(from.northing(), from.easting(), to.northing(), to.easting(), axis);
            double turn = lines.arcToChord(from.northing(), from.easting(), to.northing(), to.easting());
            boolean sound = Double.isFinite(factor) && factor > 0 && Double.isFinite(turn);
            return sound ? Optional.of(new Correction(factor / job.earth().scaleFactor(), turn)) : Optional.empty();
        } catch (Proj4jException outside) {
            return Optional.empty();
        }
    }

    /** What is added to the direction to a mark, radians. */
    double turn(String mark) {
        return Optional.ofNullable(byMark.get(mark)).map(Correction::turn).orElse(0.0);
    }

    /** A fix with its own scale and on the grid's straight line. */
    ReducedFix apply(Job job, ReducedFix fix) {
        Correction correction = byMark.get(job.trueName(fix.fix().target()));
        return correction == null ? fix : fix.onGrid(correction.ratio(), correction.turn());
    }
}
