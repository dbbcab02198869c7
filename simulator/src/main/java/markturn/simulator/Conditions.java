package markturn.simulator;

/**
 * What is not the instrument's fault. All of it is hidden from whoever observes.
 *
 * @param offsetNorth of the instrument's axis from the mark, metres
 * @param offsetEast of the axis from the mark, metres
 * @param targetCentring how far targets stand beside their marks, one sigma, metres
 * @param settling how far the circle turns while the legs settle, radians
 * @param settlingTime in which about two thirds of that has happened, seconds
 * @param warmUpPpm how much too long distances are while the instrument is cold
 * @param warmUpTime in which about two thirds of that has gone, seconds
 * @param refraction coefficient of the air along the lines
 * @param ppm what must be added to a distance in this air
 */
public record Conditions(
        double offsetNorth,
        double offsetEast,
        double targetCentring,
        double settling,
        double settlingTime,
        double warmUpPpm,
        double warmUpTime,
        double refraction,
        double ppm) {
    /** Nothing disturbs. */
    public static Conditions ideal(double refraction) {
        return new Conditions(0, 0, 0, 0, 1, 0, 1, refraction, 0);
    }
}
