package markturn.tripod.setup;

import markturn.survey.finding.words.Words;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** A setup that is to be made, as the sheet offers it. */
record PlannedRow(PlannedSetup setup, Address at) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("name", setup.name())
                .with("address", at.planned(setup.name()))
                .with(
                        "words",
                        Sentence.of(
                                "%s %s, %s: %s",
                                setup.method().words(),
                                setup.station(),
                                Sentence.count(setup.sets(), "set", "sets"),
                                Words.names(setup.aims().stream()
                                        .map(PlannedSetup.Aim::target)
                                        .toList())))
                .with(
                        "targets",
                        setup.aims().stream()
                                .map(aim -> target(setup.name(), aim.target()))
                                .toList());
    }

    private static Shown target(String setup, String target) {
        return () -> Sheet.empty()
                .with("setup", setup)
                .with("target", target)
                .with("goneWords", target + " is gone")
                .with("hiddenWords", target + " is not seen from here");
    }
}
