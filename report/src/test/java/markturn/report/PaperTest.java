package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;

/** What was set part by part is one document, read back by the library that others read it with. */
class PaperTest {
    private static final String PAGE = "<html><head><title>T</title><style>" + Report.stylesheet() + Paper.RULES
            + "</style></head><body><main><p>One</p><!--part-->\n<section class=\"appendix\"><p>Two</p></section>"
            + "<!--part--><p>Three</p></main></body></html>";

    private static List<String> sheets(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<String> sheets = new ArrayList<>();
            for (int sheet = 1; sheet <= document.getNumberOfPages(); sheet++) {
                PDFTextStripper reader = new PDFTextStripper();
                reader.setStartPage(sheet);
                reader.setEndPage(sheet);
                sheets.add(reader.getText(document).replaceAll("\\s+", " ").strip());
            }
            return sheets;
        }
    }

    @Test
    void everyPartBeginsASheetAndNoneIsEmpty() throws IOException {
        Paper paper = new Paper();
        paper.write(PAGE);
        assertThat(sheets(paper.pdf("Weir"))).containsExactly("One Weir 1 / 3", "Two Weir 2 / 3", "Three Weir 3 / 3");
    }

    /** However the writer of a page cuts it. */
    @Test
    void aPartIsSeenWhereverTheTextIsCut() throws IOException {
        Paper paper = new Paper();
        for (int letter = 0; letter < PAGE.length(); letter++) {
            paper.write(PAGE, letter, 1);
        }
        assertThat(sheets(paper.pdf("Weir"))).hasSize(3);
    }

    @Test
    void aNameIsShortenedToItsRoomAndSaysWhereALetterIsMissing() throws IOException {
        Paper paper = new Paper();
        paper.write(PAGE);
        assertThat(sheets(paper.pdf("Brücke 測量 " + "long ".repeat(30))).get(0))
                .startsWith("One Brücke ## long long")
                .endsWith(" 1 / 3")
                .hasSizeLessThan(100);
    }

    /** Whoever sets lines by their letters must know how many there is room for: 14 mm remain at the edge of A4. */
    @Test
    void theWidestLineStandsWithinTheSheet() throws IOException {
        for (String[] table :
                new String[][] {{"", "8".repeat(PaperTables.WIDEST)}, {"lines", "8".repeat(PaperTables.WIDEST_LINE)}}) {
            Paper paper = new Paper();
            paper.write(PAGE.replace(
                    "<p>One</p>",
                    "<table class=\"" + table[0] + "\"><tbody><tr><td class=\"pack\">" + table[1]
                            + "</td></tr></tbody></table>"));
            double[] right = {0};
            try (PDDocument document = Loader.loadPDF(paper.pdf("Weir"))) {
                new PDFTextStripper() {
                    @Override
                    protected void processTextPosition(TextPosition letter) {
                        right[0] = Math.max(right[0], letter.getXDirAdj() + letter.getWidthDirAdj());
                    }
                }.getText(document);
            }
            double edge = (210 - 14) * 72 / 25.4;
            assertThat(right[0]).as(table[0]).isBetween(edge - 20, edge);
        }
    }

    @Test
    void everySheetOfAReportIsNumbered() throws IOException {
        Report report =
                new Report(Survey.compute(AlderWeir.job()), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn");
        List<String> sheets = sheets(report.pdf());
        for (int sheet = 0; sheet < sheets.size(); sheet++) {
            assertThat(sheets.get(sheet))
                    .endsWith((sheet + 1) + " / " + sheets.size())
                    .hasSizeGreaterThan(200);
        }
        assertThat(sheets).anyMatch(text -> text.startsWith("Appendix: the raw field book"));
    }

    /** So many setups stand together; the next, the coordinates and the field book begin sheets of their own. */
    @Test
    void aLongJobIsSetInPartsThatReadOn() throws IOException {
        Job job = AlderWeir.job();
        Setup first = job.setups().get(0);
        int more = Report.SETUPS_TOGETHER + 1;
        List<Setup> setups = IntStream.rangeClosed(1, more)
                .mapToObj(number -> new Setup(
                        "L" + number,
                        first.station(),
                        first.method(),
                        first.instrument(),
                        first.instrumentHeight(),
                        first.tilt(),
                        first.atmosphere(),
                        first.orientation(),
                        List.of()))
                .toList();
        Report report = new Report(
                Survey.compute(job.withSetups(setups)), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn");
        List<String> sheets = sheets(report.pdf());
        assertThat(sheets).anyMatch(text -> text.startsWith("L" + more + " on "));
        assertThat(sheets).anyMatch(text -> text.startsWith("Coordinates "));
        String read = String.join(" ", sheets);
        for (Setup setup : setups) {
            // Among the setups, and in the field book.
            assertThat(read.split(setup.name() + " on " + setup.station(), -1)).hasSize(3);
        }
        assertThat(report.html("report.css")).contains("L" + more + " on ");
    }

    @Test
    void whoEndsItGetsNoDocument() {
        Report report =
                new Report(Survey.compute(AlderWeir.job()), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn");
        assertThatThrownBy(() -> report.pdf(share -> {
                    throw new CancellationException("ended");
                }))
                .hasRootCauseInstanceOf(CancellationException.class);
    }
}
