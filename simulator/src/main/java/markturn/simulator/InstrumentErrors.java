package markturn.simulator;

import markturn.survey.angle.Angles;
import markturn.survey.job.Instrument;

/**
 * What is wrong with an instrument, radians and metres. Noise is that of a single pointing on one face: the square root of two times the
 * figure for one set.
 */
public record InstrumentErrors(
        double collimation,
        double trunnionAxis,
        double index,
        double circleNoise,
        double zenithNoise,
        double distanceNoise,
        double distanceNoisePpm) {

    /** An instrument as good as its figures say, in fair adjustment. */
    public static InstrumentErrors of(Instrument instrument) {
        return new InstrumentErrors(
                6 * Angles.SECOND,
                3 * Angles.SECOND,
                -4 * Angles.SECOND,
                instrument.directionStdDev() * Math.sqrt(2),
                instrument.zenithStdDev() * Math.sqrt(2),
                instrument.distanceStdDev() / 2,
                instrument.distancePpm() / 2);
    }

    /** An instrument without any error. */
    public static InstrumentErrors none() {
        return new InstrumentErrors(0, 0, 0, 0, 0, 0, 0);
    }

    /** The same without noise: what adjustment alone does. */
    public InstrumentErrors silent() {
        return new InstrumentErrors(collimation, trunnionAxis, index, 0, 0, 0, 0);
    }
}
