package markturn.survey.job;

import java.util.Optional;

/**
 * A reflector with its constant.
 *
 * @param constant added to the raw distance, metres; 0 for the reflectorless {@link #NONE}
 * @param centringStdDev over the mark, metres
 * @param heightStdDev of its height, metres
 */
public record Reflector(
        String name, double constant, double centringStdDev, double heightStdDev, Optional<Notch> notch) {
    /** The name that stands for a sight without reflector. */
    public static final String REFLECTORLESS = "none";

    /** A sight without reflector where the job lists none. */
    public static final Reflector NONE = new Reflector(REFLECTORLESS, 0, 0, 0, Optional.empty());

    /** The same reflector on a support with another centring. */
    public Reflector centredWithin(double stdDev) {
        return new Reflector(name, constant, stdDev, heightStdDev, notch);
    }

    /** The same reflector with another constant. */
    public Reflector withConstant(double metres) {
        return new Reflector(name, metres, centringStdDev, heightStdDev, notch);
    }

    /** Whether this stands for a sight on the bare surface. */
    public boolean isReflectorless() {
        return name.equals(REFLECTORLESS);
    }
}
