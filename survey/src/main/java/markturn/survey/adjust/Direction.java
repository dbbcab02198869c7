package markturn.survey.adjust;

import markturn.survey.angle.Angles;

/**
 * A reduced direction: azimuth of the line less the orientation.
 *
 * @param orientation number of its unknown
 * @param value radians
 */
public record Direction(NumberedPlace from, NumberedPlace to, int orientation, double value, double stdDev)
        implements BetweenPlaces {
    @Override
    public double theoretical(double[] unknowns) {
        return Angles.onCircle(PlaneVector.between(from, to, unknowns).azimuth() - unknowns[orientation]);
    }

    @Override
    public double misclosure(double[] unknowns) {
        return Angles.shortWay(value - theoretical(unknowns));
    }

    @Override
    public void partials(double[] unknowns, Partial partial) {
        PlaneVector.turning(from, to, unknowns, partial);
        partial.by(orientation, -1);
    }

    @Override
    public double[] byFarEnd(double north, double east) {
        double square = north * north + east * east;
        return new double[] {-east / square, north / square};
    }
}
