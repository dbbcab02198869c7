package markturn.survey.adjust;

import markturn.survey.angle.Angles;

/**
 * The azimuth of a line between two places, from grid north clockwise.
 *
 * @param value radians
 */
public record Azimuth(NumberedPlace from, NumberedPlace to, double value, double stdDev) implements BetweenPlaces {
    @Override
    public double theoretical(double[] unknowns) {
        return Angles.onCircle(PlaneVector.between(from, to, unknowns).azimuth());
    }

    @Override
    public double misclosure(double[] unknowns) {
        return Angles.shortWay(value - theoretical(unknowns));
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        PlaneVector.turning(from, to, unknowns, partial);
    }

    @Override
    public double[] byFarEnd(double north, double east) {
        double square = north * north + east * east;
        return new double[] {-east / square, north / square};
    }
}
