package markturn.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.simulator.AlderWeir;
import markturn.simulator.Campaign;
import markturn.simulator.Campaigns;
import markturn.simulator.World;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.epoch.Epoch;
import markturn.survey.epoch.Epochs;
import markturn.survey.job.ClassOfWork;
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

    @Test
    void theSectionsStandInTheOrderInWhichSomebodyJudges() {
        assertThat(REPORT.sections(Reported.of(DEMO, Optional.of(Survey.network(DEMO, share -> {})))))
                .extracting(Section::heading)
                .containsExactly(
                        "At a glance",
                        "Limits of the class",
                        "Setups",
                        "Traverses",
                        "The whole job in one adjustment",
                        "Coordinates",
                        "Checks",
                        "Findings, and how each was answered",
                        "Decisions on record",
                        "Plan",
                        "Cautions",
                        "Appendix: the raw field book");
    }

    /** Source: the shift that the mark was given, 16 mm south and 12 mm west: 20 mm. */
    @Test
    void whatMovedIsSaidDrawnAndListed() {
        List<String> reference = List.of("R1", "R2", "R3", "R4");
        Epochs again =
                Epochs.of(List.of(epoch(13, "spring", 0, 0, 0), epoch(11, "autumn", 182, -0.016, -0.012)), reference);
        String html = REPORT.with(again).html("report.css");
        assertThat(html)
                .contains("Meant to be stable: R1, R2, R3 and R4.", "holds the datum")
                .containsPattern("spring \\([^)]*2026[^)]*\\) to autumn \\(")
                .containsPattern("M1 moved (19|2[01]) mm towards south-west")
                .contains("no movement found", "stroke=\"#9C1C1C\"", "times as large as the ground")
                .doesNotContain("Over time");
        assertThat(REPORT.with(again).pdf()).isNotEmpty();
    }

    private static Epoch epoch(long seed, String name, int day, double north, double east) {
        List<String> reference = List.of("R1", "R2", "R3", "R4");
        List<String> slope = List.of("M1", "M2", "M3");
        World world = new World()
                .with("R1", 0, 0, 100)
                .with("R2", 10, 180, 103)
                .with("R3", 150, 190, 112)
                .with("R4", 160, -20, 110)
                .with("P1", 40, 50, 102)
                .with("P2", 50, 130, 104)
                .with("M1", 90 + north, 30 + east, 108)
                .with("M2", 102, 48, 109)
                .with("M3", 114, 66, 110);
        Campaign campaign =
                new Campaign(seed, world, ClassOfWork.Preset.PRECISE, Campaigns.instrument(1), Campaigns.prism(), 1);
        reference.forEach(campaign::control);
        slope.forEach(campaign::wanted);
        Job job = campaign.wanted("P1")
                .wanted("P2")
                .free("S1", "P1", reference, slope)
                .free("S2", "P2", reference, slope)
                .job();
        return Survey.epoch(
                Survey.compute(job),
                name,
                Instant.parse("2026-01-01T00:00:00Z").plusSeconds(86400L * day),
                setup -> true);
    }
}
