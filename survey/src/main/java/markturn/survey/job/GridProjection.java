package markturn.survey.job;

/**
 * The map projection the coordinates belong to, from which the scale factor follows.
 *
 * @param definition in the open notation of parameters, such as {@code +proj=tmerc +lat_0=0 +lon_0=9 +k=1 +x_0=500000 +ellps=GRS80}
 * @param meanHeight of the work above the ellipsoid, metres
 */
public record GridProjection(String definition, double meanHeight) {}
