package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.angle.Angles;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.locate.PolarShots;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.propagate.Targets;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.Distances;
import markturn.survey.reduce.Heights;
import markturn.survey.reduce.Pointings;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.SetMeans;
import markturn.survey.reduce.Slope;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Resected;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;

/**
 * A setup on a mark: its circle oriented by backsights, each compared with the known inverse. The station and the backsights are held as
 * they are known when the setup comes up.
 */
public final class OccupiedStation {
    private final Job job;
    private final Setup setup;
    private final Map<String, Position> known;
    private final BookedSetup booked;
    private final List<ReducedFix> fixes;
    private final ReducedSetup reduced;
    private final Optional<Position> station;
    private final Instrument instrument;
    private final Weights weights;
    private final Propagation propagation;

    private final LineCorrections lines;

    private OccupiedStation(
            Job job, Setup setup, Map<String, Position> known, Propagation propagation, LineCorrections lines) {
        this.propagation = propagation;
        this.lines = lines;
        this.job = job;
        this.setup = setup;
        this.known = known;
        this.reduced = ReducedSetup.of(job, setup);
        this.booked = reduced.booked();
        this.fixes = reduced.fixes().stream().map(fix -> lines.apply(job, fix)).toList();
        this.station = position(setup.station());
        this.instrument = job.instrument(setup.instrument());
        this.weights = Weights.of(job, setup);
    }

    /**
     * Computes a setup.
     *
     * @param known positions by true name, as they are when this setup comes up
     */
    public static MeasuredSetup measure(Job job, Setup setup, Map<String, Position> known, Means means) {
        MeasuredSetup plain =
                new OccupiedStation(job, setup, known, means.propagation(), LineCorrections.NONE).measured();
        return means.lines()
                .map(lines -> LineCorrections.of(job, lines, plain, known))
                .map(lines -> new OccupiedStation(job, setup, known, means.propagation(), lines).measured())
                .orElse(plain);
    }

    private MeasuredSetup measured() {
        Optional<Directed> directed = directed();
        Optional<Oriented> oriented = directed.map(Directed::by);
        Optional<Pose> pose = directed.map(Directed::pose);
        OptionalDouble orientation =
                oriented.map(o -> OptionalDouble.of(o.orientation())).orElse(OptionalDouble.empty());
        OptionalDouble variance = pose.map(p -> OptionalDouble.of(p.orientationVariance(propagation)))
                .orElse(OptionalDouble.empty());
        boolean byMarks = setup.orientation() instanceof Setup.BySights;
        PolarShots polar = new PolarShots(job, weights, station, orientation, pose, propagation);
        List<Shot> shots = fixes.stream().map(polar::shot).toList();
        List<SetAbstract> abstracts = SetAbstracts.of(booked, fixes, shots);
        return new MeasuredSetup(
                setup,
                booked,
                station,
                Heights.ofInstrument(job, setup),
                orientation,
                variance,
                Distances.ppm(job, setup).orElse(0),
                oriented.map(Oriented::redundancy).orElse(OptionalInt.empty()),
                oriented.map(Oriented::varianceFactor).orElse(OptionalDouble.empty()),
                abstracts,
                new BacksightComparison(job, setup, weights, station, known, propagation).rows(shots, this::isUsed),
                byMarks ? oriented.map(Oriented::observations).orElse(List.of()) : List.of(),
                byMarks ? oriented.map(Oriented::marks).orElse(List.of()) : List.of(),
                byMarks ? oriented.map(Oriented::leaveOneOut).orElse(List.of()) : List.of(),
                reduced.closingSight(),
                reduced.looks(),
                byMarks ? directed.flatMap(this::scrutinised) : Optional.empty(),
                OptionalDouble.empty(),
                pose,
                shots);
    }

    private boolean isUsed(String target) {
        return setup.orientation().sights().contains(target)
                && setup.orientation().uses(target, Setup.Part.DIRECTION);
    }

    /** What the backsights prove of each other, those left out beside them. */
    private Optional<Resected> scrutinised(Directed directed) {
        Targets targets = directed.pose().targets();
        BacksightMisfits misfits =
                new BacksightMisfits(job, setup, weights, station.orElseThrow(), known, fixes, targets);
        List<Oriented.Ray> rays = new ArrayList<>(rays(false));
        rays.addAll(rays(true));
        List<BacksightScrutiny.Seen> seen = setup.orientation().sights().stream()
                .flatMap(sight -> rays.stream().filter(ray -> ray.target().equals(sight)))
                .map(ray -> misfits.of(ray, directed.by().orientation()))
                .toList();
        return BacksightScrutiny.scrutinised(
                seen, setup.station(), job.classOfWork().limit(Limit.BACKSIGHT_DISTANCE), propagation);
    }

    /** What orients the circle, and what the instrument's errors are made of then. */
    private record Directed(Oriented by, Pose pose) {}

    private Optional<Directed> directed() {
        if (setup.orientation() instanceof Setup.ByAzimuth given) {
            return byAzimuth(given.sight(), given.azimuth().radians(), 0, false);
        }
        if (setup.orientation() instanceof Setup.ByFeature feature) {
            return byFeature(feature);
        }
        return Oriented.by(rays(false))
                .map(by -> new Directed(
                        by, OccupiedPose.bySights(job, setup, weights, fixes, station.orElseThrow(), known, by)));
    }

    /** By where the map shows the feature: its uncertainty across the line is that of the azimuth. */
    private Optional<Directed> byFeature(Setup.ByFeature feature) {
        if (station.isEmpty()) {
            return Optional.empty();
        }
        double north = feature.northing() - station.get().northing();
        double east = feature.easting() - station.get().easting();
        double distance = Math.hypot(north, east);
        return distance == 0
                ? Optional.empty()
                : byAzimuth(feature.sight(), Math.atan2(east, north), feature.stdDev() / distance, true);
    }

    private Optional<Position> position(String name) {
        return Optional.ofNullable(known.get(job.trueName(name)));
    }

    /** The rays that take part, or the others. */
    private List<Oriented.Ray> rays(boolean others) {
        List<Oriented.Ray> rays = new ArrayList<>();
        if (station.isEmpty()) {
            return rays;
        }
        for (String sight : setup.orientation().sights()) {
            Optional<Position> mark = position(sight);
            Pointings pointings = booked.backsight(sight);
            var directions = pointings.means().reducedTo(booked.zeros()).turned(lines.turn(job.trueName(sight)));
            boolean used = setup.orientation().uses(sight, Setup.Part.DIRECTION);
            if (mark.isEmpty() || directions.mean().isEmpty() || used == others) {
                continue;
            }
            double inverse = station.get().distanceTo(mark.get());
            double distance = measuredDistance(pointings).orElse(inverse);
            if (inverse > 0) {
                double azimuth = station.get().azimuthTo(mark.get());
                rays.add(new Oriented.Ray(
                        sight,
                        Angles.onCircle(azimuth - directions.mean().getAsDouble()),
                        azimuth,
                        weights.direction(directions.count(), reflector(pointings), distance),
                        distance,
                        directions.count(),
                        reflector(pointings)));
            }
        }
        return rays;
    }

    private Optional<Directed> byAzimuth(String sight, double azimuth, double azimuthStdDev, boolean fromCoordinates) {
        Pointings pointings = booked.backsight(sight);
        var directions = pointings.means().reducedTo(booked.zeros()).turned(lines.turn(job.trueName(sight)));
        if (directions.mean().isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble inverse = station.isPresent() && position(sight).isPresent()
                ? OptionalDouble.of(station.get().distanceTo(position(sight).get()))
                : OptionalDouble.empty();
        // Without any distance the centring of a far, unknown sight cannot be counted: it is taken as far away.
        double distance = measuredDistance(pointings).orElse(inverse.orElse(Double.POSITIVE_INFINITY));
        Reflector reflector = reflector(pointings);
        double variance = weights.direction(directions.count(), reflector, distance) + azimuthStdDev * azimuthStdDev;
        Oriented.Ray ray = new Oriented.Ray(
                sight,
                Angles.onCircle(azimuth - directions.mean().getAsDouble()),
                azimuth,
                variance,
                distance,
                directions.count(),
                reflector);
        return Oriented.by(List.of(ray))
                .map(by -> new Directed(
                        by,
                        OccupiedPose.byAzimuth(
                                job, setup, weights, fixes, station, ray, azimuthStdDev, fromCoordinates)));
    }

    private OptionalDouble measuredDistance(Pointings pointings) {
        SetMeans means = pointings.means();
        OptionalDouble slope = means.slope();
        OptionalDouble zenith = means.zenith();
        if (slope.isEmpty() || zenith.isEmpty()) {
            return OptionalDouble.empty();
        }
        Slope reduced = Slope.reduce(slope.getAsDouble(), zenith.getAsDouble(), job.earth());
        return OptionalDouble.of(reduced.horizontal() * job.earth().scaleFactor());
    }

    private Reflector reflector(Pointings pointings) {
        return job.sighted(pointings.readings().get(0).reading());
    }
}
