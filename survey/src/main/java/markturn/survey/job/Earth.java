package markturn.survey.job;

/**
 * What is assumed of the earth.
 *
 * @param radius metres
 * @param refraction coefficient k
 * @param curvature false turns curvature and refraction off
 * @param scaleFactor combined factor from ground to grid distance
 */
public record Earth(double radius, double refraction, boolean curvature, double scaleFactor) {
    public static final Earth USUAL = new Earth(6371000, 0.13, true, 1);
}
