package markturn.survey.adjust;

/** The line between two places as the unknowns stand: what directions and distances have in common. */
record Line(double north, double east, double length) {
    /** Places nearer than this are one place, metres. */
    private static final double NOTHING = 1e-6;

    static Line between(Place from, Place to, double[] unknowns) {
        double north = to.northing(unknowns) - from.northing(unknowns);
        double east = to.easting(unknowns) - from.easting(unknowns);
        return new Line(north, east, Math.max(Math.hypot(north, east), NOTHING));
    }

    double azimuth() {
        return Math.atan2(east, north);
    }

    /** Hands on how the azimuth turns with both places. */
    static void turning(Place from, Place to, double[] unknowns, Observed.Partial partial) {
        Line line = between(from, to, unknowns);
        double squared = line.length * line.length;
        bothEnds(from, to, -line.east / squared, line.north / squared, partial);
    }

    /** Hands on the partial derivatives by both places, given those by the far end. */
    static void bothEnds(Place from, Place to, double byNorth, double byEast, Observed.Partial partial) {
        one(to, byNorth, byEast, partial);
        one(from, -byNorth, -byEast, partial);
    }

    private static void one(Place place, double byNorth, double byEast, Observed.Partial partial) {
        if (place.north() != Place.HELD) {
            partial.by(place.north(), byNorth);
        }
        if (place.east() != Place.HELD) {
            partial.by(place.east(), byEast);
        }
    }
}
