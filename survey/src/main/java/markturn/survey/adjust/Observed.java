package markturn.survey.adjust;

/** One observation: its value, its a-priori standard deviation, its theoretical value and its partial derivatives. */
public interface Observed {
    /** What was observed, radians or metres. */
    double value();

    /** One sigma a priori, above 0, same unit. */
    double stdDev();

    /** What the unknowns say it should be. */
    double theoretical(double[] unknowns);

    /** Hands each non-zero partial derivative of the theoretical value to {@code partial}. */
    void partials(double[] unknowns, Partial partial);

    /** Observed minus theoretical; angles the short way round. */
    default double misclosure(double[] unknowns) {
        return value() - theoretical(unknowns);
    }

    /** Takes in one partial derivative. */
    interface Partial {
        void by(int unknown, double derivative);
    }
}
