package markturn.tripod.review;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.show.Display;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;

/**
 * The marks that fix or orient a setup, tested against each other: a switch for each part of each, and the tables whose cells change in
 * place as they are switched ({@link ResectionCells}).
 *
 * @param accepted whether the setup as it stands is accepted
 * @param leftOut what has changed since marks were left out; empty where nothing has
 */
record TestedMarks(BookedJob book, MeasuredSetup setup, boolean accepted, String leftOut, Display show)
        implements Shown {
    private static final List<String> AXES = List.of("north", "east", "height", "orientation");

    @Override
    public Sheet sheet() {
        boolean free = setup.setup().isFree();
        Resected resected = setup.resected().orElseThrow();
        List<Shown> rows = IntStream.range(0, resected.sights().size())
                .mapToObj(i -> (Shown) () -> row(i, resected.sights().get(i), free))
                .toList();
        return ResectionSheet.of(book, setup)
                .sheet()
                .with("heading", free ? "" : "Backsights against each other")
                .with("heads", heads(free))
                .with("rows", rows)
                .with("leftOut", leftOut)
                .with("left", left(resected))
                .with("pairs", pairs(resected))
                .with("compare", compare())
                .with("free", free ? free() : Sheet.empty());
    }

    private List<Cell> heads(boolean free) {
        String difference = show.differenceSign();
        List<Cell> heads = new ArrayList<>(List.of(
                Cell.of("Mark"),
                Cell.of("Takes part"),
                Cell.number("Along " + difference),
                Cell.number("Across " + difference),
                Cell.number("Up " + difference),
                Cell.of("Redundancy"),
                Cell.number("Stand\u00ADardised"),
                Cell.number("Smallest error found " + difference)));
        if (free) {
            heads.add(Cell.number("Moves the station by, if not found " + difference));
            heads.add(Cell.number("a point 100 m away by"));
        }
        return heads;
    }

    private static Sheet row(int place, Sighted sight, boolean free) {
        List<Shown> switches = new ArrayList<>(List.of(
                part(sight, "dir", Setup.Part.DIRECTION, sight.direction()),
                part(sight, "dist", Setup.Part.DISTANCE, sight.length())));
        if (free) {
            switches.add(part(sight, "up", Setup.Part.ELEVATION, sight.elevation()));
        }
        Stream<String> names = free
                ? Stream.of("standardised", "detectable", "hidden", "ahead")
                : Stream.of("standardised", "detectable");
        String row = "r" + place + "-";
        return Sheet.empty()
                .with("target", sight.target())
                .with("aloud", sight.target() + " takes part")
                .with("switches", switches)
                .with(
                        "before",
                        Stream.of("along", "across", "up")
                                .map(name -> Cell.changing(row + name))
                                .toList())
                .with("redundancy", row + "redundancy")
                .with("after", names.map(name -> Cell.changing(row + name)).toList());
    }

    private static Shown part(Sighted sight, String words, Setup.Part part, boolean takesPart) {
        String name = part.name().toLowerCase(Locale.ROOT);
        return () -> Sheet.empty()
                .with("off", sight.target() + ":" + name)
                .with("aloud", sight.target() + ", " + name)
                .with("words", words)
                .with("checked", takesPart ? "checked" : "");
    }

    private TableShown left(Resected resected) {
        TableShown table = TableShown.headed(
                "Without",
                "#North " + show.differenceSign(),
                "#East " + show.differenceSign(),
                "#Turn " + show.smallSign(),
                "#Variance factor");
        for (int i = 0; i < resected.sights().size(); i++) {
            String row = "l" + i + "-";
            table.with(Row.of(
                    "",
                    Cell.of(resected.sights().get(i).target()),
                    Cell.changing(row + "north"),
                    Cell.changing(row + "east"),
                    Cell.changing(row + "turn"),
                    Cell.changing(row + "factor")));
        }
        return table;
    }

    private TableShown pairs(Resected resected) {
        TableShown table = TableShown.headed("Between", "#Measured less known " + show.differenceSign());
        for (int i = 0; i < resected.pairs().size(); i++) {
            Resected.Pair pair = resected.pairs().get(i);
            table.with(Row.of("", Cell.of(pair.one() + ", " + pair.other()), Cell.changing("p" + i)));
        }
        return table;
    }

    private TableShown compare() {
        TableShown table = TableShown.headed("Quantity", accepted ? "#as accepted" : "#as booked", "#now", "#change");
        for (String axis : AXES) {
            table.with(Row.of(
                    "",
                    Cell.of(called(axis)),
                    Cell.changing(axis + "-accepted"),
                    Cell.changing(axis + "-now"),
                    Cell.changing(axis + "-change")));
        }
        for (String axis : AXES) {
            table.with(new Row(
                    "",
                    "deviation",
                    List.of(
                            Cell.of("std. dev. " + called(axis)),
                            Cell.changing("s-" + axis + "-accepted"),
                            Cell.changing("s-" + axis + "-now"),
                            Cell.of(""))));
        }
        return table;
    }

    private static String called(String axis) {
        return axis.equals("height") ? "elevation" : axis;
    }

    private Sheet free() {
        boolean solved = setup.setup().orientation() instanceof Setup.ByResection by && by.solveScale();
        return Sheet.empty()
                .with("unit", show.differenceSign())
                .with("scale", solved ? "checked" : "")
                .with("unsighted", unsighted());
    }

    /** Known marks that the station has not sighted. */
    private List<OptionShown> unsighted() {
        List<String> sighted = setup.setup().orientation().sights().stream()
                .map(book.job()::trueName)
                .toList();
        return book.result().measured().marks().stream()
                .filter(m -> m.mark().given().isPresent() && m.position().isPresent())
                .map(MeasuredMark::name)
                .filter(name -> !sighted.contains(name))
                .map(OptionShown::of)
                .toList();
    }
}
