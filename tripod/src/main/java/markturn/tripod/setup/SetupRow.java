package markturn.tripod.setup;

import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** A setup of the job: where it stands, how high, on what it is oriented; one without a reading can be taken back. */
record SetupRow(MeasuredSetup measured, boolean unproved, Display show, Address at) implements Shown {
    @Override
    public Sheet sheet() {
        String name = measured.name();
        boolean empty = measured.setup().readings().isEmpty();
        return Sheet.empty()
                .with("name", name)
                .with("address", at.turning(name))
                .with("station", measured.setup().station())
                .with("height", show.height(measured.setup().instrumentHeight(), measured.instrumentHeight()))
                .with("correct", at.correctHeight(name))
                .with("correctAloud", "Correct the instrument height of " + name)
                .with(
                        "backsights",
                        String.join(", ", measured.setup().orientation().sights()))
                .with("state", unproved ? "unproved" : "accepted")
                .with("again", at.setUpAgain(name))
                .with("againAloud", "Set up once more as " + name)
                .with(
                        "empty",
                        empty
                                ? Sheet.empty().with("name", name).with("asked", "Why " + name + " is removed")
                                : Sheet.empty());
    }
}
