package markturn.survey.job;

import java.util.Optional;

/**
 * What is assumed of the earth.
 *
 * @param radius metres
 * @param refraction coefficient k
 * @param curvature false turns curvature and refraction off
 * @param scaleFactor combined factor from ground to grid distance, as given
 * @param projection where the factor follows from a map projection instead of being given
 */
public record Earth(
        double radius, double refraction, boolean curvature, double scaleFactor, Optional<GridProjection> projection) {
    public static final Earth USUAL = new Earth(6371000, 0.13, true, 1);

    /** With a given scale factor. */
    public Earth(double radius, double refraction, boolean curvature, double scaleFactor) {
        this(radius, refraction, curvature, scaleFactor, Optional.empty());
    }

    /** The same with that scale factor in force. */
    public Earth withScaleFactor(double factor) {
        return new Earth(radius, refraction, curvature, factor, projection);
    }
}
