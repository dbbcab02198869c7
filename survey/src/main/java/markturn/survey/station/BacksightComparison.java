package markturn.survey.station;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.SetMeans;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup.Backsight;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/** Backsights against their known inverse: measured minus computed distance, elevation and place. */
final class BacksightComparison {
    private final Job job;
    private final Setup setup;
    private final Weights weights;
    private final Instrument instrument;
    private final Optional<Position> station;
    private final Map<String, Position> known;
    private final Propagation propagation;

    BacksightComparison(
            Job job,
            Setup setup,
            Weights weights,
            Optional<Position> station,
            Map<String, Position> known,
            Propagation propagation) {
        this.propagation = propagation;
        this.job = job;
        this.setup = setup;
        this.weights = weights;
        this.instrument = weights.instrument();
        this.station = station;
        this.known = known;
    }

    private Optional<Position> position(String name) {
        return Optional.ofNullable(known.get(job.trueName(name)));
    }

    /** One row for each mark that orients or was booked as a backsight. */
    List<Backsight> rows(List<Shot> shots, Predicate<String> isUsed) {
        Set<String> targets = new LinkedHashSet<>(setup.orientation().sights());
        shots.stream()
                .filter(s -> s.fix().role() == Reading.Role.BACKSIGHT)
                .forEach(s -> targets.add(s.fix().target()));
        List<Backsight> rows = new ArrayList<>();
        for (String target : targets) {
            Optional<Shot> shot = shots.stream()
                    .filter(s -> s.fix().role() == Reading.Role.BACKSIGHT
                            && s.fix().target().equals(target))
                    .max((a, b) -> Boolean.compare(
                            a.horizontal().isPresent(), b.horizontal().isPresent()));
            shot.ifPresent(s -> rows.add(compare(target, s, isUsed.test(target))));
        }
        return rows;
    }

    private Backsight compare(String target, Shot shot, boolean used) {
        Optional<Position> mark = position(target);
        OptionalDouble none = OptionalDouble.empty();
        if (mark.isEmpty() || station.isEmpty() || shot.horizontal().isEmpty()) {
            return new Backsight(target, used, shot.horizontal(), none, none, none, none, none, none);
        }
        double inverse = station.get().distanceTo(mark.get());
        double measured = shot.horizontal().getAsDouble();
        Reflector reflector =
                job.sighted(shot.fix().pointings().readings().get(0).reading());
        double azimuth = station.get().azimuthTo(mark.get());
        double ofControl = given(setup.station()).along(azimuth) + given(target).along(azimuth);
        double distanceVariance =
                weights.distance(shot.fix().pointings().means().distanceCount(), reflector, measured)
                        + between(target, station.get(), mark.get()).along(azimuth)
                        + ofControl;
        boolean levels = shot.rise().isPresent()
                && station.get().elevation().isPresent()
                && mark.get().elevation().isPresent();
        OptionalDouble rise = levels
                ? OptionalDouble.of(shot.rise().getAsDouble()
                        - (mark.get().elevation().getAsDouble()
                                - station.get().elevation().getAsDouble()))
                : none;
        OptionalDouble riseStdDev =
                levels ? OptionalDouble.of(Math.sqrt(elevationVariance(target, mark.get(), shot))) : none;
        Optional<Position> seen = shot.position();
        return new Backsight(
                target,
                used,
                shot.horizontal(),
                OptionalDouble.of(measured - inverse),
                OptionalDouble.of(Math.sqrt(distanceVariance)),
                rise,
                riseStdDev,
                seen.map(p -> OptionalDouble.of(p.northing() - mark.get().northing()))
                        .orElse(none),
                seen.map(p -> OptionalDouble.of(p.easting() - mark.get().easting()))
                        .orElse(none));
    }

    private double elevationVariance(String target, Position mark, Shot shot) {
        SetMeans means = shot.fix().pointings().means();
        double own = weights.heightDifference(
                means.zenithCount(),
                means.distanceCount(),
                job.sighted(shot.fix().pointings().readings().get(0).reading()),
                shot.horizontal().getAsDouble(),
                means.zenith().getAsDouble());
        return own
                + Math.pow(instrument.heightStdDev(), 2)
                + levelsBetween(target, station.orElseThrow(), mark)
                + givenElevation(setup.station())
                + givenElevation(target);
    }

    /** Covariance of the difference of both places: what they share does not count. */
    private Covariance between(String target, Position station, Position mark) {
        return station.plan()
                .plus(mark.plan())
                .lessBoth(propagation.covariance(
                        station.planLineage(job.trueName(setup.station())), mark.planLineage(job.trueName(target))));
    }

    private double levelsBetween(String target, Position station, Position mark) {
        double[] shared = propagation.covariance(
                station.levelLineage(job.trueName(setup.station())), mark.levelLineage(job.trueName(target)));
        return station.elevationVariance().orElse(0)
                + mark.elevationVariance().orElse(0)
                - (shared.length == 0 ? 0 : 2 * shared[0]);
    }

    /** Deviations of control are held fixed here, but a comparison must not blame the reading for them. */
    private Covariance given(String name) {
        return deviations(name)
                .map(d -> new Covariance(d.northing() * d.northing(), d.easting() * d.easting(), 0))
                .orElse(Covariance.NONE);
    }

    private double givenElevation(String name) {
        return deviations(name).map(d -> d.elevation() * d.elevation()).orElse(0.0);
    }

    private Optional<Mark.Deviations> deviations(String name) {
        return job.mark(job.trueName(name)).flatMap(Mark::stdDev);
    }
}
