package markturn.survey.locate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.Azimuth;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.job.Job;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/**
 * A mark that no sight places by itself, from directions and distances of several setups: textbook intersection by weighted least squares,
 * stations and orientations as they are; its precision propagated from all that they rest on (job-file, 10 and 19).
 */
final class Intersection {
    private static final int MOST_ROUNDS = 12;
    /** Weights rest where the solution moves less than this, metres. */
    private static final double STILL = 1e-9;

    private static final int NORTH = 0;
    private static final int EAST = 1;
    /** Two places fit alike where their weighted squares differ by less: chi-square, 2 degrees of freedom, 0.1 %. */
    private static final double FITS_ALIKE = 13.8;
    /** Solutions nearer to each other than this are one, metres. */
    private static final double ONE_PLACE = 0.01;
    /** Lines that cross at less than this place nothing, radians. Common practice, no source. */
    private static final double PARALLEL = Math.toRadians(0.5);

    private final Job job;
    private final String mark;
    private final List<Sighting> sightings;
    private final Propagation propagation;

    private Intersection(Job job, String mark, List<Sighting> sightings, Propagation propagation) {
        this.job = job;
        this.mark = mark;
        this.sightings = sightings;
        this.propagation = propagation;
    }

    /** A place, or none; {@code twoPlaces} where two fit alike. */
    record Outcome(Optional<Position> at, boolean twoPlaces) {}

    /**
     * Intersects.
     *
     * @param mark its true name
     * @param sightings two or more, from at least two setups
     */
    static Outcome of(Job job, String mark, List<Sighting> sightings, Propagation propagation) {
        return new Intersection(job, mark, sightings, propagation).solved();
    }

    private Outcome solved() {
        List<Solution> found = new ArrayList<>();
        for (double[] start : starts()) {
            solution(start)
                    .filter(s -> found.stream().noneMatch(other -> other.isNear(s)))
                    .ifPresent(found::add);
        }
        found.sort(Comparator.comparingDouble(s -> s.adjustment().squares()));
        if (found.isEmpty()) {
            return new Outcome(Optional.empty(), false);
        }
        boolean two = found.size() > 1
                && found.get(1).adjustment().squares()
                                - found.get(0).adjustment().squares()
                        < FITS_ALIKE;
        return two ? new Outcome(Optional.empty(), true) : new Outcome(Optional.of(position(found.get(0))), false);
    }

    /** A place that the sights converge to, counted from the first station. */
    private record Solution(Adjustment adjustment) {
        double north() {
            return adjustment.unknown(NORTH);
        }

        double east() {
            return adjustment.unknown(EAST);
        }

        boolean isNear(Solution other) {
            return Math.hypot(north() - other.north(), east() - other.east()) < ONE_PLACE;
        }
    }

    private double[] at(Sighting sighting) {
        Position origin = sightings.get(0).from();
        return new double[] {
            sighting.from().northing() - origin.northing(), sighting.from().easting() - origin.easting()
        };
    }

    /** Where the lines and circles of each pair meet. */
    private List<double[]> starts() {
        List<double[]> starts = new ArrayList<>();
        for (int i = 0; i < sightings.size(); i++) {
            for (int j = i + 1; j < sightings.size(); j++) {
                Sighting one = sightings.get(i);
                Sighting other = sightings.get(j);
                if (one.isDirection() && other.isDirection()) {
                    lines(one, other, starts);
                } else if (one.isDirection()) {
                    lineAndCircle(one, other, starts);
                } else if (other.isDirection()) {
                    lineAndCircle(other, one, starts);
                } else {
                    circles(one, other, starts);
                }
            }
        }
        return starts;
    }

    private void lines(Sighting one, Sighting other, List<double[]> starts) {
        double[] a = at(one);
        double[] b = at(other);
        double crossing = Math.sin(other.azimuth() - one.azimuth());
        if (Math.abs(crossing) < Math.sin(PARALLEL)) {
            return;
        }
        double north = b[0] - a[0];
        double east = b[1] - a[1];
        double along = (north * Math.sin(other.azimuth()) - east * Math.cos(other.azimuth())) / crossing;
        starts.add(new double[] {a[0] + along * Math.cos(one.azimuth()), a[1] + along * Math.sin(one.azimuth())});
    }

    private void lineAndCircle(Sighting line, Sighting circle, List<double[]> starts) {
        double[] a = at(line);
        double[] b = at(circle);
        double cos = Math.cos(line.azimuth());
        double sin = Math.sin(line.azimuth());
        double foot = (b[0] - a[0]) * cos + (b[1] - a[1]) * sin;
        double aside = (b[1] - a[1]) * cos - (b[0] - a[0]) * sin;
        double half = Math.sqrt(Math.max(0, circle.distance() * circle.distance() - aside * aside));
        for (double along : new double[] {foot + half, foot - half}) {
            starts.add(new double[] {a[0] + along * cos, a[1] + along * sin});
        }
    }

    private void circles(Sighting one, Sighting other, List<double[]> starts) {
        double[] a = at(one);
        double[] b = at(other);
        double north = b[0] - a[0];
        double east = b[1] - a[1];
        double base = Math.hypot(north, east);
        if (base == 0) {
            return;
        }
        double along =
                (base * base + one.distance() * one.distance() - other.distance() * other.distance()) / (2 * base);
        double aside = Math.sqrt(Math.max(0, one.distance() * one.distance() - along * along));
        for (double side : new double[] {aside, -aside}) {
            starts.add(new double[] {
                a[0] + (along * north - side * east) / base, a[1] + (along * east + side * north) / base
            });
        }
    }

    /**
     * From a start; directions are weighed by the lengths of the solution, so it is repeated until that rests. What lies behind a line of
     * sight is no solution.
     */
    private Optional<Solution> solution(double[] start) {
        double[] at = start;
        Solution solution = null;
        for (int round = 0; round < MOST_ROUNDS; round++) {
            try {
                List<Observed> observations = observations(at);
                double[] from = at;
                solution = new Solution(
                        LeastSquares.adjust(observations, from, () -> new DenseNormalEquations(from.length)));
            } catch (RankDefect | NotConverging nowhere) {
                return Optional.empty();
            }
            double moved = Math.hypot(solution.north() - at[0], solution.east() - at[1]);
            at = solution.adjustment().unknowns();
            if (moved < STILL) {
                break;
            }
        }
        return Optional.ofNullable(solution).filter(this::isAhead);
    }

    private List<Observed> observations(double[] near) {
        List<Observed> observations = new ArrayList<>();
        NumberedPlace to = NumberedPlace.unknown(NORTH, EAST);
        for (Sighting sighting : sightings) {
            double[] a = at(sighting);
            double length = Math.hypot(near[0] - a[0], near[1] - a[1]);
            NumberedPlace from = NumberedPlace.held(a[0], a[1]);
            observations.add(
                    sighting.isDirection()
                            ? new Azimuth(from, to, sighting.azimuth(), sighting.stdDev(length))
                            : new Distance(from, to, sighting.distance(), sighting.stdDev(sighting.distance())));
        }
        return observations;
    }

    private boolean isAhead(Solution solution) {
        return sightings.stream().filter(Sighting::isDirection).allMatch(sighting -> {
            double[] a = at(sighting);
            return (solution.north() - a[0]) * Math.cos(sighting.azimuth())
                            + (solution.east() - a[1]) * Math.sin(sighting.azimuth())
                    > 0;
        });
    }

    private Position position(Solution solution) {
        Position origin = sightings.get(0).from();
        double northing = origin.northing() + solution.north();
        double easting = origin.easting() + solution.east();
        Lineage plan = plan(solution);
        Covariance covariance = Covariance.of(propagation.variance(plan));
        Optional<IntersectedLevel.Level> level = job.planOnly()
                ? Optional.empty()
                : IntersectedLevel.level(job, mark, sightings, northing, easting, covariance);
        OptionalDouble none = OptionalDouble.empty();
        return new Position(
                northing,
                easting,
                level.map(l -> OptionalDouble.of(l.elevation())).orElse(none),
                covariance,
                level.map(l -> OptionalDouble.of(propagation.variance(l.lineage())[0]))
                        .orElse(none),
                new Position.MadeLineages(Optional.of(plan), level.map(IntersectedLevel.Level::lineage)));
    }

    /** How each sight, and what it rests on, moves the mark. */
    private Lineage plan(Solution solution) {
        double[] own = new double[4];
        List<Lineage.Part> parts = new ArrayList<>();
        for (int i = 0; i < sightings.size(); i++) {
            Sighting sighting = sightings.get(i);
            double[] a = at(sighting);
            double north = solution.north() - a[0];
            double east = solution.east() - a[1];
            double length = Math.max(Math.hypot(north, east), 1e-3);
            double byNorth = sighting.isDirection() ? -east / (length * length) : north / length;
            double byEast = sighting.isDirection() ? north / (length * length) : east / length;
            double[] gain = {
                solution.adjustment().effect(i, 1, NORTH), solution.adjustment().effect(i, 1, EAST)
            };
            double turn = sighting.isDirection() ? 1 : 0;
            Pose pose = sighting.setup().pose().orElseThrow();
            parts.add(new Lineage.Part(pose.plan(), new double[] {
                gain[0] * byNorth, gain[0] * byEast, gain[0] * turn, gain[1] * byNorth, gain[1] * byEast, gain[1] * turn
            }));
            double centring = sighting.reflector().centringStdDev();
            double variance = sighting.ownVariance(length);
            if (pose.targets().isShared(mark)) {
                parts.add(new Lineage.Part(pose.targets().centring(mark), new double[] {
                    gain[0] * byNorth * centring,
                    gain[0] * byEast * centring,
                    gain[1] * byNorth * centring,
                    gain[1] * byEast * centring
                }));
            } else {
                variance += (byNorth * byNorth + byEast * byEast) * centring * centring;
            }
            own[0] += gain[0] * gain[0] * variance;
            own[1] += gain[0] * gain[1] * variance;
            own[3] += gain[1] * gain[1] * variance;
        }
        own[2] = own[1];
        return Lineage.of(mark + " intersected plan", 2, parts, own);
    }
}
