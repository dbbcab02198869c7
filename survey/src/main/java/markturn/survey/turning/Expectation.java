package markturn.survey.turning;

import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.job.Reading.Face;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/** Roughly what the circle will read: enough to find the target, too coarse to copy. */
public final class Expectation {
    private Expectation() {}

    /**
     * The expected circle.
     *
     * @param place where the target is, if known
     * @return radians; empty until the set's zero has been sighted, or where nothing is known of the target
     */
    public static OptionalDouble circle(
            MeasuredSetup setup, PointingOrder.Pointing pointing, Optional<Position> place) {
        Double zero = setup.booked().zeros().get(pointing.set());
        if (zero == null) {
            return OptionalDouble.empty();
        }
        OptionalDouble reduced =
                setup.sets(pointing.target()).map(SetAbstract::direction).orElse(OptionalDouble.empty());
        if (reduced.isEmpty()
                && place.isPresent()
                && setup.station().isPresent()
                && setup.orientation().isPresent()) {
            reduced = OptionalDouble.of(setup.station().get().azimuthTo(place.get())
                    - setup.orientation().getAsDouble());
        }
        if (reduced.isEmpty()) {
            return reduced;
        }
        double onFace = pointing.face() == Face.LEFT ? 0 : Math.PI;
        return OptionalDouble.of(Angles.onCircle(zero + reduced.getAsDouble() + onFace));
    }
}
