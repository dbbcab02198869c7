package markturn.tripod.plan;

import java.util.List;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * What the canvas draws: in the order of {@code names} places in hundredths of a drawing unit, and which of the signs; lines as places
 * with their dashes.
 */
record Layer(List<String> names, int[] x, int[] y, int[] sign, List<String> signs, List<LayerLine> lines)
        implements Shown {
    /** A line on the canvas. */
    record LayerLine(int[] x, int[] y, String dashes, boolean closed) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("x", x)
                    .with("y", y)
                    .with("dashes", dashes)
                    .with("closed", closed);
        }
    }

    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .withWords("names", names)
                .with("x", x)
                .with("y", y)
                .with("sign", sign)
                .withWords("signs", signs)
                .with("lines", lines);
    }
}
