package markturn.survey.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * An instrument and what it can do, one sigma.
 *
 * @param directionStdDev one direction of one set, both faces (ISO 17123-3), radians
 * @param zenithStdDev one zenith angle of one set, both faces, radians
 * @param distanceStdDev constant part, metres
 * @param distancePpm part growing with the length, mm per km
 * @param centringStdDev over the mark, metres
 * @param heightStdDev of the taped height, metres
 * @param wavelength of the distance meter's carrier in micrometres; absent: no atmospheric correction
 * @param reference the air for which the instrument shows true distances
 * @param serial number on its plate, by which an office knows it in other jobs; empty where nobody noted it
 * @param remembered what its last setups showed before this job, in order of time: what a jump is told by
 */
public record Instrument(
        String name,
        double directionStdDev,
        double zenithStdDev,
        double distanceStdDev,
        double distancePpm,
        double centringStdDev,
        double heightStdDev,
        OptionalDouble wavelength,
        Atmosphere reference,
        Optional<Notch> notch,
        String serial,
        List<Remembered> remembered) {
    public Instrument {
        remembered = List.copyOf(remembered);
    }

    /** One that no other job is known of. */
    public Instrument(
            String name,
            double directionStdDev,
            double zenithStdDev,
            double distanceStdDev,
            double distancePpm,
            double centringStdDev,
            double heightStdDev,
            OptionalDouble wavelength,
            Atmosphere reference,
            Optional<Notch> notch) {
        this(
                name,
                directionStdDev,
                zenithStdDev,
                distanceStdDev,
                distancePpm,
                centringStdDev,
                heightStdDev,
                wavelength,
                reference,
                notch,
                "",
                List.of());
    }

    /**
     * What a setup showed of it: means over the setup's pairs of faces and one sigma of these, radians.
     *
     * @param collimation c, as a level sight shows it
     */
    public record Remembered(
            Instant at, double collimation, double collimationStdDev, double index, double indexStdDev) {}

    /** The same known by its serial number, with what was seen of it before. */
    public Instrument known(String number, List<Remembered> before) {
        return new Instrument(
                name,
                directionStdDev,
                zenithStdDev,
                distanceStdDev,
                distancePpm,
                centringStdDev,
                heightStdDev,
                wavelength,
                reference,
                notch,
                number,
                before);
    }
}
