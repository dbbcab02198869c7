package markturn.tripod.setup;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.show.Display;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The sheet of setting up: acts in their order, with what the last setup already knew, and the setups so far. */
public final class SetUpPage implements Page {
    @Override
    public String name() {
        return "setup/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.SET_UP;
    }

    @Override
    public String title() {
        return "Set up";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        Map<String, String> typed = Prepared.typed(book, asked);
        return sheet(book)
                .with("head", () -> Sheet.empty().with("words", Prepared.heading(typed)))
                .with("lead", lead(book, typed))
                .with("typed", () -> fields(typed));
    }

    /** All but what is prepared: what stands in the fields stays there, whatever was booked meanwhile. */
    private View sheet(BookedJob book) {
        Job job = book.job();
        Display show = new Display(job.units());
        Address at = Address.ofJob(book.jobId());
        return View.of(book.revision())
                .with("known", options(KnownMarks.names(book)))
                .with(
                        "instruments",
                        options(job.instruments().stream().map(Instrument::name).toList()))
                .with(
                        "reflectors",
                        options(job.reflectors().stream().map(Reflector::name).toList()))
                .with("air", () -> Prepared.air(job, show))
                .with(
                        "sensor",
                        () -> Sheet.empty().with("there", book.practice().isPresent()))
                .with(
                        "planned",
                        book.planned().stream()
                                .map(setup -> new PlannedRow(setup, at))
                                .toList())
                .with(
                        "setups",
                        book.result().measured().setups().stream()
                                .map(setup ->
                                        new SetupRow(setup, book.unproved().contains(setup.name()), show, at))
                                .toList())
                .withPlaces("way", WorkProgress.through(book).at(step()));
    }

    private static List<OptionShown> options(List<String> names) {
        return names.stream().map(OptionShown::of).toList();
    }

    private static Shown lead(BookedJob book, Map<String, String> typed) {
        return () -> Sheet.empty()
                .with("moved", typed.containsKey("from"))
                .with("again", typed.containsKey("again"))
                .with("planned", typed.containsKey("planned"))
                .with("unknown", KnownMarks.names(book).isEmpty())
                .with("bare", book.job().instruments().isEmpty());
    }

    private static Sheet fields(Map<String, String> typed) {
        Sheet fields = Sheet.empty();
        typed.forEach(fields::with);
        return fields;
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        SetUpEntries entries = new SetUpEntries(book, occasion);
        return switch (act) {
            case "begin" -> Optional.of(entries.begin(typed));
            case "remove" -> Optional.of(entries.remove(typed));
            case "differs" -> Optional.of(new FoundDifferent(book).become(typed));
            default -> Optional.empty();
        };
    }

    /** A setup that was begun is turned at once. */
    @Override
    public View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        if (act.equals("differs")) {
            return sheet(longer).saying(FoundDifferent.words(before, longer));
        }
        return act.equals("begin")
                ? View.of(longer.revision())
                        .leavingFor(Address.ofJob(longer.jobId())
                                .turning(typed.getOrDefault("name", "").strip()))
                : sheet(longer).saying(typed.get("setup") + " is removed; that it stood there stays in the record.");
    }

    /**
     * Both values of a height ({@code height}), what tilt, centring and air do to the sights chosen so far ({@code effects}), the air as the sensor reads it ({@code weather}), and the
     * marks that are offered as backsights ({@code known}) and as targets ({@code targets}).
     */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return switch (question) {
            case "height" -> Optional.of(() -> fields(HeightWords.of(asked, book, occasion.now())));
            case "effects" ->
                Optional.of(() -> Sheet.empty()
                        .withWords(
                                "words",
                                Effects.words(new Form(asked, book.job().units()), book, occasion.now())));
            case "weather" -> occasion.stations().of(book).map(station -> () -> air(station.air()));
            case "known" -> Optional.of(names(KnownMarks.names(book)));
            case "targets" ->
                Optional.of(names(book.job().marks().stream().map(Mark::name).toList()));
            default -> Optional.empty();
        };
    }

    private static Sheet air(Atmosphere air) {
        return Sheet.empty()
                .with("temperature", Words.number(air.temperature(), 1))
                .with("pressure", Words.number(air.pressure(), 0));
    }

    private static Shown names(List<String> names) {
        return () -> Sheet.empty().withWords("names", names);
    }
}
