package markturn.survey.finding.standing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.chance.Distributions;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredSetup.Backsight;

/**
 * A setup that stands where an earlier one stood, with a backsight that both measured: whether it stands as that did.
 *
 * @param before name of the earlier setup
 * @param target the backsight
 * @param distance now less then, metres
 * @param elevation now less then, metres; empty where one of them has none
 * @param distanceLimit what chance reaches in 0.1 % of comparisons, metres
 * @param elevationLimit the same of the elevation
 */
public record StoodBefore(
        String before,
        String target,
        double distance,
        OptionalDouble elevation,
        double distanceLimit,
        OptionalDouble elevationLimit) {
    private static final double CHANCE = Distributions.twoSided(0.001);

    /** Every backsight of a setup that the last setup before it on the same station measured too. */
    public static List<StoodBefore> of(Job job, Measured measured, String setup) {
        List<StoodBefore> all = new ArrayList<>();
        MeasuredSetup now = measured.setup(setup);
        Optional<MeasuredSetup> before = measured.setups().stream()
                .takeWhile(s -> !s.name().equals(setup))
                .filter(s -> job.trueName(s.setup().station())
                        .equals(job.trueName(now.setup().station())))
                .reduce((earlier, later) -> later);
        if (before.isPresent()) {
            for (Backsight sight : now.backsights()) {
                before.get().backsights().stream()
                        .filter(b -> job.trueName(b.target()).equals(job.trueName(sight.target())))
                        .filter(b ->
                                b.distance().isPresent() && sight.distance().isPresent())
                        .findFirst()
                        .ifPresent(b -> all.add(compared(before.get().name(), b, sight)));
            }
        }
        return all;
    }

    private static StoodBefore compared(String before, Backsight then, Backsight now) {
        OptionalDouble none = OptionalDouble.empty();
        boolean levels = then.elevationDifference().isPresent()
                && now.elevationDifference().isPresent();
        return new StoodBefore(
                before,
                now.target(),
                now.distance().getAsDouble() - then.distance().getAsDouble(),
                levels
                        ? OptionalDouble.of(now.elevationDifference().getAsDouble()
                                - then.elevationDifference().getAsDouble())
                        : none,
                limit(then.distanceStdDev(), now.distanceStdDev()),
                levels ? OptionalDouble.of(limit(then.elevationStdDev(), now.elevationStdDev())) : none);
    }

    private static double limit(OptionalDouble then, OptionalDouble now) {
        return CHANCE * Math.hypot(then.orElse(0), now.orElse(0));
    }

    /** Whether it stands as the earlier one did, as far as chance lets one say. */
    public boolean stands() {
        return Math.abs(distance) <= distanceLimit
                && (elevation.isEmpty() || Math.abs(elevation.getAsDouble()) <= elevationLimit.getAsDouble());
    }

    /** What it says, in a sentence. */
    public String sentence(Words words) {
        String up = elevation.isEmpty()
                ? ""
                : ", %s %s"
                        .formatted(
                                words.difference(elevation.getAsDouble()),
                                elevation.getAsDouble() > 0 ? "higher" : "lower");
        return "%s %s: %s is seen %s %s%s than then. %s"
                .formatted(
                        stands() ? "It stands as at" : "It does not stand as at",
                        before,
                        target,
                        words.difference(distance),
                        distance > 0 ? "farther" : "nearer",
                        up,
                        stands()
                                ? "No more than chance."
                                : "More than chance: centring, a height, or one of the marks has changed.");
    }
}
