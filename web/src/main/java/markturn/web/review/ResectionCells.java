package markturn.web.review;

import java.util.List;
import java.util.Map;

/**
 * What the page of a resection shows.
 *
 * @param cells text by the name of its cell
 * @param out names of cells beyond their limit
 * @param drawing markup of the drawing; empty without a position
 */
public record ResectionCells(Map<String, String> cells, List<String> out, String drawing) {}
