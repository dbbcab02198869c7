package markturn.survey.plan;

/**
 * What work takes, minutes.
 *
 * @param setup to walk there, set up, measure heights, take down
 * @param target to put a reflector up and take it down, for each target of a setup
 * @param set to point at one target on both faces once
 */
public record Minutes(double setup, double target, double set) {
    /** A crew of two on foot. Common practice, no source. */
    public static final Minutes USUAL = new Minutes(15, 4, 1);

    /** What a setup takes. */
    public double of(PlannedSetup one) {
        return setup + one.aims().size() * (target + set * one.sets());
    }
}
