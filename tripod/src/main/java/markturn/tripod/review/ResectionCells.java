package markturn.tripod.review;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * What the page of a resection shows.
 *
 * @param cells text by the name of its cell
 * @param out names of cells beyond their limit
 * @param drawing empty without a position
 */
public record ResectionCells(Map<String, String> cells, List<String> out, Optional<Shown> drawing) implements Shown {
    @Override
    public Sheet sheet() {
        Sheet texts = Sheet.empty();
        cells.forEach(texts::with);
        return Sheet.empty()
                .with("cells", texts)
                .withWords("out", out)
                .with("drawing", drawing.map(Shown::sheet).orElse(Sheet.empty()));
    }

    /** As a script is given it. */
    public String json() {
        return sheet().json();
    }
}
