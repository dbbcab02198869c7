package markturn.survey.network;

import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;

/**
 * What a network knows of a setup beside its sights.
 *
 * @param azimuth its orientation where that was given and not found by sights, radians
 * @param variance of that, square radians
 * @param zero the mark to which it was given; empty where none
 * @param scale of its distances where it solved for one
 */
record Stood(String name, OptionalDouble azimuth, double variance, String zero, OptionalDouble scale) {
    /** One that was made. */
    static Stood of(MeasuredSetup setup) {
        boolean asGiven = isOrientedAsGiven(setup);
        return new Stood(
                setup.name(),
                asGiven ? setup.orientation() : OptionalDouble.empty(),
                setup.orientationVariance().orElse(0),
                setup.setup().orientation().zero(),
                setup.scalePpm().isPresent()
                        ? OptionalDouble.of(1 + setup.scalePpm().getAsDouble() * 1e-6)
                        : OptionalDouble.empty());
    }

    static List<Stood> of(List<MeasuredSetup> setups) {
        return setups.stream().map(Stood::of).toList();
    }

    /** One that sights will orient. */
    static Stood bySights(String name) {
        return new Stood(name, OptionalDouble.empty(), 0, "", OptionalDouble.empty());
    }

    static boolean isOrientedAsGiven(MeasuredSetup setup) {
        return !(setup.setup().orientation() instanceof Setup.BySights)
                && !setup.setup().isFree();
    }
}
