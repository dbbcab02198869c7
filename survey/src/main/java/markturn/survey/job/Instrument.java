package markturn.survey.job;

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
        Optional<Notch> notch) {}
