package markturn.survey.adjust;

/** The line between two places as the unknowns stand: what directions and distances have in common. */
record PlaneVector(double north, double east, double length) {
    /** Places nearer than this are one place, metres. */
    private static final double NOTHING = 1e-6;

    static PlaneVector between(NumberedPlace from, NumberedPlace to, double[] unknowns) {
        double north = to.northing(unknowns) - from.northing(unknowns);
        double east = to.easting(unknowns) - from.easting(unknowns);
        return new PlaneVector(north, east, Math.max(Math.hypot(north, east), NOTHING));
    }

    double azimuth() {
        return Math.atan2(east, north);
    }

    /** Hands on how the azimuth turns with both places. */
    static void turning(NumberedPlace from, NumberedPlace to, double[] unknowns, Observed.Partial partial) {
        PlaneVector line = between(from, to, unknowns);
        double squared = line.length * line.length;
        bothEnds(from, to, -line.east / squared, line.north / squared, partial);
    }

    /** Hands on the partial derivatives by both places, given those by the far end. */
    static void bothEnds(
            NumberedPlace from, NumberedPlace to, double byNorth, double byEast, Observed.Partial partial) {
        one(to, byNorth, byEast, partial);
        one(from, -byNorth, -byEast, partial);
    }

    private static void one(NumberedPlace place, double byNorth, double byEast, Observed.Partial partial) {
        if (place.north() != NumberedPlace.HELD) {
            partial.by(place.north(), byNorth);
        }
        if (place.east() != NumberedPlace.HELD) {
            partial.by(place.east(), byEast);
        }
    }
}
