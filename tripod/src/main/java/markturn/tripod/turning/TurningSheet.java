package markturn.tripod.turning;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.turning.PointingOrder.Pointing;
import markturn.tripod.view.Address;
import markturn.tripod.view.FindingShown;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.Spoken;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/**
 * The sheet of a setup: the booked lines in ink, the line in hand, the coming pointings in pencil, and what is to be said about them.
 *
 * @param device what it is shown on; empty where it has no name
 * @param whole whether all lines of a long setup are shown
 * @param aside a pointing called for out of the order
 * @param asked a sight of which it is not yet said what stands there
 */
public record TurningSheet(String device, boolean whole, Optional<Aside> aside, Optional<AskedSight> asked) {
    private static final int COMING_SHOWN = 6;

    /** In the order of the sets. */
    public static TurningSheet inOrder(Optional<String> device, boolean whole) {
        return new TurningSheet(device.orElse(""), whole, Optional.empty(), Optional.empty());
    }

    /** As an address asks for it: fields {@code whole}, {@code target}, {@code role}, {@code face}, {@code reflector}, {@code height}. */
    public static TurningSheet asked(Map<String, String> asked, BookedJob book, Setup setup, Optional<String> device) {
        return new TurningSheet(
                device.orElse(""),
                asked.containsKey("whole"),
                asked.containsKey("reflector") ? Aside.of(asked, book, setup) : Optional.empty(),
                AskedSight.of(asked, book, setup.name()));
    }

    /** The same sheet with another pointing called for. */
    public TurningSheet with(Optional<Aside> next) {
        return new TurningSheet(device, whole, next, Optional.empty());
    }

    /** What it shows of a setup in that book. */
    public View view(BookedJob book, Setup setup, Instant now) {
        Display show = new Display(book.job().units());
        Address at = Address.ofJob(book.jobId());
        MeasuredSetup measured = book.result().measured().setup(setup.name());
        Round round = new Round(book, setup);
        Standing standing = new Standing(book, setup, now);
        List<Pointing> remaining = round.remaining();
        Optional<LiveLine> live = asked.isPresent() ? Optional.empty() : round.live(aside);
        boolean compared = standing.isCompared();
        boolean due = standing.isClosingDue();
        List<BookLine> lines = new BookLines(book, setup, measured, show, !compared, whole).shown();
        return View.of(book.revision())
                .always("strip", new Strip(book, setup, remaining.size(), round.sets(), standing.age(), due))
                .always(
                        "notices",
                        new Notices(
                                book.pen(setup.name())
                                        .filter(pen -> !device.isEmpty()
                                                && !pen.device().equals(device)),
                                !compared && !lines.isEmpty(),
                                due ? standing.age() : "",
                                at.check(setup.name(), setup.orientation().zero()),
                                round.interruption().mismatch(),
                                standing.doubtful()))
                .with("comparisons", new BacksightWords(book, setup, show).comparisons())
                .with("leftOut", leftOut(setup, lines, at))
                .always("asked", () -> asked.map(AskedSight::sheet).orElse(Sheet.empty()))
                .always("live", () -> live.map(LiveLine::sheet).orElse(Sheet.empty()))
                .always("through", through(live, at.review(setup.name())))
                .always("coming", coming(round))
                .always(
                        "leaving",
                        new Leaving(setup.name(), standing.loose(remaining.size()), standing.foresights(), at))
                .with("findings", findings(book, setup, remaining, at))
                .always(
                        "circle",
                        CircleDrawing.of(
                                measured,
                                live.map(LiveLine::target).orElse(""),
                                live.map(LiveLine::face).orElse(Reading.Face.LEFT)))
                .always("acts", acts(book, live, at.turning(setup.name())))
                .with("last", last(lines))
                .with("round", round(round))
                .with("reflectors", reflectors(book.job()))
                .withPlaces("way", WorkProgress.through(book).at(WorkStep.TURN_THE_SETS))
                .withLines(lines);
    }

    private Shown coming(Round round) {
        return () -> Sheet.empty().with("rows", round.coming(aside, COMING_SHOWN));
    }

    private static Shown leftOut(Setup setup, List<BookLine> lines, Address at) {
        int leftOut = setup.readings().size() - lines.size();
        return () -> leftOut == 0
                ? Sheet.empty()
                : Sheet.empty()
                        .with("words", Sentence.of("All lines: %d before these", leftOut))
                        .with("address", at.turning(setup.name()) + "?whole=yes");
    }

    static List<OptionShown> reflectors(Job job) {
        return Aside.reflectors(job).stream().map(OptionShown::of).toList();
    }

    private Shown through(Optional<LiveLine> live, String review) {
        boolean through = live.isEmpty() && asked.isEmpty();
        return () -> through ? Sheet.empty().with("review", review) : Sheet.empty();
    }

    /** A face that is missing because its turn has not come is no finding yet. */
    private static List<FindingShown> findings(BookedJob book, Setup setup, List<Pointing> remaining, Address at) {
        return book.result().findingsOf(setup.name()).stream()
                .filter(finding -> remaining.stream().noneMatch(p -> isStillToCome(finding, p)))
                .map(finding -> new FindingShown(finding, at))
                .toList();
    }

    private static boolean isStillToCome(Finding finding, Pointing pointing) {
        return finding.code() == FindingCode.FACE_MISSING
                && finding.target().equals(pointing.target())
                && finding.set().equals(OptionalInt.of(pointing.set()));
    }

    /** What can be done beside typing. */
    private static Shown acts(BookedJob book, Optional<LiveLine> live, String here) {
        boolean practice = book.practice().isPresent();
        boolean aside = live.map(LiveLine::aside).orElse(false);
        return () -> live.isEmpty()
                ? Sheet.empty()
                : Sheet.empty()
                        .with("station", practice ? stationActs(aside) : Sheet.empty())
                        .with("live", Sheet.empty().with("book", practice ? "quiet-act" : "act"))
                        .with("back", aside ? here : "");
    }

    private static Shown last(List<BookLine> lines) {
        return lines.stream()
                .filter(line -> line.reading().stands())
                .reduce((earlier, later) -> later)
                .map(line -> (Shown) () -> Sheet.empty()
                        .with("line", line.key())
                        .with("spoken", Spoken.line(line.reading(), line.circle(), line.zenith(), line.slope())))
                .orElse(Sheet::empty);
    }

    private static Sheet stationActs(boolean aside) {
        return Sheet.empty().with("one", true).with("rest", !aside);
    }

    private static Shown round(Round round) {
        List<String> targets = round.targets();
        return () -> targets.size() < 2 ? Sheet.empty() : Sheet.empty().withWords("targets", targets);
    }
}
