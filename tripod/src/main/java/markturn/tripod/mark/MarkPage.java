package markturn.tripod.mark;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.result.Moved;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The sheet of control marks: what is given, what satellites gave, what is known between two marks without the instrument. */
public final class MarkPage implements Page {
    /** Of the control; the list of coordinates shows the rest. */
    private static final int MOST_SHOWN = 500;

    @Override
    public String name() {
        return "mark/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.CONTROL_MARKS;
    }

    @Override
    public String title() {
        return "Control marks";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        Job job = book.job();
        Display show = new Display(job.units());
        Address at = Address.ofJob(book.jobId());
        List<Mark> control = job.marks().stream()
                .filter(m -> m.given().isPresent() && m.kind() == Mark.Kind.CONTROL)
                .limit(MOST_SHOWN)
                .toList();
        return View.of(book.revision())
                .with("control", control(control, show, at))
                .with("correct", correct(control, job))
                .with("on", () -> Sheet.empty().with("setup", control.size() > 1 ? at.setUp() : ""))
                .with("pairs", new PairTable(job, show).shown())
                .with("compared", () -> Sheet.empty().withWords("words", compared(book)))
                .with("fixes", fixes(job, show))
                .with("poles", poles(job, show))
                .withPlaces("way", WorkProgress.through(book).at(step()));
    }

    private static Shown control(List<Mark> control, Display show, Address at) {
        List<ControlRow> rows =
                control.stream().map(mark -> new ControlRow(mark, show, at)).toList();
        return () -> rows.isEmpty()
                ? Sheet.empty().with("none", true)
                : Sheet.empty().with("rows", rows);
    }

    /** What is given can be corrected; any mark can turn out to be another name of one. */
    private static Shown correct(List<Mark> control, Job job) {
        List<String> own = job.marks().stream()
                .filter(m -> m.sameAs().isEmpty() && m.kind() != Mark.Kind.LOCATED)
                .map(Mark::name)
                .toList();
        return () -> control.isEmpty()
                ? Sheet.empty()
                : Sheet.empty().withWords("names", own).withWords("others", own);
    }

    private static List<String> compared(BookedJob book) {
        Words words = new Words(book.job().units());
        return ReferenceComparison.of(book.job(), book.result().measured()).stream()
                .map(c -> c.setup() + ": " + c.sentence(words))
                .toList();
    }

    private static Shown fixes(Job job, Display show) {
        List<FixRow> rows = IntStream.range(0, job.fixes().size())
                .mapToObj(place -> new FixRow(place, job.fixes().get(place), show))
                .toList();
        return () -> Sheet.empty().with("rows", rows);
    }

    private static List<OptionShown> poles(Job job, Display show) {
        return job.reflectors().stream()
                .filter(reflector -> reflector.belowAntenna().isPresent())
                .map(pole -> pole(pole, show))
                .toList();
    }

    private static OptionShown pole(Reflector pole, Display show) {
        return new OptionShown(
                pole.name(),
                Sentence.of("the reflector of %s, %s below it", pole.name(), show.length(pole.belowAntenna())));
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return switch (act) {
            case "enter" -> Optional.of(new MarkEntries(book, occasion).enter(typed));
            case "correct" -> new MarkEntries(book, occasion).correct(typed);
            case "found" -> Optional.of(new MarkEntries(book, occasion).found(typed));
            case "reference" -> Optional.of(new ReferenceEntries(book).enter(typed));
            case "fix" -> Optional.of(new FixEntries(book).enter(typed));
            case "fix-strike" -> new FixEntries(book).strike(true, typed);
            case "fix-restore" -> new FixEntries(book).strike(false, typed);
            default -> Optional.empty();
        };
    }

    @Override
    public View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        View view = view(longer, occasion, Map.of());
        return switch (act) {
            case "correct" -> view.saying(moved(before, longer, typed));
            case "found" ->
                new MarkEntries(before, occasion)
                        .otherwise(typed)
                        .map(view::saying)
                        .orElse(view);
            default -> view;
        };
    }

    private static String moved(BookedJob before, BookedJob after, Map<String, String> typed) {
        int moved = Moved.between(before.result().measured(), after.result().measured())
                .size();
        boolean withdraws = !typed.getOrDefault("withdraw", "").isBlank();
        return Sentence.of(
                "%s is %s. %s moved.",
                typed.get("mark"),
                withdraws
                        ? "withdrawn"
                        : typed.getOrDefault("same", "").isEmpty()
                                ? "corrected"
                                : Sentence.of("another name of %s", typed.get("other")),
                Sentence.count(moved, "mark", "marks"));
    }

    /** The marks that a pair can be known between, for whoever is about to name one. */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        List<String> names = book.job().marks().stream().map(Mark::name).toList();
        return question.equals("offered")
                ? Optional.of(() -> Sheet.empty().withWords("names", names))
                : Optional.empty();
    }
}
