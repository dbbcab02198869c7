package markturn.survey.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;

/**
 * One pointing as it was booked. A value, and no record: a job has tens of thousands, and what nearly each of them has, but may miss, would
 * weigh as much again in objects of its own.
 */
public final class Reading {
    /** Where no set is numbered. */
    private static final int NO_SET = Integer.MIN_VALUE;

    private final String target;
    private final Role role;
    private final int set;
    private final Face face;
    private final Circle circle;
    private final Circle zenith;
    private final double slope;
    private final List<Double> slopes;
    private final String reflector;
    private final Optional<MeasuredHeight> targetHeight;
    private final Instant at;
    private final Origin origin;
    private final Optional<Applied> applied;
    private final Optional<Offset> offset;
    private final OptionalDouble centringStdDev;
    private final Optional<String> struck;

    /**
     * One pointing.
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
            OptionalDouble centringStdDev,
            Optional<String> struck) {
        this.target = target;
        this.role = role;
        this.set = set.orElse(NO_SET);
        this.face = face;
        this.circle = circle;
        this.zenith = zenith.orElse(null);
        this.slope = Plain.of(slope);
        this.slopes = slopes;
        this.reflector = reflector;
        this.targetHeight = targetHeight;
        this.at = at.orElse(null);
        this.origin = origin;
        this.applied = applied;
        this.offset = offset;
        this.centringStdDev = centringStdDev;
        this.struck = struck;
    }

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

    /** Name of the mark sighted. */
    public String target() {
        return target;
    }

    public Role role() {
        return role;
    }

    /** Its number, 1 to 99; absent: the circle of the latest numbered reading before it. */
    public OptionalInt set() {
        return set == NO_SET ? OptionalInt.empty() : OptionalInt.of(set);
    }

    public Face face() {
        return face;
    }

    public Circle circle() {
        return circle;
    }

    /** As read on that face, radians: face right reads beyond half a turn. */
    public Optional<Circle> zenith() {
        return Optional.ofNullable(zenith);
    }

    /** Slope distance as shown, metres; the mean where {@link #slopes} lists several. */
    public OptionalDouble slope() {
        return Plain.read(slope);
    }

    public List<Double> slopes() {
        return slopes;
    }

    /** Name of the reflector, or {@link Reflector#REFLECTORLESS}. */
    public String reflector() {
        return reflector;
    }

    public Optional<MeasuredHeight> targetHeight() {
        return targetHeight;
    }

    public Optional<Instant> at() {
        return Optional.ofNullable(at);
    }

    public Origin origin() {
        return origin;
    }

    /** What the instrument had keyed in when it showed the distance; absent: the right values. */
    public Optional<Applied> applied() {
        return applied;
    }

    public Optional<Offset> offset() {
        return offset;
    }

    /** Of this target's own support where it differs from its reflector's, as under forced centring, metres. */
    public OptionalDouble centringStdDev() {
        return centringStdDev;
    }

    /** The reason where the reading is struck out. */
    public Optional<String> struck() {
        return struck;
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
        return changed(draft -> draft.struck = Optional.of(reason));
    }

    /** The same reading standing again. */
    public Reading restored() {
        return changed(draft -> draft.struck = Optional.empty());
    }

    /** The same reading of another target. */
    public Reading withTarget(String other) {
        return changed(draft -> draft.target = other);
    }

    /** The same reading, taken for another reason. */
    public Reading withRole(Role other) {
        return changed(draft -> draft.role = other);
    }

    /** The same reading with another value of the circle. */
    public Reading withCircle(Circle other) {
        return changed(draft -> draft.circle = other);
    }

    /** The same reading with another slope distance, metres, or without any; what it was the mean of goes with it. */
    public Reading withSlope(OptionalDouble other) {
        return changed(draft -> {
            draft.slope = other;
            draft.slopes = List.of();
        });
    }

    /** The same reading to another reflector. */
    public Reading withReflector(String other) {
        return changed(draft -> draft.reflector = other);
    }

    /** The same reading with its height of target noted anew. */
    public Reading withTargetHeight(MeasuredHeight height) {
        return changed(draft -> draft.targetHeight = Optional.of(height));
    }

    /** The same reading taken then. */
    public Reading withAt(Instant time) {
        return changed(draft -> draft.at = Optional.of(time));
    }

    /** The same reading with what the instrument had keyed in noted anew. */
    public Reading withApplied(Applied keyedIn) {
        return changed(draft -> draft.applied = Optional.of(keyedIn));
    }

    /** The same reading of a point beside its target. */
    public Reading withOffset(Offset other) {
        return changed(draft -> draft.offset = Optional.of(other));
    }

    /** The same reading of a target centred within so much, metres. */
    public Reading withCentring(double stdDev) {
        return changed(draft -> draft.centringStdDev = OptionalDouble.of(stdDev));
    }

    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Reading that && values().equals(that.values());
    }

    @Override
    public int hashCode() {
        return values().hashCode();
    }

    @Override
    public String toString() {
        return values().toString();
    }

    private List<Object> values() {
        return List.of(
                target,
                role,
                set,
                face,
                circle,
                zenith(),
                slope,
                slopes,
                reflector,
                targetHeight,
                at(),
                origin,
                applied,
                offset,
                centringStdDev,
                struck);
    }

    private Reading changed(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.reading();
    }

    /** A reading while one thing of it is changed: what changes is named once, the rest stays. */
    private static final class Draft {
        private final Reading before;
        private String target;
        private Role role;
        private Circle circle;
        private OptionalDouble slope;
        private List<Double> slopes;
        private String reflector;
        private Optional<MeasuredHeight> targetHeight;
        private Optional<Instant> at;
        private Optional<Applied> applied;
        private Optional<Offset> offset;
        private OptionalDouble centringStdDev;
        private Optional<String> struck;

        Draft(Reading before) {
            this.before = before;
            this.target = before.target;
            this.role = before.role;
            this.circle = before.circle;
            this.slope = before.slope();
            this.slopes = before.slopes;
            this.reflector = before.reflector;
            this.targetHeight = before.targetHeight;
            this.at = before.at();
            this.applied = before.applied;
            this.offset = before.offset;
            this.centringStdDev = before.centringStdDev;
            this.struck = before.struck;
        }

        Reading reading() {
            return new Reading(
                    target,
                    role,
                    before.set(),
                    before.face,
                    circle,
                    before.zenith(),
                    slope,
                    slopes,
                    reflector,
                    targetHeight,
                    at,
                    before.origin,
                    applied,
                    offset,
                    centringStdDev,
                    struck);
        }
    }
}
