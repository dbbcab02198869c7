package markturn.survey.reduce;

import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;

/**
 * The refractivity of air for a modulated beam. Source: IAG Resolution 3 (1999), closed formulas for the group refractive index to be
 * used where 1 ppm is enough.
 */
public final class Air {
    private static final double ZERO_CELSIUS = 273.15;

    private Air() {}

    /**
     * Group refractivity of standard air (0 °C, 1013.25 hPa, dry), in ppm.
     *
     * @param wavelength of the carrier in micrometres, above 0
     */
    public static double standardRefractivity(double wavelength) {
        double squared = wavelength * wavelength;
        return 287.6155 + 4.88660 / squared + 0.06800 / (squared * squared);
    }

    /** Refractivity of that air for that carrier, in ppm. */
    public static double refractivity(double wavelength, Atmosphere air) {
        double kelvin = air.temperature() + ZERO_CELSIUS;
        return standardRefractivity(wavelength) * (ZERO_CELSIUS / 1013.25) * air.pressure() / kelvin
                - 11.27 * air.vapour() / kelvin;
    }

    /** What must be added to a distance in this air, ppm: reference minus actual refractivity; 0 without a wavelength. */
    public static double ppm(Instrument instrument, Atmosphere air) {
        if (instrument.wavelength().isEmpty()) {
            return 0;
        }
        double wavelength = instrument.wavelength().getAsDouble();
        return refractivity(wavelength, instrument.reference()) - refractivity(wavelength, air);
    }
}
