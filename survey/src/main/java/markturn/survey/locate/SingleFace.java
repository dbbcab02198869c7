package markturn.survey.locate;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * What the instrument's last known errors could do to a point sighted on one face. They are shown, never taken off.
 *
 * @param collimation the last one measured, radians
 * @param index the last one measured, radians
 * @param from the setup they were measured at
 */
public record SingleFace(double collimation, double index, String from) {
    /** The last pair of faces booked in a job; empty where none was. */
    public static Optional<SingleFace> last(List<MeasuredSetup> setups) {
        for (int i = setups.size() - 1; i >= 0; i--) {
            for (SetAbstract sets : setups.get(i).abstracts()) {
                OptionalDouble collimation = lastOf(sets.collimation());
                if (collimation.isPresent()) {
                    return Optional.of(new SingleFace(
                            collimation.getAsDouble(),
                            lastOf(sets.index()).orElse(0),
                            setups.get(i).name()));
                }
            }
        }
        return Optional.empty();
    }

    private static OptionalDouble lastOf(List<OptionalDouble> list) {
        return list.stream()
                .filter(OptionalDouble::isPresent)
                .reduce((earlier, later) -> later)
                .orElse(OptionalDouble.empty());
    }

    /** How far to the side a point may come to lie, metres: the circle feels {@code c/sin z}, textbook. */
    public double across(double horizontal, double zenith) {
        return Math.abs(collimation / Math.sin(zenith)) * horizontal;
    }

    /** How far up or down, metres. */
    public double up(double horizontal, double zenith) {
        double sin = Math.sin(zenith);
        return Math.abs(index) * horizontal / (sin * sin);
    }
}
