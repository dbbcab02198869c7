package markturn.survey.angle;

/** A direction written by quadrant: {@code N 45-10-20 E}. Common practice; the angle is counted from north or south, 0 to 90 degrees. */
public final class QuadrantBearing {
    private QuadrantBearing() {}

    /**
     * Writes an azimuth by quadrant.
     *
     * @param azimuth radians from grid north, clockwise
     * @param unit how the angle within the quadrant is written
     * @param decimals as for {@link AngleUnit#write}
     */
    public static String write(double azimuth, AngleUnit unit, int decimals) {
        double onCircle = Angles.onCircle(azimuth);
        boolean north = onCircle <= Math.PI / 2 || onCircle >= 1.5 * Math.PI;
        boolean east = onCircle <= Math.PI;
        double fromMeridian =
                north ? Math.abs(Angles.shortWay(onCircle)) : Math.abs(Angles.shortWay(onCircle - Math.PI));
        return (north ? "N " : "S ") + unit.write(fromMeridian, decimals) + (east ? " E" : " W");
    }
}
