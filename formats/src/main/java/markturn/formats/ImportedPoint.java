package markturn.formats;

import java.util.OptionalDouble;

/**
 * A point as a file brings it.
 *
 * @param northing metres
 * @param easting metres
 * @param elevation metres; empty where the file has none
 * @param code may be empty
 * @param place where in the file it stands, in words
 */
public record ImportedPoint(
        String name, double northing, double easting, OptionalDouble elevation, String code, String place) {}
