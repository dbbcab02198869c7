package markturn.survey.result;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.job.Longer;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Pose;
import markturn.survey.reduce.BookedSetup;

/**
 * A setup as computed.
 *
 * @param station where it stands; empty where the mark has no position yet
 * @param orientation azimuth of reduced direction zero, radians; empty without a usable backsight
 * @param ppm of its air; 0 where unknown
 * @param redundancy backsights less one; empty without orientation by coordinates
 * @param booked its standing readings; where a drift is corrected by decision, with their circles corrected
 * @param resected what the marks prove, where it stands free
 * @param scalePpm the scale solved for, where that was asked
 * @param pose what the errors of the instrument in its place are made of; there with the orientation
 * @param abstracts one for each target sighted, by its first fix
 */
public record MeasuredSetup(
        Setup setup,
        BookedSetup booked,
        Optional<Position> station,
        OptionalDouble instrumentHeight,
        OptionalDouble orientation,
        OptionalDouble orientationVariance,
        double ppm,
        OptionalInt redundancy,
        OptionalDouble varianceFactor,
        List<SetAbstract> abstracts,
        List<Backsight> backsights,
        List<Observation> observations,
        List<MarkTest> marks,
        List<LeftOut> leaveOneOut,
        Optional<ClosingSight> closingSight,
        List<Look> looks,
        Optional<Resected> resected,
        OptionalDouble scalePpm,
        Optional<Pose> pose,
        List<Shot> shots) {
    /** What stands for the setup where points of several gave a position. */
    public static final String SEVERAL = "several setups";

    public String name() {
        return setup.name();
    }

    /**
     * The same with one shot more, to a point that nothing else of the setup sights: it adds a line and changes none.
     *
     * @param longer the setup with that reading behind, and perhaps others
     * @param booked the same, booked
     */
    public MeasuredSetup plus(Setup longer, BookedSetup booked, SetAbstract sets, Shot shot) {
        return new MeasuredSetup(
                longer,
                booked,
                station,
                instrumentHeight,
                orientation,
                orientationVariance,
                ppm,
                redundancy,
                varianceFactor,
                Longer.by(abstracts, sets),
                backsights,
                observations,
                marks,
                leaveOneOut,
                closingSight.map(c -> c.reaching(shot.horizontal())),
                looks,
                resected,
                scalePpm,
                pose,
                Longer.by(shots, shot));
    }

    /** The abstract of that target; empty where it was not sighted. */
    public Optional<SetAbstract> sets(String target) {
        return abstracts.stream().filter(a -> a.target().equals(target)).findFirst();
    }

    /**
     * A backsight compared with its known inverse, observed minus known, metres.
     *
     * @param distanceStdDev of the difference in distance, from the instrument's figures
     */
    public record Backsight(
            String target,
            boolean used,
            OptionalDouble distance,
            OptionalDouble distanceDifference,
            OptionalDouble distanceStdDev,
            OptionalDouble elevationDifference,
            OptionalDouble elevationStdDev,
            OptionalDouble northingDifference,
            OptionalDouble eastingDifference) {}

    /** All observations of one mark tested together; {@code detectable} is its shift in metres in its worst direction. */
    public record MarkTest(String target, OptionalDouble statistic, OptionalDouble detectable, boolean used) {}

    /** What changes when one mark is left out: without minus with, metres and radians; empty where nothing would be left to check. */
    public record LeftOut(
            String target,
            OptionalDouble northingShift,
            OptionalDouble eastingShift,
            OptionalDouble orientationShift,
            OptionalDouble varianceFactor) {}

    /**
     * One look back at what orients the setup.
     *
     * @param place of its first reading in the setup's list
     * @param change of direction since the sets, radians
     * @param stdDev of that change, radians
     */
    public record Look(String target, int place, Optional<Instant> at, double change, double stdDev) {}

    /**
     * The last sight back before picking up.
     *
     * @param target the backsight it was taken to
     * @param direction change, radians
     * @param stdDev of that change, radians
     * @param atLongest what it is at the longest foresight or detail, metres
     */
    public record ClosingSight(String target, double direction, double stdDev, OptionalDouble atLongest) {
        /** The same where a sight of that length, metres, may be the longest. */
        private ClosingSight reaching(OptionalDouble horizontal) {
            if (horizontal.isEmpty()) {
                return this;
            }
            double at = Math.abs(direction) * horizontal.getAsDouble();
            return new ClosingSight(target, direction, stdDev, OptionalDouble.of(Math.max(at, atLongest.orElse(at))));
        }
    }
}
