package markturn.survey.plan;

/** A place in the plan, metres. */
public record Place(double northing, double easting) {
    /** Grid distance to another place, metres. */
    public double distanceTo(Place other) {
        return Math.hypot(other.northing - northing, other.easting - easting);
    }

    /** Azimuth to another place, radians in (-pi, pi]. */
    public double azimuthTo(Place other) {
        return Math.atan2(other.easting - easting, other.northing - northing);
    }

    /** The place so far from here in a direction, metres and radians. */
    public Place towards(double azimuth, double distance) {
        return new Place(northing + distance * Math.cos(azimuth), easting + distance * Math.sin(azimuth));
    }
}
