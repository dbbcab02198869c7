package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.angle.Angles;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.turning.Expectation;
import markturn.survey.turning.PointingOrder.Pointing;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What is still to be pointed at from a setup: the line in hand and those to come, each with roughly where the circle will point. */
public final class Round {
    private final BookedJob book;
    private final Setup setup;
    private final Measured all;
    private final MeasuredSetup measured;
    private final TurningOrder order;
    private final Display show;
    private final Interruption interruption;
    private final List<Pointing> remaining;

    /** Of a setup in that book. */
    public Round(BookedJob book, Setup setup) {
        this.book = book;
        this.setup = setup;
        this.all = book.result().measured();
        this.measured = all.setup(setup.name());
        this.order = book.order(setup);
        this.show = new Display(book.job().units());
        this.interruption = new Interruption(book, setup);
        List<String> targets =
                order.aims().stream().map(TurningOrder.Aim::target).toList();
        this.remaining = order.pointings(order.school().isRound() ? clockwise(targets) : targets)
                .remaining(setup);
    }

    /** Everything still to be pointed at, rounds taken clockwise as far as the directions are known. */
    public List<Pointing> remaining() {
        return remaining;
    }

    /** The break that was noted here last, and what it did to the half-set. */
    public Interruption interruption() {
        return interruption;
    }

    /** The targets of the order. */
    List<String> targets() {
        return order.aims().stream().map(TurningOrder.Aim::target).toList();
    }

    /** The sets of the order. */
    int sets() {
        return order.sets();
    }

    /** The line in hand: what was called for, the first target again after a break, or the next of the order. */
    public Optional<LiveLine> live(Optional<Aside> aside) {
        if (aside.isPresent()) {
            return aside.map(this::live);
        }
        return interruption.resight().or(() -> remaining.stream().findFirst()).map(this::live);
    }

    /** A pointing still to come. */
    record Coming(String words, String expected) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty().with("words", words).with("expected", expected);
        }
    }

    /** The next ones behind the line in hand. */
    List<Coming> coming(Optional<Aside> aside, int most) {
        return remaining.stream()
                .skip(aside.isPresent() ? 0 : 1)
                .limit(most)
                .map(p -> new Coming(
                        "set " + p.set() + ", face " + p.face().name().toLowerCase(Locale.ROOT) + ", " + p.target(),
                        show.coarse(expected(p))))
                .toList();
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

    /** Where a mark lies, or where a plan says it lies about: only a coarse expectation comes of it. */
    private Optional<Position> place(String mark) {
        return all.mark(book.job().trueName(mark))
                .flatMap(MeasuredMark::position)
                .or(() -> book.plannedNear(mark).map(Position::held));
    }

    private OptionalDouble expected(Pointing pointing) {
        return Expectation.circle(measured, pointing, place(pointing.target()));
    }

    private LiveLine live(Pointing pointing) {
        TurningOrder.Aim aim = order.aim(pointing.target()).orElseThrow();
        return new LiveLine(
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
                        + sentence(pointing.face(), pointing.target(), aim.reflector(), aim.height()),
                show);
    }

    private LiveLine live(Aside aside) {
        return new LiveLine(
                aside.target(),
                aside.role(),
                0,
                aside.face(),
                aside.reflector(),
                aside.height(),
                order.aim(aside.target()).map(TurningOrder.Aim::centringStdDev).orElse(OptionalDouble.empty()),
                true,
                "",
                sentence(aside.face(), aside.target(), aside.reflector(), aside.height()),
                show);
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

    private String sentence(Reading.Face face, String target, String reflector, Optional<MeasuredHeight> height) {
        String what = reflector.equals(Reflector.REFLECTORLESS) ? "No reflector" : reflector;
        String at = book.job().planOnly() || height.isEmpty() ? "" : " " + show.height(height);
        return Sentence.of("Face %s. Sight %s. %s%s.", face.name(), target, what, at);
    }
}
