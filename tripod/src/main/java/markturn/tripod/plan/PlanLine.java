package markturn.tripod.plan;

import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** A line of a code, or a side of one: its path, its dashes, and what it is. */
record PlanLine(String d, String dashes, String words) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty().with("d", d).with("dashes", dashes).with("words", words);
    }
}
