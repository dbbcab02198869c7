package markturn.survey.result;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The whole job in one adjustment, on control. Plan and elevations are adjusted apart and tested together.
 *
 * @param why why it could not be adjusted, in the field's words; empty where it could
 * @param test of everything on control
 * @param leastConstraint the same observations with no more of the control than holds them in place: tests the observations alone; empty
 *     where the control is no more than that
 * @param marks every mark it found a place for, with its precision
 * @param observations what each observation was worth, in the order of the work
 */
public record MeasuredNetwork(
        Optional<String> why,
        Test test,
        Optional<Test> leastConstraint,
        List<Adjusted> marks,
        List<Worth> observations) {
    /** The name of its run, where coordinates are adopted from it. */
    public static final String RUN = "network";

    /**
     * Whether residuals are as large as the instruments' figures say.
     *
     * @param redundancy observations less unknowns
     * @param varianceFactor weighted squares by redundancy; empty without redundancy
     * @param limit what chance alone exceeds once in a hundred
     */
    public record Test(int redundancy, OptionalDouble varianceFactor, OptionalDouble limit) {
        public static final Test NONE = new Test(0, OptionalDouble.empty(), OptionalDouble.empty());

        /** Chi-square, one-sided; true without redundancy, where nothing contradicts. */
        public boolean accepted() {
            return varianceFactor.isEmpty() || varianceFactor.getAsDouble() <= limit.getAsDouble();
        }
    }

    /**
     * A mark's adjusted place.
     *
     * @param hidden the farthest it can have been shifted in plan by one wrong direction, distance or observed coordinate that its test
     *     would let pass, metres; empty where nothing would show it. W. Baarda's external reliability, one observation at a time.
     */
    public record Adjusted(String name, Position position, OptionalDouble hidden) {}

    /** An observation and the setup it was made from; empty for coordinates. */
    public record Worth(String setup, Observation observation) {}

    /** The observation that fits worst; empty without observations. */
    public Optional<Worth> worst() {
        return observations.stream()
                .max(Comparator.comparingDouble(w -> w.observation().size()));
    }

    /** Whether the observations agree with each other and not with the control. */
    public boolean controlContradicts() {
        return !test.accepted() && leastConstraint.filter(Test::accepted).isPresent();
    }

    /** Where nothing could be adjusted. */
    public static MeasuredNetwork failed(String why) {
        return new MeasuredNetwork(Optional.of(why), Test.NONE, Optional.empty(), List.of(), List.of());
    }
}
