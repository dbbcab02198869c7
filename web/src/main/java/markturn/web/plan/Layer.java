package markturn.web.plan;

import java.util.List;

/**
 * What the canvas draws: in the order of {@code names} places in hundredths of a drawing unit, and which of the signs; lines as places
 * with their dashes.
 */
record Layer(List<String> names, int[] x, int[] y, int[] sign, List<String> signs, List<LayerLine> lines) {
    /** A line on the canvas. */
    record LayerLine(int[] x, int[] y, String dashes, boolean closed) {}
}
