package markturn.survey.locate;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.job.Construction;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;

/**
 * Places of points at which nothing could be held, from edges, walls and plumb lines. Textbook plane geometry; precision to first order,
 * with all that the sights it rests on share.
 */
final class Constructions {
    /** Edges farther apart than this are no round object seen from outside, radians. */
    private static final double WIDEST = Math.toRadians(120);
    /** Lines that meet at less than this angle fix no corner, radians. */
    private static final double FLATTEST = Math.toRadians(3);
    /** The step of numeric differentiation, metres. */
    private static final double STEP = 1e-4;

    private final Job job;
    private final List<MeasuredSetup> setups;
    private final Map<String, Position> known;

    private final Propagation propagation;

    Constructions(Job job, List<MeasuredSetup> setups, Map<String, Position> known, Propagation propagation) {
        this.propagation = propagation;
        this.job = job;
        this.setups = setups;
        this.known = known;
    }

    /** A place and the setup it was seen from; empty where that is given by points of several. */
    record Placed(Position at, String from) {}

    /** Where a mark lies; empty while what it rests on has not been observed, or fixes nothing. */
    Optional<Placed> place(Mark mark) {
        Construction by = mark.by().orElseThrow();
        if (by instanceof Construction.Round round) {
            return setups.stream()
                    .flatMap(s -> round(mark.name(), round, s).stream())
                    .findFirst();
        }
        if (by instanceof Construction.Above above) {
            return setups.stream()
                    .flatMap(s -> above(mark.name(), above, s).stream())
                    .findFirst();
        }
        return corner(mark.name(), by.bases());
    }

    private Optional<Shot> shot(MeasuredSetup setup, String target) {
        return setup.shots().stream()
                .filter(s -> s.fix().target().equals(target))
                .findFirst();
    }

    /** The distance to the middle is {@code h/(1 − sin θ)}: h to the front, θ half the angle between the edges. */
    private Optional<Placed> round(String mark, Construction.Round round, MeasuredSetup setup) {
        Optional<Shot> left =
                shot(setup, round.leftEdge()).filter(s -> s.direction().isPresent());
        Optional<Shot> right =
                shot(setup, round.rightEdge()).filter(s -> s.direction().isPresent());
        Optional<Shot> front =
                shot(setup, round.front()).filter(s -> s.position().isPresent());
        if (left.isEmpty() || right.isEmpty() || front.isEmpty()) {
            return Optional.empty();
        }
        double apart = Angles.shortWay(
                right.get().direction().getAsDouble() - left.get().direction().getAsDouble());
        if (apart <= 0 || apart > WIDEST) {
            return Optional.empty();
        }
        Position station = setup.station().orElseThrow();
        Position surface = front.get().position().orElseThrow();
        double half = apart / 2;
        double toFront = front.get().horizontal().getAsDouble();
        double distance = toFront / (1 - Math.sin(half));
        double azimuth =
                setup.orientation().getAsDouble() + left.get().direction().getAsDouble() + half;
        double cos = Math.cos(azimuth);
        double sin = Math.sin(azimuth);
        double pointing = job.instrument(setup.setup().instrument()).directionStdDev();
        double growth = toFront * Math.cos(half) / ((1 - Math.sin(half)) * (1 - Math.sin(half)));
        // Each edge is one pointing; half their difference and their mean both vary by σ/√2.
        double along = growth * growth * pointing * pointing / 2;
        double across = distance * distance * pointing * pointing / 2;
        double[] edges = {
            along * cos * cos + across * sin * sin,
            (along - across) * sin * cos,
            (along - across) * sin * cos,
            along * sin * sin + across * cos * cos
        };
        Lineage plan = Lineage.of(
                mark + " round",
                2,
                List.of(new Lineage.Part(surface.planLineage(job.trueName(round.front())), new double[] {1, 0, 0, 1})),
                edges);
        return Optional.of(new Placed(
                new Position(
                        station.northing() + distance * cos,
                        station.easting() + distance * sin,
                        surface.elevation(),
                        Covariance.of(propagation.variance(plan)),
                        surface.elevationVariance(),
                        new Position.MadeLineages(
                                Optional.of(plan), surface.lineage().level())),
                setup.name()));
    }

    /** Elevation by the zenith angle to the point and the distance to what is plumb beneath or above it. */
    private Optional<Placed> above(String mark, Construction.Above above, MeasuredSetup setup) {
        Position base = known.get(job.trueName(above.base()));
        OptionalDouble zenith = setup.sets(mark).map(SetAbstract::zenith).orElse(OptionalDouble.empty());
        boolean levels = setup.station()
                        .flatMap(at -> Optional.of(at.elevation().isPresent()))
                        .orElse(false)
                && setup.instrumentHeight().isPresent();
        if (base == null || zenith.isEmpty() || !levels) {
            return Optional.empty();
        }
        Position station = setup.station().get();
        double ground = station.distanceTo(base) / job.earth().scaleFactor();
        double z = zenith.getAsDouble();
        double sin = Math.sin(z);
        double bend = job.earth().curvature()
                ? (1 - job.earth().refraction())
                        * ground
                        * ground
                        / (2 * job.earth().radius())
                : 0;
        double elevation = station.elevation().getAsDouble()
                + setup.instrumentHeight().getAsDouble()
                + ground * Math.cos(z) / sin
                + bend;
        double azimuth = station.azimuthTo(base);
        double reading = ground
                / (sin * sin)
                * job.instrument(setup.setup().instrument()).zenithStdDev();
        double length = Math.cos(z) / sin;
        double taped = job.instrument(setup.setup().instrument()).heightStdDev();
        double bending = ground
                * ground
                * Weights.REFRACTION_UNCERTAINTY
                / (2 * job.earth().radius());
        double variance = station.elevationVariance().orElse(0)
                + taped * taped
                + reading * reading
                + length * length * base.plan().along(azimuth)
                + bending * bending;
        return Optional.of(new Placed(
                new Position(
                        base.northing(),
                        base.easting(),
                        OptionalDouble.of(elevation),
                        base.plan(),
                        OptionalDouble.of(variance),
                        new Position.MadeLineages(base.lineage().plan(), Optional.empty())),
                setup.name()));
    }

    private Optional<Placed> corner(String mark, List<String> bases) {
        List<Position> at = new ArrayList<>();
        for (String base : bases) {
            Position place = known.get(job.trueName(base));
            if (place == null) {
                return Optional.empty();
            }
            at.add(place);
        }
        double[] coordinates = new double[8];
        for (int i = 0; i < 4; i++) {
            coordinates[2 * i] = at.get(i).northing();
            coordinates[2 * i + 1] = at.get(i).easting();
        }
        double[] meeting = meeting(coordinates);
        if (meeting.length == 0) {
            return Optional.empty();
        }
        List<Lineage.Part> parts = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            double[] north = slope(coordinates, 2 * i, meeting);
            double[] east = slope(coordinates, 2 * i + 1, meeting);
            parts.add(new Lineage.Part(
                    at.get(i).planLineage(job.trueName(bases.get(i))),
                    new double[] {north[0], east[0], north[1], east[1]}));
        }
        Lineage plan = Lineage.of(mark + " corner", 2, parts, new double[4]);
        return Optional.of(new Placed(
                new Position(
                        meeting[0],
                        meeting[1],
                        OptionalDouble.empty(),
                        Covariance.of(propagation.variance(plan)),
                        OptionalDouble.empty(),
                        new Position.MadeLineages(Optional.of(plan), Optional.empty())),
                from(bases)));
    }

    private String from(List<String> bases) {
        return setups.stream()
                .filter(s -> bases.stream().allMatch(base -> shot(s, base).isPresent()))
                .map(MeasuredSetup::name)
                .findFirst()
                .orElse(MeasuredSetup.SEVERAL);
    }

    private static double[] slope(double[] coordinates, int which, double[] meeting) {
        double[] moved = coordinates.clone();
        moved[which] += STEP;
        double[] there = meeting(moved);
        return there.length == 0
                ? new double[2]
                : new double[] {(there[0] - meeting[0]) / STEP, (there[1] - meeting[1]) / STEP};
    }

    /** Northing and easting of the meeting point; empty where the lines are all but parallel or shorter than a millimetre. */
    private static double[] meeting(double[] c) {
        double[] d = {c[2] - c[0], c[3] - c[1], c[6] - c[4], c[7] - c[5]};
        double cross = d[0] * d[3] - d[1] * d[2];
        double lengths = Math.hypot(d[0], d[1]) * Math.hypot(d[2], d[3]);
        if (lengths < 1e-6 || Math.abs(cross) < lengths * Math.sin(FLATTEST)) {
            return new double[0];
        }
        double t = ((c[4] - c[0]) * d[3] - (c[5] - c[1]) * d[2]) / cross;
        return new double[] {c[0] + t * d[0], c[1] + t * d[1]};
    }
}
