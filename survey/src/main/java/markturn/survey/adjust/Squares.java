package markturn.survey.adjust;

/**
 * The squares of one vector or two, and the product of the two: of what a fault does each of its ways, or of what moves a place north and
 * east.
 */
record Squares(double first, double second, double product) {
    static final Squares NONE = new Squares(0, 0, 0);

    Squares plus(Squares other) {
        return new Squares(first + other.first, second + other.second, product + other.product);
    }

    Squares minus(Squares other) {
        return new Squares(first - other.first, second - other.second, product - other.product);
    }

    /** The square of the longest that the two make in any direction: the greater half axis of the ellipse that they are conjugate to. */
    double longest() {
        double half = (first - second) / 2;
        return (first + second) / 2 + Math.sqrt(half * half + product * product);
    }
}
