package markturn.survey.locate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.reduce.Heights;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/**
 * The elevation of an intersected mark: by the zenith angle of each sight and the distance to where the plan puts it, meaned by their
 * variances (practice, 4 and 6).
 */
final class IntersectedLevel {
    private IntersectedLevel() {}

    /** An elevation and what its error is made of. */
    record Level(double elevation, Lineage lineage) {}

    /** What one sight says: elevation, its variance for the weight, its own variance, and how it changes with the distance. */
    private record SeenLevel(
            Sighting sighting, double elevation, double weight, double own, double byDistance, double azimuth) {}

    /**
     * Means them.
     *
     * @param plan covariance of the mark's place
     * @return empty where no sight has a zenith angle and both heights
     */
    static Optional<Level> level(
            Job job, String mark, List<Sighting> sightings, double northing, double easting, Covariance plan) {
        List<SeenLevel> said = new ArrayList<>();
        for (Sighting sighting : sightings) {
            said(job, sighting, northing, easting, plan).ifPresent(said::add);
        }
        if (said.isEmpty()) {
            return Optional.empty();
        }
        double all = said.stream().mapToDouble(s -> 1 / s.weight()).sum();
        double elevation = 0;
        double own = 0;
        double[] byPlace = new double[2];
        List<Lineage.Part> parts = new ArrayList<>();
        for (SeenLevel each : said) {
            double share = 1 / each.weight() / all;
            elevation += share * each.elevation();
            own += share * share * each.own();
            byPlace[0] += share * each.byDistance() * Math.cos(each.azimuth());
            byPlace[1] += share * each.byDistance() * Math.sin(each.azimuth());
            Pose pose = each.sighting().setup().pose().orElseThrow();
            parts.add(new Lineage.Part(pose.axis(), new double[] {share}));
            double height = each.sighting().reflector().heightStdDev();
            if (pose.targets().isShared(mark)) {
                parts.add(new Lineage.Part(pose.targets().height(mark), new double[] {-share * height}));
            } else {
                own += share * share * height * height;
            }
        }
        own += byPlace[0] * byPlace[0] * plan.nn()
                + byPlace[1] * byPlace[1] * plan.ee()
                + 2 * byPlace[0] * byPlace[1] * plan.ne();
        return Optional.of(new Level(elevation, Lineage.of(mark + " intersected level", 1, parts, new double[] {own})));
    }

    /** What was sighted without a reflector and without a height is the mark itself. */
    private static OptionalDouble target(Job job, Sighting sighting) {
        Reading reading = sighting.shot().fix().pointings().readings().get(0).reading();
        OptionalDouble height = Heights.ofTarget(job, reading);
        return height.isEmpty() && reading.reflector().equals(Reflector.REFLECTORLESS) ? OptionalDouble.of(0) : height;
    }

    private static Optional<SeenLevel> said(
            Job job, Sighting sighting, double northing, double easting, Covariance plan) {
        Position from = sighting.from();
        OptionalDouble instrument = Heights.ofInstrument(job, sighting.setup().setup());
        OptionalDouble target = target(job, sighting);
        if (sighting.zenith().isEmpty() || from.elevation().isEmpty() || instrument.isEmpty() || target.isEmpty()) {
            return Optional.empty();
        }
        double zenith = sighting.zenith().getAsDouble();
        double grid = Math.hypot(northing - from.northing(), easting - from.easting());
        double ground = grid / job.earth().scaleFactor();
        double cot = Math.cos(zenith) / Math.sin(zenith);
        double bend = job.earth().curvature()
                ? (1 - job.earth().refraction())
                        * ground
                        * ground
                        / (2 * job.earth().radius())
                : 0;
        double azimuth = Math.atan2(easting - from.easting(), northing - from.northing());
        Weights weights = sighting.weights();
        double reading = ground
                / (Math.sin(zenith) * Math.sin(zenith))
                * weights.instrument().zenithStdDev();
        double refraction = ground
                * ground
                * Weights.REFRACTION_UNCERTAINTY
                / (2 * job.earth().radius());
        double own =
                reading * reading / sighting.shot().fix().pointings().means().zenithCount() + refraction * refraction;
        double weight = own
                + cot * cot * plan.along(azimuth)
                + Math.pow(weights.instrument().heightStdDev(), 2)
                + Math.pow(sighting.reflector().heightStdDev(), 2);
        return Optional.of(new SeenLevel(
                sighting,
                from.elevation().getAsDouble() + instrument.getAsDouble() - target.getAsDouble() + ground * cot + bend,
                weight,
                own,
                cot,
                azimuth));
    }
}
