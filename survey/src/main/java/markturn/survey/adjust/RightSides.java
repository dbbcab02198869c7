package markturn.survey.adjust;

/**
 * What a fault adds to the right side of the normal equations, in one way or in two.
 *
 * @param unknowns those that it touches, each once
 * @param values a row for each way: what it adds at each of them, for one unit of the fault
 */
public record RightSides(int[] unknowns, double[][] values) {
    int ways() {
        return values.length;
    }
}
