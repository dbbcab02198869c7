package markturn.web.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.SurveyResult;
import markturn.survey.finding.Finding;
import markturn.survey.finding.Judgement;
import markturn.survey.finding.Words;
import markturn.survey.job.Limit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.turning.Expectation;
import markturn.survey.turning.PointingOrder.Pointing;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.TurningOrder;
import markturn.web.frame.Display;
import markturn.web.turning.TurningPage.Coming;
import markturn.web.turning.TurningPage.Comparison;
import markturn.web.turning.TurningPage.Line;
import markturn.web.turning.TurningPage.Live;

/** Lays out the page of a setup from the book. */
final class TurningDesk {
    private static final int COMING_SHOWN = 6;

    private final Book book;
    private final SurveyResult result;
    private final Setup setup;
    private final MeasuredSetup measured;
    private final TurningOrder order;
    private final Display show;

    TurningDesk(Book book, Setup setup) {
        this.book = book;
        this.result = book.result();
        this.setup = setup;
        this.measured = result.measured().setup(setup.name());
        this.order = book.order(setup);
        this.show = new Display(book.job().units());
    }

    /**
     * The page.
     *
     * @param aside a pointing called for out of the order
     */
    TurningPage page(Optional<Aside> aside) {
        List<Pointing> remaining = order.pointings().remaining(setup);
        Optional<Live> live = aside.isPresent()
                ? aside.map(this::live)
                : remaining.stream().findFirst().map(this::live);
        return new TurningPage(
                measured,
                lines(),
                live,
                remaining.stream()
                        .skip(aside.isPresent() ? 0 : 1)
                        .limit(COMING_SHOWN)
                        .map(this::coming)
                        .toList(),
                order.sets(),
                remaining.size(),
                comparisons(),
                result.findingsOf(setup.name()).stream()
                        .filter(finding -> remaining.stream().noneMatch(p -> isStillToCome(finding, p)))
                        .toList(),
                CircleDrawing.of(
                        measured,
                        live.map(Live::target).orElse(""),
                        live.map(Live::face).orElse(Reading.Face.LEFT)));
    }

    /** A face that is missing because its turn has not come is no finding yet. */
    private static boolean isStillToCome(Finding finding, Pointing pointing) {
        return finding.code().equals("face-missing")
                && finding.target().equals(pointing.target())
                && finding.text().startsWith("Set " + pointing.set() + ",");
    }

    /** A pointing called for out of the order: detail, a check, or another target. */
    record Aside(
            String target, Reading.Role role, Reading.Face face, String reflector, Optional<MeasuredHeight> height) {}

    private Live live(Pointing pointing) {
        TurningOrder.Aim aim = order.aim(pointing.target()).orElseThrow();
        return new Live(
                pointing.target(),
                aim.role(),
                pointing.set(),
                pointing.face(),
                aim.reflector(),
                aim.height(),
                false,
                show.coarse(expected(pointing)),
                sentence(pointing.face(), pointing.target(), aim.reflector(), aim.height()));
    }

    private Live live(Aside aside) {
        return new Live(
                aside.target(),
                aside.role(),
                0,
                aside.face(),
                aside.reflector(),
                aside.height(),
                true,
                "",
                sentence(aside.face(), aside.target(), aside.reflector(), aside.height()));
    }

    private String sentence(Reading.Face face, String target, String reflector, Optional<MeasuredHeight> height) {
        String what = reflector.equals(Reflector.REFLECTORLESS) ? "No reflector" : reflector;
        String at = book.job().planOnly() || height.isEmpty() ? "" : " " + show.height(height);
        return "Face %s. Sight %s. %s%s.".formatted(face.name(), target, what, at);
    }

    private OptionalDouble expected(Pointing pointing) {
        return Expectation.circle(
                measured,
                pointing,
                result.measured().mark(book.job().trueName(pointing.target())).flatMap(m -> m.position()));
    }

    private Coming coming(Pointing pointing) {
        return new Coming(
                pointing.set(),
                pointing.face().name().toLowerCase(java.util.Locale.ROOT),
                pointing.target(),
                show.coarse(expected(pointing)));
    }

    private List<Line> lines() {
        Margin margin = new Margin(result, measured, show);
        List<Line> lines = new ArrayList<>();
        String last = "";
        for (int place = 0; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            String section = section(reading);
            lines.add(new Line(
                    book.keyOf(setup.name(), place),
                    section.equals(last) ? "" : section,
                    reading,
                    show.decorated(reading.circle().written()),
                    reading.zenith().map(z -> show.decorated(z.written())).orElse(""),
                    reading.slope().isPresent() ? show.length(reading.slope()) : "",
                    show.height(reading.targetHeight()),
                    show.time(reading.at()),
                    margin.phrases(place),
                    margin.judgements(place)));
            last = section;
        }
        return lines;
    }

    private static String section(Reading reading) {
        if (reading.set().isPresent()) {
            return "Set " + reading.set().getAsInt();
        }
        return switch (reading.role()) {
            case DETAIL -> "Detail";
            case CHECK -> "Checks";
            default -> "Set 1";
        };
    }

    private List<Comparison> comparisons() {
        Words words = new Words(book.job().units());
        List<Comparison> rows = new ArrayList<>();
        for (MeasuredSetup.Backsight backsight : measured.backsights()) {
            if (backsight.distanceDifference().isEmpty()) {
                rows.add(new Comparison(
                        backsight.target(),
                        Optional.of(Finding.Severity.NOTE),
                        backsight.target() + ": no distance to compare. Measure it: it tests both marks."));
                continue;
            }
            double distance = backsight.distanceDifference().getAsDouble();
            String elevation = backsight.elevationDifference().isPresent()
                    ? ", elevation %s %s"
                            .formatted(
                                    words.difference(
                                            backsight.elevationDifference().getAsDouble()),
                                    backsight.elevationDifference().getAsDouble() > 0 ? "higher" : "lower")
                    : "";
            boolean out = result.judgements().stream().anyMatch(j -> j.isOut() && isOfBacksight(j, backsight.target()));
            rows.add(new Comparison(
                    backsight.target(),
                    out ? Optional.of(Finding.Severity.STOP) : Optional.empty(),
                    "%s: distance %s %s than known%s. %s"
                            .formatted(
                                    backsight.target(),
                                    words.difference(distance),
                                    distance > 0 ? "longer" : "shorter",
                                    elevation,
                                    out ? "Beyond its limit: stop and look." : "Not contradicted.")));
        }
        return rows;
    }

    private boolean isOfBacksight(Judgement judgement, String target) {
        return judgement.setup().equals(setup.name())
                && judgement.target().equals(target)
                && (judgement.quantity() == Limit.BACKSIGHT_DISTANCE
                        || judgement.quantity() == Limit.BACKSIGHT_ELEVATION);
    }
}
