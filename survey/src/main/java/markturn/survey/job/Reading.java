package markturn.survey.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * One pointing as it was booked.
 *
 * @param target name of the mark sighted
 * @param set its number, 1 to 99; absent: the circle of the latest numbered reading before it
 * @param zenith zenith angle as read on that face, radians: face right reads beyond half a turn
 * @param slope slope distance as shown, metres; the mean where {@code slopes} lists several
 * @param reflector name of the reflector, or {@link Reflector#REFLECTORLESS}
 * @param applied what the instrument had keyed in when it showed the distance; absent: the right values
 * @param centringStdDev of this target's own support where it differs from its reflector's, as under forced centring, metres
 * @param struck the reason where the reading is struck out
 */
public record Reading(
        String target,
        Role role,
        OptionalInt set,
        Face face,
        Circle circle,
        Optional<Circle> zenith,
        OptionalDouble slope,
        List<Double> slopes,
        String reflector,
        Optional<MeasuredHeight> targetHeight,
        Optional<Instant> at,
        Origin origin,
        Optional<Applied> applied,
        Optional<Offset> offset,
        OptionalDouble centringStdDev,
        Optional<String> struck) {
    /** A reading whose target is centred as its reflector usually is. */
    public Reading(
            String target,
            Role role,
            OptionalInt set,
            Face face,
            Circle circle,
            Optional<Circle> zenith,
            OptionalDouble slope,
            List<Double> slopes,
            String reflector,
            Optional<MeasuredHeight> targetHeight,
            Optional<Instant> at,
            Origin origin,
            Optional<Applied> applied,
            Optional<Offset> offset,
            Optional<String> struck) {
        this(
                target,
                role,
                set,
                face,
                circle,
                zenith,
                slope,
                slopes,
                reflector,
                targetHeight,
                at,
                origin,
                applied,
                offset,
                OptionalDouble.empty(),
                struck);
    }

    /** Why a target is sighted. */
    public enum Role {
        BACKSIGHT,
        FORESIGHT,
        DETAIL,
        CHECK
    }

    /** Position of the telescope. */
    public enum Face {
        LEFT,
        RIGHT;

        /** The other position. */
        public Face other() {
            return this == LEFT ? RIGHT : LEFT;
        }
    }

    /** How a reading came into the book. */
    public enum Origin {
        TYPED,
        INSTRUMENT,
        SIMULATED
    }

    /** Reflector constant (metres) and ppm that the instrument had applied; each absent where it had the right value. */
    public record Applied(OptionalDouble constant, OptionalDouble ppm) {}

    /** From the target to the point meant, metres on the ground: beyond it, to the right seen from the instrument, up. */
    public record Offset(double along, double across, double up) {}

    /** Whether it counts in the sums. */
    public boolean stands() {
        return struck.isEmpty();
    }

    /** The same reading struck out. */
    public Reading struckOut(String reason) {
        return with(target, role, circle, reflector, targetHeight, applied, Optional.of(reason));
    }

    /** The same reading standing again. */
    public Reading restored() {
        return with(target, role, circle, reflector, targetHeight, applied, Optional.empty());
    }

    /** The same reading of another target. */
    public Reading withTarget(String other) {
        return with(other, role, circle, reflector, targetHeight, applied, struck);
    }

    /** The same reading, taken for another reason. */
    public Reading withRole(Role other) {
        return with(target, other, circle, reflector, targetHeight, applied, struck);
    }

    /** The same reading with another value of the circle. */
    public Reading withCircle(Circle other) {
        return with(target, role, other, reflector, targetHeight, applied, struck);
    }

    /** The same reading to another reflector. */
    public Reading withReflector(String other) {
        return with(target, role, circle, other, targetHeight, applied, struck);
    }

    /** The same reading with its height of target noted anew. */
    public Reading withTargetHeight(MeasuredHeight height) {
        return with(target, role, circle, reflector, Optional.of(height), applied, struck);
    }

    /** The same reading with what the instrument had keyed in noted anew. */
    public Reading withApplied(Applied keyedIn) {
        return with(target, role, circle, reflector, targetHeight, Optional.of(keyedIn), struck);
    }

    private Reading with(
            String thisTarget,
            Role thisRole,
            Circle thisCircle,
            String thisReflector,
            Optional<MeasuredHeight> thisHeight,
            Optional<Applied> thisApplied,
            Optional<String> thisStruck) {
        return new Reading(
                thisTarget,
                thisRole,
                set,
                face,
                thisCircle,
                zenith,
                slope,
                slopes,
                thisReflector,
                thisHeight,
                at,
                origin,
                thisApplied,
                offset,
                centringStdDev,
                thisStruck);
    }
}
