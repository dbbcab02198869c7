package markturn.survey.station;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Targets;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Position;

/**
 * What the errors of an instrument on a mark are made of: the mark's own, its centring over it and its height, once each; and for the
 * orientation the backsights' places, centring and pointing. With {@code u} across the line to a backsight of length {@code L}, the
 * orientation errs by {@code u·(δB − c_B − δI)/L − ε}, weighed as in the mean.
 */
final class OccupiedPose {
    private final Job job;
    private final Setup setup;
    private final Weights weights;
    private final Optional<Position> station;
    private final Map<String, Position> known;
    private final Targets targets;
    private final List<Lineage.Part> parts = new ArrayList<>();
    /** How the orientation turns as the instrument itself moves north and east, radians by metre. */
    private final double[] turned = new double[2];

    private double pointing;

    private OccupiedPose(
            Job job,
            Setup setup,
            Weights weights,
            List<ReducedFix> fixes,
            Optional<Position> station,
            Map<String, Position> known) {
        this.job = job;
        this.setup = setup;
        this.weights = weights;
        this.station = station;
        this.known = known;
        this.targets = targets(job, setup, fixes, station, known);
    }

    /** Of a setup that is oriented by coordinates of the sights' marks. */
    static Pose bySights(
            Job job,
            Setup setup,
            Weights weights,
            List<ReducedFix> fixes,
            Position station,
            Map<String, Position> known,
            Oriented oriented) {
        OccupiedPose pose = new OccupiedPose(job, setup, weights, fixes, Optional.of(station), known);
        for (Oriented.Ray ray : oriented.rays()) {
            pose.sight(ray, oriented.share(ray), Optional.of(job.trueName(ray.target())));
        }
        return pose.built(true);
    }

    /**
     * Of a setup that is oriented by an azimuth, given or from a map.
     *
     * @param ofAzimuth its own deviation, radians
     * @param fromCoordinates whether it was taken from the station's coordinates, and turns with them
     */
    static Pose byAzimuth(
            Job job,
            Setup setup,
            Weights weights,
            List<ReducedFix> fixes,
            Optional<Position> station,
            Oriented.Ray ray,
            double ofAzimuth,
            boolean fromCoordinates) {
        OccupiedPose pose = new OccupiedPose(job, setup, weights, fixes, station, Map.of());
        pose.pointing += ofAzimuth * ofAzimuth;
        pose.sight(ray, 1, Optional.empty());
        return pose.built(fromCoordinates);
    }

    /** Targets that stood for a backsight and for something else, or were fixed more than once. */
    static Targets targets(
            Job job, Setup setup, List<ReducedFix> fixes, Optional<Position> station, Map<String, Position> known) {
        List<Lineage> before = new ArrayList<>();
        station.ifPresent(at -> addBoth(before, job.trueName(setup.station()), at));
        for (String sight : setup.orientation().sights()) {
            String mark = job.trueName(sight);
            Optional.ofNullable(known.get(mark)).ifPresent(at -> addBoth(before, mark, at));
        }
        return Targets.around(setup.name(), shared(job, setup, fixes), before);
    }

    private static void addBoth(List<Lineage> before, String mark, Position at) {
        before.add(at.planLineage(mark));
        before.add(at.levelLineage(mark));
    }

    private static Set<String> shared(Job job, Setup setup, List<ReducedFix> fixes) {
        Set<String> seen = new HashSet<>();
        Set<String> shared = new HashSet<>();
        setup.orientation().sights().forEach(sight -> seen.add(job.trueName(sight)));
        for (ReducedFix fix : fixes) {
            String mark = job.trueName(fix.fix().target());
            if (fix.fix().role() == Reading.Role.BACKSIGHT) {
                seen.add(mark);
            } else if (!seen.add(mark)) {
                shared.add(mark);
            }
        }
        return shared;
    }

    /** One sight's share in the orientation; the mark it is at, where its coordinates count. */
    private void sight(Oriented.Ray ray, double share, Optional<String> mark) {
        double apart = mark.map(name -> station.orElseThrow().distanceTo(known.get(name)))
                .orElse(ray.distance());
        double length = Math.max(apart, Weights.NEAREST);
        double[] u = {-Math.sin(ray.azimuth()) * share / length, Math.cos(ray.azimuth()) * share / length};
        turned[0] -= u[0];
        turned[1] -= u[1];
        pointing += share * share * weights.pointing(ray.count());
        mark.ifPresent(name -> parts.add(new Lineage.Part(known.get(name).planLineage(name), rows(0, 0, u))));
        String target = job.trueName(ray.target());
        Reflector reflector = ray.reflector();
        double centring = reflector.centringStdDev();
        if (targets.isShared(target)) {
            parts.add(new Lineage.Part(targets.centring(target), rows(0, 0, new double[] {
                -u[0] * centring, -u[1] * centring
            })));
        } else {
            pointing += (u[0] * u[0] + u[1] * u[1]) * centring * centring;
        }
    }

    private static double[] rows(double north, double east, double[] turning) {
        return new double[] {north, 0, 0, east, turning[0], turning[1]};
    }

    private Pose built(boolean fromCoordinates) {
        double[] still = {0, 0};
        station.ifPresent(at -> {
            String mark = job.trueName(setup.station());
            parts.add(new Lineage.Part(at.planLineage(mark), rows(1, 1, fromCoordinates ? turned : still)));
        });
        double centring = weights.instrumentCentring() * weights.instrumentCentring();
        double[] own = {
            centring,
            0,
            centring * turned[0],
            0,
            centring,
            centring * turned[1],
            centring * turned[0],
            centring * turned[1],
            centring * (turned[0] * turned[0] + turned[1] * turned[1]) + pointing
        };
        double taped = weights.instrument().heightStdDev();
        List<Lineage.Part> ofAxis = station.stream()
                .map(at -> new Lineage.Part(at.levelLineage(job.trueName(setup.station())), new double[] {1}))
                .toList();
        return new Pose(
                setup.name(),
                Lineage.of(setup.name() + " instrument", 3, List.copyOf(parts), own),
                Lineage.of(setup.name() + " axis", 1, ofAxis, new double[] {taped * taped}),
                targets);
    }
}
