package markturn.tripod.review;

import java.util.List;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.finding.words.Words;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.TableShown;
import markturn.tripod.view.TableShown.Cell;
import markturn.tripod.view.TableShown.Row;

/** An independent check as a review shows it: the differences, the verdict that every page shows, and what it would have missed. */
public record CheckRow(
        String mark, String from, OptionalDouble north, OptionalDouble east, OptionalDouble up, String verdict) {
    /** The checks that concern a setup: what it checked, and satellite fixes of what it fixed. */
    public static List<CheckRow> of(BookedJob book, MeasuredSetup setup) {
        Words words = new Words(book.job().units());
        return CheckTable.of(book.job(), book.result().measured(), book.result().judgements()).stream()
                .filter(row -> row.check().northingDifference().isPresent())
                .filter(row -> row.check().from().equals(setup.name()) || isFixOf(book, row, setup))
                .map(row -> new CheckRow(
                        row.check().mark(),
                        row.check().from(),
                        row.check().northingDifference(),
                        row.check().eastingDifference(),
                        row.check().elevationDifference(),
                        verdict(row, words)))
                .toList();
    }

    /** All of them, as a table. */
    static TableShown table(List<CheckRow> rows, Display show) {
        String difference = show.differenceSign();
        TableShown table = TableShown.headed(
                "Mark",
                "Seen from",
                "#North " + difference,
                "#East " + difference,
                "#Elevation " + difference,
                "What it says");
        rows.forEach(row -> table.with(Row.of(
                row.mark(),
                Cell.of(row.mark()),
                Cell.of(row.from()),
                Cell.number(show.difference(row.north())),
                Cell.number(show.difference(row.east())),
                Cell.number(show.difference(row.up())),
                Cell.of(row.verdict()))));
        return table;
    }

    private static boolean isFixOf(BookedJob book, CheckTable.Row row, MeasuredSetup setup) {
        return book.job().setup(row.check().from()).isEmpty()
                && book.result()
                        .measured()
                        .mark(row.check().mark())
                        .flatMap(MeasuredMark::from)
                        .filter(setup.name()::equals)
                        .isPresent();
    }

    private static String verdict(CheckTable.Row row, Words words) {
        String up = row.elevationMissed().isPresent()
                ? ", " + words.difference(row.elevationMissed().getAsDouble()) + " in height"
                : "";
        String said = row.words();
        return Sentence.of(
                "%s%s. It would have missed less than %s in the plan%s.",
                Character.toUpperCase(said.charAt(0)),
                said.substring(1),
                words.difference(row.planMissed().orElse(0)),
                up);
    }
}
