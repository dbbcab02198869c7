package markturn.tripod.turning;

import java.util.List;
import markturn.survey.finding.standing.BeforePickingUp;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * Before the instrument is picked up: what would stay unproved, and where one could move to.
 *
 * @param loose what a sight from here would still prove
 * @param foresights where one could move to
 */
record Leaving(String setup, List<BeforePickingUp.Loose> loose, List<String> foresights, Address at) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("loose", loose.stream().map(this::loose).toList())
                .with("clear", loose.isEmpty() && !foresights.isEmpty())
                .with("moves", foresights.stream().map(this::move).toList());
    }

    private Shown loose(BeforePickingUp.Loose one) {
        Sheet sheet = Sheet.empty().with("what", one.what()).with("cure", one.cure());
        one.sight()
                .ifPresent(target -> sheet.with(
                        "sight",
                        Sheet.empty().with("words", "Sight " + target).with("address", at.check(setup, target))));
        return () -> sheet;
    }

    private Shown move(String target) {
        return () -> Sheet.empty().with("words", "Move to " + target).with("address", at.move(setup, target));
    }
}
