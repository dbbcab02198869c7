package markturn.survey.job;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A reflector with its constant.
 *
 * @param constant added to the raw distance, metres; 0 for the reflectorless {@link #NONE}
 * @param centringStdDev over the mark, metres
 * @param heightStdDev of its height, metres
 * @param belowAntenna how far it sits below the satellite antenna of a combined pole, metres; empty where there is none
 */
public record Reflector(
        String name,
        double constant,
        double centringStdDev,
        double heightStdDev,
        Optional<Notch> notch,
        OptionalDouble belowAntenna) {
    /** One without an antenna above it. */
    public Reflector(String name, double constant, double centringStdDev, double heightStdDev, Optional<Notch> notch) {
        this(name, constant, centringStdDev, heightStdDev, notch, OptionalDouble.empty());
    }

    /** The name that stands for a sight without reflector. */
    public static final String REFLECTORLESS = "none";

    /** A sight without reflector where the job lists none. */
    public static final Reflector NONE = new Reflector(REFLECTORLESS, 0, 0, 0, Optional.empty());

    /** The same reflector on a support with another centring. */
    public Reflector centredWithin(double stdDev) {
        return new Reflector(name, constant, stdDev, heightStdDev, notch, belowAntenna);
    }

    /** The same reflector with another constant. */
    public Reflector withConstant(double metres) {
        return new Reflector(name, metres, centringStdDev, heightStdDev, notch, belowAntenna);
    }

    /** Whether this stands for a sight on the bare surface. */
    public boolean isReflectorless() {
        return name.equals(REFLECTORLESS);
    }
}
