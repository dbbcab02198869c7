package markturn.tripod.mark;

import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.survey.show.Display;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What satellites gave for a mark, and what becomes of it. */
record FixRow(int place, SatelliteFix fix, Display show) implements Shown {
    @Override
    public Sheet sheet() {
        Mark.Coordinates at = fix.ofMark();
        String use = fix.use() == SatelliteFix.Use.CHECK ? "compared" : "in the network";
        return Sheet.empty()
                .with("mark", fix.mark())
                .with("northing", show.length(at.northing()))
                .with("easting", show.length(at.easting()))
                .with("elevation", show.length(at.elevation()))
                .with(
                        "deviations",
                        show.length(fix.stdDev().northing()) + " / "
                                + show.length(fix.stdDev().elevation()))
                .with("use", fix.source().isEmpty() ? use : use + ", from " + fix.source())
                .with("state", fix.stands() ? "" : "struck")
                .with(fix.stands() ? "stands" : "gone", itsPlace())
                .with("struck", fix.struck().map(why -> "struck out: " + why).orElse(""));
    }

    private Sheet itsPlace() {
        return Sheet.empty()
                .with("place", String.valueOf(place))
                .with("asked", "Why the fix of " + fix.mark() + " is struck out");
    }
}
