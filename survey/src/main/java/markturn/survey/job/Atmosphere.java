package markturn.survey.job;

/** Air along the line: temperature in degrees Celsius, pressure and water vapour in hPa. */
public record Atmosphere(double temperature, double pressure, double vapour) {
    /** The reference of an instrument that names none: 15 degrees, 1013.25 hPa, dry. */
    public static final Atmosphere USUAL_REFERENCE = new Atmosphere(15, 1013.25, 0);
}
