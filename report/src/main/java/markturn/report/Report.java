package markturn.report;

import java.io.FilterWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;
import markturn.survey.SurveyResult;
import markturn.survey.epoch.Epochs;
import markturn.survey.job.PlainText;
import markturn.survey.result.MeasuredNetwork;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/**
 * The report of a computed job: everything a stranger needs to judge it years later, with the raw field book behind it. One template makes
 * the page on screen and the PDF.
 */
public final class Report {
    /** After so many setups a new sheet begins, and in a job with more of them the coordinates do: they are set beside each other. */
    static final int SETUPS_TOGETHER = 40;

    /** With more findings these begin a part of their own. */
    static final int FINDINGS_TOGETHER = 200;

    /** Shares of the work of a PDF, roughly: the page begun, and written. */
    private static final double PAGE_BEGUN = 0.1;

    private static final double PAGE_WRITTEN = 0.4;

    private static final TemplateEngine ENGINE = engine();

    private static final Section CAUTIONS = Section.of(
            "Cautions",
            List.of(
                    Block.caution(
                            "What others build on needs an independent check from elsewhere. Traffic, with somebody watching "
                                    + "it; eye protection and a holder when driving nails; never sight the sun; overhead lines above "
                                    + "metal poles; work at height."),
                    new Block.Paragraph(
                            "statement",
                            "Boundaries, and anything others build or rely on, belong to a licensed surveyor under the local "
                                    + "law.")));

    private final SurveyResult result;
    private final Optional<MeasuredNetwork> network;
    private final List<Person> crew;
    private final Instant made;
    private final String program;
    private final Optional<Epochs> epochs;

    /** Somebody who worked on the job. */
    public record Person(String name, String role) {}

    /**
     * @param network the whole job in one adjustment, where that was computed: worst hidden errors come from it
     * @param crew who worked on it
     * @param made when the report is made
     * @param program what makes it, with its version
     */
    public Report(
            SurveyResult result, Optional<MeasuredNetwork> network, List<Person> crew, Instant made, String program) {
        this.result = result;
        this.network = network.or(() -> result.measured().network());
        this.crew = List.copyOf(crew);
        this.made = made;
        this.program = program;
        this.epochs = Optional.empty();
    }

    private Report(Report of, Optional<Epochs> epochs) {
        this.result = of.result;
        this.network = of.network;
        this.crew = of.crew;
        this.made = of.made;
        this.program = of.program;
        this.epochs = epochs;
    }

    /** The same with what moved since its marks were measured first. */
    public Report with(Epochs measuredAgain) {
        return new Report(this, Optional.of(measuredAgain));
    }

    private static TemplateEngine engine() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(Report.class.getClassLoader());
        resolver.setPrefix("markturn/report/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.HTML);
        resolver.setCharacterEncoding("UTF-8");
        TemplateEngine engine = new TemplateEngine();
        engine.setTemplateResolver(resolver);
        return engine;
    }

    /**
     * The report as a page.
     *
     * @param stylesheet address of {@link #stylesheet()} as the page is to ask for it
     */
    public String html(String stylesheet) {
        // What is stored may be of before texts were checked.
        StringWriter written = new StringWriter();
        write(written, stylesheet, "", share -> {});
        return PlainText.cleaned(written.toString());
    }

    /** The stylesheet of the report, for screen and print. */
    public static String stylesheet() {
        return text("report.css");
    }

    private static String text(String resource) {
        try (InputStream in = Report.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** The report as PDF, A4, its fonts embedded. */
    public byte[] pdf() {
        return pdf(share -> {});
    }

    /**
     * The same, which may take a minute.
     *
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work before its next step
     */
    public byte[] pdf(DoubleConsumer progress) {
        try (Paper paper = new Paper()) {
            write(paper, "", stylesheet() + Paper.RULES, progress);
            progress.accept(PAGE_WRITTEN);
            return paper.pdf(PlainText.cleaned(result.job().name()));
        }
    }

    private void write(Writer to, String stylesheet, String style, DoubleConsumer progress) {
        Reported reported = Reported.of(result, network);
        boolean onPaper = !style.isEmpty();
        Map<String, Object> model = new HashMap<>();
        model.put("stylesheet", stylesheet);
        model.put("style", style);
        model.put("title", result.job().name() + ", report");
        model.put("name", result.job().name());
        model.put("place", result.job().place());
        model.put("practice", result.job().isPractice());
        model.put("verdict", reported.glance().sentence());
        model.put("cover", Cover.of(reported, crew, made, program));
        model.put(
                "sections",
                onPaper
                        ? sections(reported)
                                .map(section -> section.with(PaperTables::of))
                                .toList()
                        : sections(reported).toList());
        Context context = new Context(Locale.ENGLISH, model);
        ENGINE.process("report", context, new FilterWriter(to) {
            @Override
            public void write(String text) throws IOException {
                progress.accept(PAGE_BEGUN);
                out.write(text);
            }
        });
    }

    /** From the glance to the raw field book. */
    Stream<Section> sections(Reported of) {
        List<Section> sections = new ArrayList<>();
        sections.add(GlanceSection.of(of));
        sections.add(GlanceSection.limits(of));
        sections.add(SetupSection.of(of));
        if (!result.measured().traverses().isEmpty()) {
            sections.add(TraverseSection.of(of));
        }
        of.network().ifPresent(whole -> sections.add(TraverseSection.network(whole, of.show())));
        sections.add(MarkSection.of(of));
        epochs.ifPresent(again -> sections.add(MovedPart.of(again, of.show(), of.words())));
        sections.add(RecordSection.checks(of));
        sections.add(RecordSection.findings(result.findings()));
        if (!result.job().decisions().isEmpty()) {
            sections.add(RecordSection.decisions(of));
        }
        sections.add(plan(of));
        sections.add(CAUTIONS);
        sections.add(BookSection.of(of));
        return sections.stream();
    }

    private static Section plan(Reported of) {
        return new Section(
                "Plan",
                "keep",
                false,
                List.of(
                        new Block.Plan(PlanPicture.svg(of.result(), of.show())),
                        Block.quiet("Triangle: control, filled where given. Circle: station. "
                                + "The signs of the codes: located points.")));
    }
}
