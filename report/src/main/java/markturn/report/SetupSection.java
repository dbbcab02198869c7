package markturn.report;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import markturn.survey.job.Decision;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Heights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.survey.show.Display;

/** Each setup: what it stood on, what its backsights said, its abstract of sets, its closing sight. */
final class SetupSection {
    private final Reported of;
    private final Display show;

    private SetupSection(Reported of) {
        this.of = of;
        this.show = of.show();
    }

    static Section of(Reported of) {
        List<MeasuredSetup> setups = of.result().measured().setups();
        SetupSection section = new SetupSection(of);
        return Section.of(
                "Setups",
                IntStream.range(0, setups.size())
                        .boxed()
                        .flatMap(index ->
                                Stream.concat(sheetBefore(index), section.blocks(setups.get(index)).stream())));
    }

    /** What stands before a setup in a list of setups: a new sheet before every hundredth, else nothing. */
    static Stream<Block> sheetBefore(int index) {
        return index > 0 && index % Report.SETUPS_TOGETHER == 0 ? Stream.of(new Block.NewSheet()) : Stream.empty();
    }

    private List<Block> blocks(MeasuredSetup measured) {
        Setup setup = measured.setup();
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Heading(measured.name() + " on " + setup.station()
                + (setup.isFree() ? ", free station" : ", occupied")
                + (of.glance().unproved().contains(measured.name()) ? ", unproved" : ", accepted")));
        blocks.add(Block.words(instrument(setup) + air(measured) + orientation(measured)));
        if (!measured.backsights().isEmpty()) {
            blocks.add(backsights(measured));
        }
        measured.resected().ifPresent(resected -> blocks.add(resected(resected)));
        leftOut(setup).forEach(line -> blocks.add(Block.words(line)));
        if (!measured.abstracts().isEmpty()) {
            blocks.add(abstracts(measured));
        }
        blocks.add(measured.closingSight()
                .map(closing -> Block.words("Closing sight to " + closing.target() + ": "
                        + of.words().small(closing.direction())
                        + (closing.atLongest().isPresent()
                                ? ", "
                                        + of.words()
                                                .difference(closing.atLongest().getAsDouble()) + " at the longest sight"
                                : "")
                        + "."))
                .orElse(Block.caution("No closing sight was taken from this setup.")));
        return blocks;
    }

    private String instrument(Setup setup) {
        return "Instrument " + setup.instrument() + ", height taped " + show.height(setup.instrumentHeight())
                + ", vertical " + show.length(Heights.ofInstrument(of.job(), setup)) + " " + show.lengthSign() + ". ";
    }

    private String air(MeasuredSetup measured) {
        return measured.setup()
                .atmosphere()
                .map(air -> "Air " + air.temperature() + " °C, " + air.pressure() + " hPa: "
                        + show.number(measured.ppm(), 1) + " ppm. ")
                .orElse("No air was noted. ");
    }

    private String orientation(MeasuredSetup measured) {
        return measured.orientation().isEmpty()
                ? ""
                : "Orientation " + show.azimuth(measured.orientation())
                        + (measured.redundancy().isPresent()
                                ? ", redundancy " + measured.redundancy().getAsInt()
                                : "")
                        + ".";
    }

    private Block backsights(MeasuredSetup measured) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Backsight")
                .numbers("Distance", "Distance off, " + show.differenceSign(), "Elevation off", "North", "East");
        measured.backsights()
                .forEach(b -> table.row(
                        b.target() + (b.used() ? "" : ", not used"),
                        show.length(b.distance()),
                        show.difference(b.distanceDifference()),
                        show.difference(b.elevationDifference()),
                        show.difference(b.northingDifference()),
                        show.difference(b.eastingDifference())));
        return table.done();
    }

    private Block resected(Resected resected) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Mark of the resection")
                .numbers(
                        "Along, " + show.differenceSign(),
                        "Across",
                        "Up",
                        "Smallest error found",
                        "Moves the station by, if not found");
        resected.sights()
                .forEach(r -> table.row(
                        r.target() + (r.isUsed() ? "" : ", left out"),
                        show.difference(r.along()),
                        show.difference(r.across()),
                        show.difference(r.up()),
                        show.deviation(r.detectable()),
                        show.deviation(r.hiddenAtStation())));
        return table.done();
    }

    /** Who left what out of a resection, and why, in words. */
    private Stream<String> leftOut(Setup setup) {
        return of.job().decisions().stream()
                .filter(d -> d.what().equals(Decision.LEAVE_OUT)
                        && d.concerning("setup").equals(setup.name()))
                .map(d -> "%s: %s, before %s. %s"
                        .formatted(
                                d.by(),
                                d.after().map(Object::toString).orElse(""),
                                d.before().map(Object::toString).orElse(""),
                                d.reason()));
    }

    private Block abstracts(MeasuredSetup measured) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Abstract of sets")
                .numbers(
                        "Sets",
                        "Direction",
                        "Std dev, " + show.smallSign(),
                        "Zenith",
                        "Slope",
                        "Grid distance",
                        "Rise");
        measured.abstracts()
                .forEach(a -> table.row(
                        a.target(),
                        String.valueOf(a.sets()),
                        show.angle(a.direction()),
                        show.smallSize(a.stdDev()),
                        show.angle(a.zenith()),
                        show.length(a.slope()),
                        show.length(a.horizontal()),
                        show.length(a.elevationDifference())));
        return table.done();
    }
}
