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
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.SurveyResult;
import markturn.survey.epoch.Epochs;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.finding.standing.Glance;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.PlainText;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.GridScale;
import markturn.survey.reduce.Heights;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/**
 * The report of a computed job: everything a stranger needs to judge it years later, with the raw field book behind it. One template makes
 * the page on screen and the PDF.
 */
public final class Report {
    /** So many marks are listed on paper, new control first. */
    private static final int MOST_MARKS = 5_000;

    /** So many lines of the raw field book are printed. */
    private static final int MOST_LINES = 20_000;

    /** After so many setups a new sheet begins, and in a job with more of them the coordinates do: they are set beside each other. */
    static final int SETUPS_TOGETHER = 100;

    /** Shares of the work of a PDF, roughly: the page begun, and written. */
    private static final double PAGE_BEGUN = 0.1;

    private static final double PAGE_WRITTEN = 0.4;

    private static final TemplateEngine ENGINE = engine();

    private final SurveyResult result;
    private final Optional<MeasuredNetwork> network;
    private final Map<String, Adjusted> adjusted;
    private final List<Person> crew;
    private final Instant made;
    private final String program;
    private final Optional<Epochs> epochs;

    /** Somebody who worked on the job. */
    public record Person(String name, String role) {}

    /** A leg of a traverse with what it took and where it led. */
    public record Leg(MeasuredTraverse.Leg leg, MeasuredTraverse.Correction took, Optional<Position> to) {}

    /** A line of the raw field book. */
    public record ReportedReading(
            Reading reading, String circle, String zenith, String slope, String height, String applied) {}

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
        this.adjusted = this.network
                .map(n ->
                        n.marks().stream().collect(Collectors.toMap(Adjusted::name, Function.identity(), (a, b) -> a)))
                .orElse(Map.of());
        this.crew = List.copyOf(crew);
        this.made = made;
        this.program = program;
        this.epochs = Optional.empty();
    }

    private Report(Report of, Optional<Epochs> epochs) {
        this.result = of.result;
        this.network = of.network;
        this.adjusted = of.adjusted;
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
        Job job = result.job();
        Display show = new Display(job.units());
        Map<String, Object> model = new HashMap<>();
        model.put("stylesheet", stylesheet);
        model.put("style", style);
        model.put("job", job);
        model.put("result", result);
        model.put("show", show);
        model.put("words", new Words(job.units()));
        model.put("limits", LimitRows.inForce(job.classOfWork()));
        model.put("scale", Words.number(GridScale.inForce(job).orElse(1), 8));
        model.put("crew", crew);
        model.put("made", show.dayAndTime(made));
        model.put("program", program);
        model.put("days", days(job, show));
        Glance glance = Glance.of(job, result.measured(), result.judgements(), result.findings());
        model.put("glance", glance);
        List<CheckTable.Row> checks = CheckTable.of(job, result.measured(), result.judgements());
        model.put("checks", checks);
        model.put("references", ReferenceComparison.of(job, result.measured()));
        model.put("checkSentence", CheckTable.sentence(checks));
        List<MeasuredMark> placed = result.measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        List<MeasuredMark> listed = listed(placed);
        model.put("marks", listed);
        model.put("leftToFiles", leftToFiles(placed.size() - listed.size()));
        model.put(
                "bookLines",
                job.setups().stream().mapToInt(s -> s.readings().size()).sum());
        model.put("mostLines", MOST_LINES);
        model.put("network", network.filter(n -> n.why().isEmpty()).orElse(null));
        model.put("adjusted", adjusted);
        model.put("plan", PlanPicture.svg(result, show));
        model.put(
                "moved",
                epochs.map(e -> MovedPart.of(e, show, new Words(job.units()))).orElse(null));
        model.put("report", this);
        Context context = new Context(Locale.ENGLISH, model);
        ENGINE.process("report", context, new FilterWriter(to) {
            @Override
            public void write(String text) throws IOException {
                progress.accept(PAGE_BEGUN);
                out.write(text);
            }
        });
    }

    /** Every mark, or what others are built on and as many more as people read; the rest stands in the files. */
    private static List<MeasuredMark> listed(List<MeasuredMark> placed) {
        if (placed.size() <= MOST_MARKS) {
            return placed;
        }
        return Stream.concat(
                        placed.stream().filter(m -> m.mark().kind() == Mark.Kind.NEW),
                        placed.stream().filter(m -> m.mark().kind() != Mark.Kind.NEW))
                .limit(MOST_MARKS)
                .toList();
    }

    private static String leftToFiles(int count) {
        return count == 0
                ? ""
                : "%d more marks stand in the coordinate file that belongs to this report: on paper they would be %d pages that nobody reads, and hide what has to be read."
                        .formatted(count, count / 50 + 1);
    }

    private static String days(Job job, Display show) {
        List<Instant> times = job.setups().stream()
                .flatMap(s -> s.readings().stream())
                .flatMap(r -> r.at().stream())
                .sorted()
                .toList();
        return times.isEmpty()
                ? "no times were booked"
                : show.dayAndTime(times.get(0)) + " to " + show.dayAndTime(times.get(times.size() - 1));
    }

    /** Whether its parts begin on sheets of their own. */
    public boolean isLong() {
        return result.job().setups().size() > SETUPS_TOGETHER;
    }

    /** What stands before a setup in a list of setups: a new sheet before every hundredth, else nothing. */
    public String sheetBefore(int index) {
        return index > 0 && index % SETUPS_TOGETHER == 0 ? Paper.NEW_SHEET : "";
    }

    /** The legs of a traverse as a computation table shows them. */
    public List<Leg> legs(MeasuredTraverse run) {
        List<Leg> legs = new ArrayList<>();
        for (int i = 0; i < run.legs().size(); i++) {
            legs.add(new Leg(
                    run.legs().get(i),
                    run.correction(i),
                    run.stations().size() > i + 1 ? Optional.of(run.stations().get(i + 1)) : Optional.empty()));
        }
        return legs;
    }

    /** The raw field book of a setup. */
    public List<ReportedReading> lines(Setup setup) {
        Display show = new Display(result.job().units());
        return setup.readings().stream()
                .map(r -> new ReportedReading(
                        r,
                        show.decorated(r.circle().written()),
                        r.zenith().map(z -> show.decorated(z.written())).orElse(""),
                        r.slope().isPresent() ? show.length(r.slope()) : "",
                        show.height(r.targetHeight()),
                        applied(r, show)))
                .toList();
    }

    private static String applied(Reading reading, Display show) {
        return reading.applied()
                .map(a -> (a.constant().isPresent() ? "K " + show.length(a.constant()) : "")
                        + (a.ppm().isPresent() ? " " + Words.number(a.ppm().getAsDouble(), 1) + " ppm" : ""))
                .orElse("");
    }

    /** The instrument's height over its mark, brought to the axis. */
    public OptionalDouble vertical(Setup setup) {
        return Heights.ofInstrument(result.job(), setup);
    }

    /** How far a mark may have been shifted by one error that nothing showed; a dash where that is not known. */
    public String hidden(String mark) {
        return Optional.ofNullable(adjusted.get(mark))
                .map(a -> a.plan().worst().isPresent()
                        ? new Display(result.job().units()).deviation(a.plan().worst())
                        : "no limit")
                .orElse("–");
    }

    /** Who left what out of a resection, and why, in words. */
    public List<String> leftOut(Setup setup) {
        return result.job().decisions().stream()
                .filter(d -> d.what().equals(markturn.survey.job.Decision.LEAVE_OUT)
                        && d.concerning("setup").equals(setup.name()))
                .map(d -> "%s: %s, before %s. %s"
                        .formatted(
                                d.by(),
                                d.after().map(Object::toString).orElse(""),
                                d.before().map(Object::toString).orElse(""),
                                d.reason()))
                .toList();
    }
}
