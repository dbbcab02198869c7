package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Targets;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Position;

/**
 * What each backsight of an occupied mark is off by, and what that owes to each source: the instrument's centring and the marks' own errors
 * are in all of them. With {@code e} along a line and {@code u} across it, an orientation errs by {@code u·(δB − c_B − δI)/L − ε}, a
 * distance less its inverse by {@code e·(c_B + δI − δB) + ε}.
 */
final class BacksightMisfits {
    private final Job job;
    private final Setup setup;
    private final Weights weights;
    private final Position station;
    private final Map<String, Position> known;
    private final List<ReducedFix> fixes;
    private final Targets targets;
    private final Lineage instrument;

    BacksightMisfits(
            Job job,
            Setup setup,
            Weights weights,
            Position station,
            Map<String, Position> known,
            List<ReducedFix> fixes,
            Targets targets) {
        this.job = job;
        this.setup = setup;
        this.weights = weights;
        this.station = station;
        this.known = known;
        this.fixes = fixes;
        this.targets = targets;
        double centring = weights.instrumentCentring() * weights.instrumentCentring();
        this.instrument = Lineage.of(
                setup.name() + " instrument over its mark",
                2,
                List.of(new Lineage.Part(listed(job.trueName(setup.station()), station), new double[] {1, 0, 0, 1})),
                new double[] {centring, 0, 0, centring});
    }

    /** Of a mark: where control states deviations they are held elsewhere, but no sight may be blamed for them. */
    private Lineage listed(String mark, Position at) {
        Lineage carried = at.planLineage(mark);
        Optional<Mark.Deviations> stdDev = job.mark(mark).flatMap(Mark::stdDev);
        return carried.isHeld() && stdDev.isPresent()
                ? Lineage.source(mark + " as listed", 2, new double[] {
                    Math.pow(stdDev.get().northing(), 2),
                    0,
                    0,
                    Math.pow(stdDev.get().easting(), 2)
                })
                : carried;
    }

    /**
     * Of one backsight.
     *
     * @param orientation of the setup, radians
     */
    BacksightScrutiny.Seen of(Oriented.Ray ray, double orientation) {
        String mark = job.trueName(ray.target());
        Position at = known.get(mark);
        double length = Math.max(station.distanceTo(at), Weights.NEAREST);
        double cos = Math.cos(ray.azimuth());
        double sin = Math.sin(ray.azimuth());
        double stood = ray.reflector().centringStdDev();
        double pointing = weights.pointing(ray.count());
        Lineage ofDirection =
                lineage(mark + " orientation", mark, at, new double[] {-sin / length, cos / length}, stood, pointing);
        Optional<ReducedFix> measured = fixes.stream()
                .filter(f -> f.fix().role() == Reading.Role.BACKSIGHT
                        && job.trueName(f.fix().target()).equals(mark)
                        && f.horizontal().isPresent())
                .findFirst();
        OptionalDouble none = OptionalDouble.empty();
        Lineage ofDistance = measured.map(m -> lineage(
                        mark + " length",
                        mark,
                        at,
                        new double[] {-cos, -sin},
                        stood,
                        weights.ranging(m.distanceCount(), m.horizontal().getAsDouble())))
                .orElse(Lineage.HELD);
        return new BacksightScrutiny.Seen(
                ray.target(),
                at.northing(),
                at.easting(),
                ray.azimuth(),
                length,
                OptionalDouble.of(Angles.shortWay(ray.orientation() - orientation)),
                ofDirection,
                measured.map(m -> OptionalDouble.of(m.horizontal().getAsDouble() - length))
                        .orElse(none),
                ofDistance,
                measured.map(m -> up(m, at)).orElse(none),
                setup.orientation().uses(ray.target(), Setup.Part.DIRECTION),
                setup.orientation().uses(ray.target(), Setup.Part.DISTANCE));
    }

    private OptionalDouble up(ReducedFix fix, Position at) {
        boolean levels = fix.elevationDifference().isPresent()
                && station.elevation().isPresent()
                && at.elevation().isPresent();
        return levels
                ? OptionalDouble.of(fix.elevationDifference().getAsDouble()
                        - (at.elevation().getAsDouble() - station.elevation().getAsDouble()))
                : OptionalDouble.empty();
    }

    /** How a misfit moves with the mark, {@code byMark} by north and east; against it with target and instrument. */
    private Lineage lineage(String key, String mark, Position at, double[] byMark, double stood, double own) {
        List<Lineage.Part> parts = new ArrayList<>();
        parts.add(new Lineage.Part(listed(mark, at), byMark));
        parts.add(new Lineage.Part(instrument, new double[] {-byMark[0], -byMark[1]}));
        parts.add(new Lineage.Part(targets.centring(mark), new double[] {-byMark[0] * stood, -byMark[1] * stood}));
        return Lineage.of(setup.name() + " " + key, 1, parts, new double[] {own});
    }
}
