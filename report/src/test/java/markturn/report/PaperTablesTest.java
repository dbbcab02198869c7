package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import org.junit.jupiter.api.Test;
import org.unbescape.html.HtmlEscape;

/** Tables as they are set on paper say what those of the page say. */
class PaperTablesTest {
    private static final String PAGE = new Report(
                    Survey.compute(AlderWeir.job()), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn")
            .html("report.css");

    /** What a reader reads, row by row, without the space between columns. */
    private static List<String> read(String page, String tag) {
        return Pattern.compile("<tr[^>]*>(.*?)</tr>", Pattern.DOTALL)
                .matcher(page)
                .results()
                .map(MatchResult::group)
                .filter(row -> row.contains("<" + tag))
                .map(row -> HtmlEscape.unescapeHtml(row.replaceAll("<[^>]*>", " "))
                        .replaceAll("\\s+", " ")
                        .strip())
                .toList();
    }

    @Test
    void everyRowSaysTheSameInTheSameOrder() {
        List<String> onPaper = read(PaperTables.in(PAGE), "td");
        assertThat(onPaper).isEqualTo(read(PAGE, "td"));
        assertThat(onPaper).hasSizeGreaterThan(200);
    }

    @Test
    void numbersStandBelowEachOtherAndBelowTheirHeadings() {
        String page = "<table><thead><tr><th>Mark</th><th class=\"n\">Std dev N</th><th class=\"n\">E</th></tr></thead>"
                + "<tbody><tr><td>A &amp; B</td><td class=\"n\">1.5</td><td class=\"n\">+123.456</td></tr>"
                + "<tr class=\"struck\"><td>C</td><td class=\"n\"></td><td class=\"n\">2&quot;</td></tr></tbody></table>";
        assertThat(PaperTables.in(page))
                .isEqualTo(
                        "<table><thead><tr><th>Mark</th>"
                                + "<th class=\"pack\">Std          \ndev          \n  N         E</th></tr></thead>"
                                + "<tbody><tr><td>A &amp; B</td><td class=\"pack\">1.5  +123.456</td></tr>"
                                + "<tr class=\"struck\"><td>C</td><td class=\"pack\">           2&quot;</td></tr></tbody></table>");
    }

    @Test
    void aLineOfTheFieldBookIsOneCellBesideItsReason() {
        String page =
                "<table class=\"lines\"><thead><tr><th>Set</th><th>Target</th><th>Keyed in</th><th class=\"n\">Circle</th>"
                        + "<th class=\"why\">Struck out</th></tr></thead><tbody>"
                        + "<tr><td>1</td><td class=\"k\">B</td><td></td><td class=\"n\">0.5</td><td class=\"why\">knocked</td></tr>"
                        + "<tr><td>1</td><td class=\"k\">PILLAR 1</td><td></td><td class=\"n\">10.5</td><td class=\"why\"></td></tr>"
                        + "</tbody></table>";
        assertThat(PaperTables.in(page))
                .contains("<th class=\"pack\">Set  Target    Circle</th><th class=\"why\">Struck out</th>")
                .contains("<td class=\"pack\">1    B            0.5</td><td class=\"why\">knocked</td>")
                .contains("<td class=\"pack\">1    PILLAR 1    10.5</td>")
                .doesNotContain("Keyed in");
    }

    @Test
    void aTableThatHoldsMoreThanTextStaysAsItIs() {
        String page = "<table><thead><tr><th class=\"n\">A</th><th class=\"n\">B</th></tr></thead>"
                + "<tbody><tr><td class=\"n\"><em>1</em></td><td class=\"n\">2</td></tr></tbody></table>";
        assertThat(PaperTables.in(page)).isEqualTo(page);
    }

    @Test
    void theTablesOfTheReportAreSetThatWay() {
        String paper = PaperTables.in(PAGE);
        assertThat(Arrays.asList(paper.split("class=\"pack\""))).hasSizeGreaterThan(150);
        assertThat(paper.split("<td")).hasSizeLessThan(PAGE.split("<td").length / 2);
    }
}
