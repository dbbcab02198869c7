package markturn.survey.adjust;

/**
 * Right sides, one for each way of a fault or for each unknown of a place, on their way up through the fronts: with the factor
 * {@code N = Rᵀ R}, what of {@code R⁻ᵀ b} lies in each part from that in which they stand, as far up as it was asked for. What a fault
 * {@code b} shifts a place {@code e} is the product of {@code R⁻ᵀ b} and {@code R⁻ᵀ e}.
 */
final class Rising {
    private final Fronts fronts;
    private final double[][] elements;
    private final Squares[] squares;
    private Dissection.Part part;
    /** In the front of that part, before its pivots are taken. */
    private double[][] rows;

    /**
     * Not risen yet.
     *
     * @param part where they stand: it has all their positions in its front
     * @param sides of each its values there
     */
    Rising(Fronts fronts, Dissection.Part part, int[] positions, double[][] sides) {
        this.fronts = fronts;
        this.part = part;
        this.rows = Fronts.at(part.indicesOf(positions), sides, part);
        this.elements = new double[sides.length][fronts.end(part)];
        this.squares = new Squares[fronts.depth(part) + 1];
    }

    /** Takes what lies in the part that they stand in, and rises to the part above; nothing where that was done on top. */
    void rise() {
        if (rows == null) {
            return;
        }
        fronts.eliminate(part, rows);
        for (int way = 0; way < rows.length; way++) {
            System.arraycopy(rows[way], 0, elements[way], fronts.begin(part), part.pivots());
        }
        squares[fronts.depth(part)] = squares(part.pivots());
        boolean top = fronts.isOnTop(part);
        rows = top ? null : fronts.handedOn(part, rows);
        part = top ? part : fronts.above(part);
    }

    /** Rises through all that is above. */
    Rising toTheTop() {
        while (rows != null) {
            rise();
        }
        return this;
    }

    private Squares squares(int pivots) {
        double[] one = rows[0];
        double[] other = rows[rows.length - 1];
        double first = 0;
        double second = 0;
        double product = 0;
        for (int i = 0; i < pivots; i++) {
            first += one[i] * one[i];
            second += other[i] * other[i];
            product += one[i] * other[i];
        }
        return rows.length > 1 ? new Squares(first, second, product) : new Squares(first, 0, 0);
    }

    /** The squares of what lies in the part of that depth, which they have risen through. */
    Squares squaresIn(int depth) {
        return squares[depth];
    }

    /**
     * What the right sides of a fault shift a place, both on top.
     *
     * @param place the unknowns of a place, one or two
     * @param end where what the two have in common ends
     */
    Squares shift(Rising place, int end) {
        boolean twoWays = elements.length > 1;
        boolean twoUnknowns = place.elements.length > 1;
        if (!twoWays && !twoUnknowns) {
            double shift = DenseVectors.product(elements[0], place.elements[0], end);
            return new Squares(shift * shift, 0, 0);
        }
        double[][] shifts = DenseVectors.products(elements, place.elements, end);
        double north = shifts[0][0] * shifts[0][0] + (twoWays ? shifts[1][0] * shifts[1][0] : 0);
        double east = shifts[0][1] * shifts[0][1] + (twoWays ? shifts[1][1] * shifts[1][1] : 0);
        double both = shifts[0][0] * shifts[0][1] + (twoWays ? shifts[1][0] * shifts[1][1] : 0);
        return twoUnknowns ? new Squares(north, east, both) : new Squares(north, 0, 0);
    }
}
