package markturn.survey.reduce;

import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;

/**
 * A-priori variances from the instrument's figures. Textbook propagation; the direction's figure is that of one set on both faces (ISO
 * 17123-3). Lengths metres, angles radians, results variances.
 *
 * @param instrumentCentring metres; 0 where the instrument stands free
 */
public record Weights(Instrument instrument, double instrumentCentring, Earth earth) {
    /** Nearer than this a direction means nothing; it keeps a plumb sight from dividing by zero, metres. */
    public static final double NEAREST = 0.001;

    /** How far refraction may lie from the coefficient assumed. */
    public static final double REFRACTION_UNCERTAINTY = 0.05;

    /** Of a setup: centred as its own support is; a free station has nothing to be centred over. */
    public static Weights of(Job job, Setup setup) {
        Instrument instrument = job.instrument(setup.instrument());
        if (setup.isFree()) {
            return new Weights(instrument, 0, job.earth());
        }
        double centring = setup.settingUp().centringStdDev().orElse(instrument.centringStdDev());
        return new Weights(instrument, centring, job.earth());
    }

    /** Of a direction over {@code count} sets to a target at that distance. */
    public double direction(double count, Reflector target, double distance) {
        return pointing(count) + centring(target) / square(Math.max(distance, NEAREST));
    }

    /** Of a direction over {@code count} sets, without the centring of either end. */
    public double pointing(double count) {
        return square(instrument.directionStdDev()) / count;
    }

    /** Of a distance over {@code count} sets. */
    public double distance(double count, Reflector target, double distance) {
        return ranging(count, distance) + centring(target);
    }

    /** Of a height difference: zenith, distance, target height and refraction; the instrument's height stays out. */
    public double heightDifference(
            double zenithCount, double distanceCount, Reflector target, double distance, double zenith) {
        return rise(zenithCount, distanceCount, distance, zenith) + square(target.heightStdDev());
    }

    /** Of the rise from the instrument's axis to the target: zenith, distance and refraction, without either height. */
    public double rise(double zenithCount, double distanceCount, double distance, double zenith) {
        return square(distance * instrument.zenithStdDev()) / zenithCount
                + ranging(distanceCount, distance) * square(Math.cos(zenith))
                + square(distance * distance * REFRACTION_UNCERTAINTY / (2 * earth.radius()));
    }

    /**
     * Of the horizontal distance that slope and zenith angle give, {@code S sin z}, without the centring of either end: on a steep sight the
     * zenith angle counts more than the distance.
     */
    public double horizontal(double zenithCount, double distanceCount, double distance, double slope, double zenith) {
        return ranging(distanceCount, distance) * square(Math.sin(zenith))
                + square(slope * Math.cos(zenith) * instrument.zenithStdDev()) / zenithCount;
    }

    /** Of a distance over {@code count} sets, without the centring of either end. */
    public double ranging(double count, double distance) {
        return (square(instrument.distanceStdDev()) + square(instrument.distancePpm() * 1e-6 * distance)) / count;
    }

    private double centring(Reflector target) {
        return square(instrumentCentring) + square(target.centringStdDev());
    }

    private static double square(double x) {
        return x * x;
    }
}
