package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.report.ReportTable.Cell;
import markturn.report.ReportTable.Column;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import org.junit.jupiter.api.Test;

/** Tables as they are set on paper say what those of the page say. */
class PaperTablesTest {
    private static List<ReportTable> tables() {
        SurveyResult demo = Survey.compute(AlderWeir.job());
        List<ReportTable> tables = new ArrayList<>();
        new Report(demo, Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn")
                .sections(Reported.of(demo, Optional.empty()))
                .forEach(section -> section.blocks().forEach(block -> {
                    if (block instanceof ReportTable table) {
                        tables.add(table);
                    }
                }));
        return tables;
    }

    /** What a reader reads, line by line, without the space between columns. */
    private static List<String> read(ReportTable table) {
        return table.rows().stream()
                .map(row -> row.cells().stream().map(Cell::words).collect(Collectors.joining(" ")))
                .flatMap(row -> Stream.of(row.split("\n", -1)))
                .map(line -> line.replaceAll("\\s+", " ").strip())
                .toList();
    }

    @Test
    void everyRowSaysTheSameInTheSameOrder() {
        List<ReportTable> tables = tables();
        assertThat(tables)
                .allSatisfy(table -> assertThat(read(PaperTables.of(table))).isEqualTo(read(table)));
        assertThat(tables.stream().mapToInt(table -> table.rows().size()).sum()).isGreaterThan(200);
    }

    @Test
    void everyHeadingIsThereUnlessNothingStandsUnderIt() {
        for (ReportTable table : tables()) {
            String onPaper = PaperTables.of(table).columns().stream()
                    .map(Column::heading)
                    .collect(Collectors.joining(" "));
            for (int column = 0; column < table.columns().size(); column++) {
                int at = column;
                boolean empty = table.rows().stream()
                        .allMatch(row -> row.cells().get(at).words().isEmpty());
                for (String word : table.columns().get(column).heading().split(" ")) {
                    assertThat(empty || onPaper.contains(word)).as(word).isTrue();
                }
            }
        }
    }

    @Test
    void numbersStandBelowEachOtherAndBelowTheirHeadings() {
        ReportTable paper = PaperTables.of(ReportTable.draft("computation")
                .words("Mark")
                .numbers("Std dev N", "E")
                .row("A & B", "1.5", "+123.456")
                .rowOf("struck", "C", "", "2\"")
                .done());
        assertThat(paper.kind()).isEqualTo("computation");
        assertThat(paper.columns())
                .containsExactly(
                        new Column("Mark", ""), new Column("Std          \ndev          \n  N         E", "pack"));
        assertThat(paper.rows().get(0).cells())
                .containsExactly(new Cell("", "A & B"), new Cell("pack", "1.5  +123.456"));
        assertThat(paper.rows().get(1).cells()).containsExactly(new Cell("", "C"), new Cell("pack", "           2\""));
        assertThat(paper.rows().get(1).kind()).isEqualTo("struck");
    }

    @Test
    void aLineOfTheFieldBookIsOneCellBesideItsReason() {
        ReportTable paper = PaperTables.of(ReportTable.draft("lines")
                .words("Set")
                .columns(ReportTable.KEPT, "Target")
                .numbers("Keyed in", "Circle")
                .columns("why", "Struck out")
                .row("1", "B", "", "0.5", "knocked")
                .row("1", "PILLAR 1", "", "10.5", "")
                .done());
        assertThat(paper.columns())
                .containsExactly(new Column("Set  Target    Circle", "pack"), new Column("Struck out", "why"));
        assertThat(paper.rows().get(0).cells())
                .containsExactly(new Cell("pack", "1    B            0.5"), new Cell("why", "knocked"));
        assertThat(paper.rows().get(1).cells())
                .containsExactly(new Cell("pack", "1    PILLAR 1    10.5"), new Cell("why", ""));
    }

    @Test
    void linesStandAFewInARowUnlessSomethingIsSaidOfOne() {
        ReportTable.Draft lines =
                ReportTable.draft("lines").words("Target", "Face").columns("why", "Struck out");
        for (int i = 1; i <= 7; i++) {
            lines.row("P" + i, "L", "");
        }
        lines.rowOf("struck", "P8", "L", "knocked").row("P9", "L", "").row("P10", "L", "");
        assertThat(PaperTables.of(lines.done()).rows().stream()
                        .map(row -> row.cells().get(0).words().replaceAll(" ", "")))
                .containsExactly("P1L\nP2L\nP3L\nP4L\nP5L", "P6L\nP7L", "P8L", "P9L\nP10L");
    }

    @Test
    void linesThatAreWiderThanASheetKeepTheirWordsInCellsThatBreak() {
        ReportTable paper = PaperTables.of(ReportTable.draft("lines")
                .columns(ReportTable.KEPT, "Target")
                .words("Reflector")
                .numbers("Circle", "Zenith")
                .columns("why", "Struck out")
                .row("P".repeat(60), "R".repeat(60), "1", "2", "")
                .done());
        assertThat(paper.rows().get(0).cells())
                .containsExactly(
                        new Cell("", "P".repeat(60)), new Cell("", "R".repeat(60)), new Cell("pack", "     1       2"));
    }

    @Test
    void aTableWithoutHeadingsStaysAsItIs() {
        ReportTable facts = ReportTable.draft("")
                .words("")
                .numbers("", "")
                .row("A", "1", "2")
                .done();
        assertThat(PaperTables.of(facts)).isSameAs(facts);
    }

    @Test
    void aRowHasAsManyCellsAsThereAreColumns() {
        assertThatThrownBy(() -> ReportTable.draft("").words("A", "B").row("1"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("1 cells in a table of 2");
    }

    @Test
    void theTablesOfTheReportAreSetThatWay() {
        List<ReportTable> tables = tables();
        assertThat(cells(tables.stream().map(PaperTables::of).toList())).isLessThan(cells(tables) / 2);
    }

    private static int cells(List<ReportTable> tables) {
        return tables.stream()
                .flatMap(table -> table.rows().stream())
                .mapToInt(row -> row.cells().size())
                .sum();
    }
}
