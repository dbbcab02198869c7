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
 * @param leastConstraint the sights with no more of the control than holds them in place: tests the sights alone; empty
 *     where the control is no more than that
 * @param marks every mark it found a place for, with its precision
 * @param observations what each observation was worth, in the order of the work
 * @param relatives one for each pair of marks between which something was sighted
 * @param faults the single faults that would explain the residuals best, that first
 */
public record MeasuredNetwork(
        Optional<String> why,
        Test test,
        Optional<Test> leastConstraint,
        List<Adjusted> marks,
        List<Relative> relatives,
        List<Worth> observations,
        List<SingleFault> faults) {
    /** The name of its run, where coordinates are adopted from it. */
    public static final String RUN = "network";

    /**
     * Whether residuals are as large as the instruments' figures say.
     *
     * @param redundancy observations less unknowns
     * @param varianceFactor weighted squares by redundancy; empty without redundancy
     * @param limit what chance alone exceeds once in a thousand
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
     * @param plan the farthest it can have been shifted in plan by one fault that its test would let pass
     * @param level the same of its elevation; empty without one
     */
    public record Adjusted(String name, Position position, Hidden plan, Optional<Hidden> level) {}

    /**
     * The worst hidden error: W. Baarda's external reliability, over every single fault that is tried.
     *
     * @param shift the farthest by a fault that some residual would show if it were larger, metres
     * @param by the fault that could do it; empty where none moves the mark
     * @param unseen a fault that moves it and that nothing would show, however large; empty where there is none
     */
    public record Hidden(double shift, Optional<SingleFault.What> by, Optional<SingleFault.What> unseen) {
        /** The worst of all; empty where it has no limit. */
        public OptionalDouble worst() {
            return unseen.isPresent() ? OptionalDouble.empty() : OptionalDouble.of(shift);
        }
    }

    /** Two marks that sight each other, at least one of them found, and how well they lie to each other in plan. */
    public record Relative(String one, String other, Covariance plan) {}

    /** An observation and the setup it was made from; empty for coordinates. */
    public record Worth(String setup, Observation observation) {}

    /** The observation that fits worst; empty without observations. */
    public Optional<Worth> worst() {
        return observations.stream()
                .max(Comparator.comparingDouble(w -> w.observation().size()));
    }

    /** Whether coordinates are among what is observed: control with deviations, or satellite fixes. */
    public boolean observesCoordinates() {
        return observations.stream().anyMatch(w -> w.observation().kind() == Observation.Kind.NORTHING);
    }

    /** Whether the sights agree with each other and not with the control. */
    public boolean controlContradicts() {
        return !test.accepted() && leastConstraint.filter(Test::accepted).isPresent();
    }

    /** Where nothing could be adjusted. */
    public static MeasuredNetwork failed(String why) {
        return new MeasuredNetwork(
                Optional.of(why), Test.NONE, Optional.empty(), List.of(), List.of(), List.of(), List.of());
    }
}
