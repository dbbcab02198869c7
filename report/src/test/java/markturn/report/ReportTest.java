package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Units;
import markturn.survey.result.MeasuredMark;
import markturn.survey.show.Display;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** The report of the demo, on screen and as PDF; the PDF is read back by a general-purpose library. */
class ReportTest {
    private static final SurveyResult DEMO = Survey.compute(AlderWeir.job());
    private static final Report REPORT = new Report(
            DEMO,
            Optional.of(Survey.network(DEMO, share -> {})),
            List.of(new Report.Person("Wren Halloran", "Observer"), new Report.Person("Ida Marsh", "Reviewer")),
            Instant.parse("2026-05-05T08:00:00Z"),
            "Mark Turn 0.2.0");

    @Test
    void everythingAStrangerNeedsStandsInThePdf() throws IOException {
        byte[] pdf = REPORT.pdf();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(document.getNumberOfPages()).isBetween(6, 20);
            assertThat(text)
                    .contains("PRACTICE", "Wren Halloran", "Reviewer Ida Marsh", "licensed surveyor")
                    .contains("Abstract of sets", "Mark of the resection", "Linear misclosure", "hidden")
                    .contains("the raw field book", "first attempt: the figure missed by metres");
            for (MeasuredMark mark : DEMO.measured().marks()) {
                String northing = new Display(DEMO.job().units())
                        .length(mark.position().orElseThrow().northing());
                assertThat(text).contains(mark.name(), northing);
            }
            DEMO.job().setups().stream()
                    .flatMap(s -> s.readings().stream())
                    .map(Reading::circle)
                    .forEach(circle ->
                            assertThat(text).contains(new Display(DEMO.job().units()).decorated(circle.written())));
            for (PDPage page : document.getPages()) {
                page.getResources().getFontNames().forEach(name -> {
                    try {
                        assertThat(page.getResources().getFont(name).isEmbedded())
                                .isTrue();
                    } catch (IOException unreadable) {
                        throw new java.io.UncheckedIOException(unreadable);
                    }
                });
            }
        }
    }

    @Test
    void whatWasAcceptedAgainstALimitStandsWithItsName() {
        String html = REPORT.html("/report.css");
        assertThat(html)
                .contains("Accepted by Ida Marsh: A digger knocked it on 3 May")
                .contains("/report.css")
                .doesNotContain("<style");
        assertThat(Report.stylesheet()).contains("@page");
    }

    /** A large job fits a report, and the picture says what it does not draw; all of it drawn took 20 MB and all the memory there was. */
    @Test
    void aLargeJobIsThinnedAndSaysSo() {
        Job job = AlderWeir.job();
        List<Mark> marks = new ArrayList<>(job.marks());
        for (int i = 0; i < 30_000; i++) {
            marks.add(new Mark(
                    "P" + i,
                    Mark.Kind.LOCATED,
                    Optional.of(new Mark.Coordinates(900 + i / 300, 4900 + i % 300, OptionalDouble.of(10))),
                    Optional.empty(),
                    "list",
                    Optional.empty(),
                    "",
                    Optional.empty()));
        }
        SurveyResult large = Survey.compute(job.withMarks(marks));
        String html = new Report(
                        large, Optional.empty(), List.of(), Instant.parse("2026-05-05T08:00:00Z"), "Mark Turn 0.2.0")
                .html("");
        assertThat(html).contains("would fall on others like them at this scale and are not drawn", "CREST 1");
        assertThat(html).hasSizeLessThan(3_000_000);
    }

    @Test
    void anEmptyJobHasAReportToo() {
        SurveyResult blank = Survey.compute(AlderWeir.blank());
        Report report = new Report(blank, Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn 0.2.0");
        assertThat(report.html("x.css")).contains("Nothing has been sighted a second time");
        assertThat(report.pdf()).startsWith("%PDF".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    }

    // The same job written in feet and gon: the international foot is 0.3048 m, a turn 400 gon.
    @Test
    void aReportSpeaksTheUnitsOfItsJob() {
        Job feet =
                AlderWeir.job().with(new Units(LengthUnit.FOOT, AngleUnit.GON)).withSetups(List.of());
        String html = new Report(Survey.compute(feet), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn 0.2.0")
                .html("x.css");
        assertThat(html).contains("6561.680").contains("angles gon").doesNotContain("2000.000");
    }

    @Test
    void aNameThatLooksLikeMarkupStaysAName() {
        Job odd = AlderWeir.blank().plus(Mark.control("<b>&\"x\"", 2050, 4950, OptionalDouble.empty(), "<script>"));
        Report report = new Report(Survey.compute(odd), Optional.empty(), List.of(), Instant.EPOCH, "Mark Turn 0.2.0");
        assertThat(report.html("x.css"))
                .contains("&lt;b&gt;&amp;")
                .doesNotContain("<b>&")
                .doesNotContain("<script>");
        assertThat(report.pdf()).isNotEmpty();
    }
}
