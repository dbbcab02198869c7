package markturn.tripod.turning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.SurveyResult;
import markturn.survey.angle.Angles;
import markturn.survey.finding.backsight.DoubtfulShots;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.BeforePickingUp;
import markturn.survey.finding.standing.Proof;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Decision;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.turning.Expectation;
import markturn.survey.turning.PointingOrder.Pointing;
import markturn.tripod.turning.TurningPage.BookLine;
import markturn.tripod.turning.TurningPage.Coming;
import markturn.tripod.turning.TurningPage.Live;

/** Lays out the page of a setup from the book. */
public final class TurningDesk {
    private static final int COMING_SHOWN = 6;
    /** The line in hand must stand above the fold of a desk, whatever was booked before. */
    private static final int LINES_SHOWN = 8;

    /** A setup with more lines than this shows its last ones, and what is out of its limit, unless all are asked for. */
    private static final int LONG = 120;

    private static final int OF_LONG_SHOWN = 40;
    /** Minutes after which a setup is no longer being observed. */
    private static final double A_DAY = 1440;

    private final BookedJob book;
    private final SurveyResult result;
    private final Setup setup;
    private final Instant now;
    private final MeasuredSetup measured;
    private final TurningOrder order;
    private final Display show;
    private final Interruption interruption;

    /** @param now when it is looked at: how long ago the backsight was sighted depends on it */
    public TurningDesk(BookedJob book, Setup setup, Instant now) {
        this.book = book;
        this.now = now;
        this.result = book.result();
        this.setup = setup;
        this.measured = result.measured().setup(setup.name());
        this.order = book.order(setup);
        this.show = new Display(book.job().units());
        this.interruption = new Interruption(book, setup);
    }

    /**
     * The page.
     *
     * @param aside a pointing called for out of the order
     * @param device what the page is shown on
     * @param whole whether all lines of a long setup are shown
     */
    public TurningPage page(Optional<Aside> aside, String device, boolean whole) {
        List<Pointing> remaining = remaining();
        Optional<Live> live = live(aside);
        List<BookLine> lines = whole ? lines(0, 0) : lines(firstOfLong(), begins(LINES_SHOWN));
        return new TurningPage(
                measured,
                lines,
                setup.readings().size() - lines.size(),
                live,
                remaining.stream()
                        .skip(aside.isPresent() ? 0 : 1)
                        .limit(COMING_SHOWN)
                        .map(this::coming)
                        .toList(),
                order.aims().stream().map(TurningOrder.Aim::target).toList(),
                order.sets(),
                remaining.size(),
                new BacksightWords(book, setup, show).comparisons(),
                result.findingsOf(setup.name()).stream()
                        .filter(finding -> remaining.stream().noneMatch(p -> isStillToCome(finding, p)))
                        .toList(),
                CircleDrawing.of(
                        measured,
                        live.map(Live::target).orElse(""),
                        live.map(Live::face).orElse(Reading.Face.LEFT)),
                state(device));
    }

    /** The line in hand: what was called for, the first target again after a break, or the next of the order. */
    public Optional<Live> live(Optional<Aside> aside) {
        if (aside.isPresent()) {
            return aside.map(this::live);
        }
        return interruption.resight().or(() -> remaining().stream().findFirst()).map(this::live);
    }

    /** Everything still to be pointed at, rounds taken clockwise as far as the directions are known. */
    List<Pointing> remaining() {
        List<String> targets =
                order.aims().stream().map(TurningOrder.Aim::target).toList();
        return order.pointings(order.school().isRound() ? clockwise(targets) : targets)
                .remaining(setup);
    }

    private List<String> clockwise(List<String> targets) {
        List<String> sorted = new ArrayList<>(targets.subList(1, targets.size()));
        sorted.sort(Comparator.comparingDouble(this::reduced));
        sorted.add(0, targets.get(0));
        return sorted;
    }

    /** The direction of a target from the zero, as sighted or from coordinates; unknown ones come last. */
    private double reduced(String target) {
        OptionalDouble sighted =
                measured.sets(target).map(SetAbstract::direction).orElse(OptionalDouble.empty());
        if (sighted.isPresent()) {
            return sighted.getAsDouble();
        }
        Optional<Position> zero = place(setup.orientation().zero());
        Optional<Position> at = place(target);
        if (measured.station().isEmpty() || zero.isEmpty() || at.isEmpty()) {
            return Angles.TURN;
        }
        Position station = measured.station().get();
        return Angles.onCircle(station.azimuthTo(at.get()) - station.azimuthTo(zero.get()));
    }

    private Optional<Position> place(String mark) {
        return result.measured().mark(book.job().trueName(mark)).flatMap(m -> m.position());
    }

    private TurningPage.State state(String device) {
        OptionalDouble age = BeforePickingUp.ageOfLastLook(book.job(), measured, now);
        double interval = book.job().classOfWork().limit(Limit.CLOSING_INTERVAL);
        boolean working = Proof.acceptance(book.job(), setup).isEmpty();
        boolean drifted = result.findingsOf(setup.name()).stream()
                .anyMatch(f -> f.code() == FindingCode.BACKSIGHT_DRIFT && f.isOpenStop());
        return new TurningPage.State(
                isCompared(),
                book.pen(setup.name())
                        .filter(pen -> !device.isEmpty() && !pen.device().equals(device)),
                book.practice().isPresent(),
                interruption.resight().isPresent(),
                interruption.mismatch(),
                working && age.isPresent() && age.getAsDouble() < A_DAY ? minutes(age.getAsDouble()) : "",
                working && isStanding() && age.isPresent() && age.getAsDouble() > interval && age.getAsDouble() < A_DAY,
                drifted && !book.job().isDecided(Decision.CORRECT_DRIFT, setup.name())
                        ? DoubtfulShots.places(measured).size()
                        : 0,
                loose(),
                !isStanding()
                        ? List.of()
                        : result.measured().marks().stream()
                                .filter(m ->
                                        m.position().isPresent() && m.mark().kind() != Mark.Kind.LOCATED)
                                .map(m -> m.name())
                                .filter(name -> order.aim(name).isPresent()
                                        && !setup.orientation().sights().contains(name))
                                .toList());
    }

    /** What would stay unproved if the instrument were picked up now; nothing is said once it has been. */
    private List<BeforePickingUp.Loose> loose() {
        if (setup.readings().isEmpty() || !isStanding()) {
            return List.of();
        }
        List<BeforePickingUp.Loose> loose = new ArrayList<>();
        int left = remaining().size();
        if (left > 0) {
            loose.add(new BeforePickingUp.Loose(
                    left == 1 ? "One pointing of the sets is missing." : left + " pointings of the sets are missing.",
                    (left == 1 ? "Turn it" : "Turn them") + ": a half-set cancels no error of the instrument.",
                    Optional.empty()));
        }
        loose.addAll(BeforePickingUp.of(book.job(), result.measured(), setup.name(), Optional.of(now)));
        return loose;
    }

    /** Whether the instrument still stands here: it has not been set up anywhere since. */
    private boolean isStanding() {
        return book.job().setups().stream()
                .filter(s -> s.instrument().equals(setup.instrument()))
                .reduce((earlier, later) -> later)
                .filter(s -> s.name().equals(setup.name()))
                .isPresent();
    }

    private static String minutes(double age) {
        return Words.number(age, 0) + " min since the backsight";
    }

    private boolean isCompared() {
        if (setup.isFree()) {
            return measured.station().isPresent() && measured.redundancy().orElse(0) > 0;
        }
        return setup.orientation() instanceof Setup.BySights
                ? measured.backsights().stream()
                        .anyMatch(b -> b.used() && b.distanceDifference().isPresent())
                : measured.orientation().isPresent();
    }

    /** A face that is missing because its turn has not come is no finding yet. */
    private static boolean isStillToCome(Finding finding, Pointing pointing) {
        return finding.code() == FindingCode.FACE_MISSING
                && finding.target().equals(pointing.target())
                && finding.set().equals(OptionalInt.of(pointing.set()));
    }

    /** A pointing called for out of the order: detail, a check, or another target. */
    public record Aside(
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
                aim.centringStdDev(),
                false,
                startOf(pointing).orElse(show.coarse(expected(pointing))),
                (interruption.resight().isPresent() ? "After the break: " : "")
                        + sentence(pointing.face(), pointing.target(), aim.reflector(), aim.height()));
    }

    /** What the circle is to be turned to, where a set begins. */
    private Optional<String> startOf(Pointing pointing) {
        boolean begins = pointing.face() == Reading.Face.LEFT
                && pointing.target().equals(order.aims().get(0).target())
                && setup.readings().stream()
                        .noneMatch(r ->
                                r.stands() && r.set().isPresent() && r.set().getAsInt() == pointing.set());
        OptionalDouble start = order.circleStart().of(pointing.set(), order.sets());
        return begins && start.isPresent() ? Optional.of("set the circle to " + show.coarse(start)) : Optional.empty();
    }

    private Live live(Aside aside) {
        return new Live(
                aside.target(),
                aside.role(),
                0,
                aside.face(),
                aside.reflector(),
                aside.height(),
                order.aim(aside.target()).map(TurningOrder.Aim::centringStdDev).orElse(OptionalDouble.empty()),
                true,
                "",
                sentence(aside.face(), aside.target(), aside.reflector(), aside.height()));
    }

    private String sentence(Reading.Face face, String target, String reflector, Optional<MeasuredHeight> height) {
        String what = reflector.equals(Reflector.REFLECTORLESS) ? "No reflector" : reflector;
        String at = book.job().planOnly() || height.isEmpty() ? "" : " " + show.height(height);
        return Sentence.of("Face %s. Sight %s. %s%s.", face.name(), target, what, at);
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

    /**
     * Lines as they are shown.
     *
     * @param from the place they begin at; what is out of its limit is there from before it too
     * @param late the place before which they are folded away, but for what is out of its limit
     */
    private List<BookLine> lines(int from, int late) {
        Margin margin = new Margin(result, measured, show);
        List<BookLine> lines = new ArrayList<>();
        String last = "";
        for (int place = 0; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            List<TurningPage.Judged> judged = margin.judgements(place);
            if (place < from && judged.isEmpty()) {
                continue;
            }
            String section = section(reading);
            lines.add(new BookLine(
                    book.keyOf(setup.name(), place),
                    section.equals(last) ? "" : section,
                    reading,
                    show.decorated(reading.circle().written()),
                    reading.zenith().map(z -> show.decorated(z.written())).orElse(""),
                    reading.slope().isPresent() ? show.length(reading.slope()) : "",
                    show.height(reading.targetHeight()),
                    show.time(reading.at()),
                    NotedAnew.phrases(book.job(), setup, margin, place),
                    judged,
                    place < late && judged.isEmpty()));
            last = section;
        }
        return lines;
    }

    private int firstOfLong() {
        return setup.readings().size() > LONG ? begins(OF_LONG_SHOWN) : 0;
    }

    /** The first of so many late lines; where its set begins a little before, that, so that no set is cut. */
    private int begins(int shown) {
        List<Reading> readings = setup.readings();
        int first = Math.max(0, readings.size() - shown);
        int begins = first;
        while (begins > 0 && section(readings.get(begins - 1)).equals(section(readings.get(first)))) {
            begins--;
        }
        return first - begins < shown ? begins : first;
    }

    private String section(Reading reading) {
        boolean closing = reading.role() == Reading.Role.CHECK
                && setup.orientation().sights().contains(reading.target());
        if (closing) {
            return "Closing sight";
        }
        if (reading.set().isPresent()) {
            return "Set " + reading.set().getAsInt();
        }
        return switch (reading.role()) {
            case DETAIL -> "Detail";
            case CHECK -> "Checks";
            default -> "Set 1";
        };
    }
}
