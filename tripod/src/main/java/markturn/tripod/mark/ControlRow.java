package markturn.tripod.mark;

import markturn.survey.job.Mark;
import markturn.survey.show.Display;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** A given mark with where it comes from and how it was found on the ground. */
record ControlRow(Mark mark, Display show, Address at) implements Shown {
    @Override
    public Sheet sheet() {
        Mark.Coordinates given = mark.given().orElseThrow();
        String found = mark.found().map(Mark.Found::key).orElse("");
        return Sheet.empty()
                .with("name", mark.name())
                .with("address", at.mark(mark.name()))
                .with("northing", show.length(given.northing()))
                .with("easting", show.length(given.easting()))
                .with("elevation", show.length(given.elevation()))
                .with("source", mark.source())
                .with("found", found)
                .with("words", found.isEmpty() ? "not noted" : found)
                .with("asked", "How " + mark.name() + " was found");
    }
}
