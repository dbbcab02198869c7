package markturn.tripod.setout;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.locate.SetOut;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.view.Address;
import markturn.tripod.view.NameInAddress;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The sheet of setting out: what leads to a point, what the pole at it still has to move, and what comes next. */
public final class SetOutSheet {
    /** What is asked for. */
    public static final List<String> WHAT = List.of(
            "setup", "point", "northing", "easting", "elevation", "from", "to", "station", "offset", "every", "place");

    /** What stays from one shot to the next. */
    private static final List<String> POLE = List.of("reflector", "height", "heightTo", "face");

    private final BookedJob book;
    private final Form form;
    private final Map<String, String> asked;
    private final MeasuredSetup setup;
    private final Display show;

    /**
     * Of a setup in that book.
     *
     * @param form what was asked and typed; what is at fault is said there
     */
    public SetOutSheet(BookedJob book, Setup setup, Map<String, String> asked, Form form) {
        this.book = book;
        this.form = form;
        this.asked = asked;
        this.setup = book.result().measured().setup(setup.name());
        this.show = new Display(book.job().units());
    }

    /**
     * What leads to a point, in words and figures.
     *
     * @param turn clockwise from the backsight; empty without an orientation
     * @param needle the turn in degrees, for the drawing; empty without an orientation
     */
    public record Answer(
            String name,
            String turn,
            String circle,
            String ground,
            String grid,
            String rise,
            String azimuth,
            String needle) {}

    /** A point found in the field against the one that was wanted; the way of the pole in degrees, 0 away from the instrument. */
    public record Compared(String found, String sentence, String away, String right, String fill, String degrees) {}

    /** The next one to be set out, with the same setup and pole: what it is called and where it is asked for. */
    private record Next(String name, String address) {}

    /** What leads to what is asked for; empty where nothing is asked, or it cannot be said. */
    public Optional<Answer> answer() {
        Wanted wanted = new Wanted(book, form, show);
        return wanted.place().flatMap(at -> answer(wanted, at));
    }

    /** What it shows. */
    View view() {
        Wanted wanted = new Wanted(book, form, show);
        Optional<Position> place = wanted.place();
        Optional<Answer> answer = place.flatMap(at -> answer(wanted, at));
        Optional<Compared> compared = place.flatMap(at -> compared(wanted, at));
        Optional<String> onLine = onLine(wanted);
        Optional<Next> next =
                place.flatMap(at -> wanted.next(setup.setup().station())).map(this::next);
        if (place.isPresent() && setup.station().isEmpty()) {
            form.fault("setup", setup.name() + " has no place yet: nothing can be set out from it");
        }
        return View.of(book.revision())
                .with("head", head())
                .with(
                        "answer",
                        () -> answer.map(told -> leading(told, compared, onLine, next))
                                .orElse(Sheet.empty()))
                .with("shot", () -> answer.map(told -> shot(wanted)).orElse(Sheet.empty()))
                .with("setups", setups())
                .with("onLine", () -> Sheet.empty().with("words", compared.isPresent() ? "" : onLine.orElse("")))
                .always("typed", () -> typed())
                .always("faults", () -> faults())
                .withPlaces("way", WorkProgress.through(book).at(WorkStep.SET_OUT));
    }

    private Shown head() {
        return () -> Sheet.empty()
                .with(
                        "words",
                        "Set out from " + setup.name() + " on " + setup.setup().station())
                .with("detail", Address.ofJob(book.jobId()).detail(setup.name()));
    }

    private List<OptionShown> setups() {
        return book.job().setups().stream()
                .map(Setup::name)
                .map(OptionShown::of)
                .toList();
    }

    private Sheet leading(Answer to, Optional<Compared> compared, Optional<String> onLine, Optional<Next> next) {
        List<String> sights = setup.setup().orientation().sights();
        return Sheet.empty()
                .with("aloud", "Turn " + to.turn() + " from the backsight")
                .with(
                        "backsight",
                        sights.isEmpty() ? "" : setup.setup().orientation().zero())
                .with("needle", to.needle().isEmpty() ? "" : "rotate(" + to.needle() + ")")
                .with("sentence", "To " + to.name() + ":")
                .with("turn", to.turn())
                .with("circle", to.circle())
                .with("ground", to.ground())
                .with("grid", to.grid())
                .with("rise", to.rise())
                .with("azimuth", to.azimuth())
                .with("compared", compared.map(found -> found(found, onLine)).orElse(Sheet.empty()))
                .with("next", next.map(one -> next(one, compared.isPresent())).orElse(Sheet.empty()));
    }

    private static Sheet found(Compared compared, Optional<String> onLine) {
        return Sheet.empty()
                .with("found", "Found at " + compared.found() + ".")
                .with("sentence", compared.sentence())
                .with("way", "rotate(" + compared.degrees() + ")")
                .with("onLine", onLine.orElse(""));
    }

    private static Sheet next(Next next, boolean found) {
        return Sheet.empty()
                .with("words", "Next: " + next.name())
                .with("address", next.address())
                .with("weight", found ? "act" : "quiet-act");
    }

    /** The shot at the pole: what was asked goes with it, the pole goes on from shot to shot. */
    private Sheet shot(Wanted wanted) {
        List<OptionShown> asks = WHAT.stream()
                .filter(field -> !form.isEmpty(field))
                .map(field -> new OptionShown(field, form.text(field)))
                .toList();
        return Sheet.empty()
                .with("asks", asks)
                .with(
                        "reflectors",
                        book.job().reflectors().stream()
                                .map(Reflector::name)
                                .map(OptionShown::of)
                                .toList())
                .with("reflector", reflector())
                .with("height", form.text("height"))
                .with("heights", !book.job().planOnly())
                .with("name", wanted.shotName());
    }

    /** What stands there as it was said last; at first the job's first reflector. */
    private String reflector() {
        return !form.isEmpty("reflector")
                ? form.text("reflector")
                : book.job().reflectors().stream()
                        .map(Reflector::name)
                        .findFirst()
                        .orElse(Reflector.REFLECTORLESS);
    }

    private Sheet typed() {
        Sheet typed = Sheet.empty().with("setup", setup.name());
        Stream.concat(WHAT.stream().skip(1), Stream.of("found")).forEach(field -> typed.with(field, form.text(field)));
        return typed;
    }

    private Sheet faults() {
        Sheet faults = Sheet.empty();
        form.faults().forEach(faults::with);
        return faults;
    }

    private Next next(Map<String, String> next) {
        Map<String, String> kept = new HashMap<>(next);
        Stream.concat(Stream.of("setup"), POLE.stream())
                .filter(asked::containsKey)
                .forEach(field -> kept.put(field, asked.get(field)));
        return new Next(
                next.containsKey("point") ? next.get("point") : "station " + next.get("station"),
                address(book.jobId(), kept, Map.of()));
    }

    /** The address of what is asked, with the pole that goes on from shot to shot. */
    public static String address(String job, Map<String, String> asked, Map<String, String> more) {
        Map<String, String> all = new HashMap<>(asked);
        all.putAll(more);
        return Address.ofJob(job).setOut() + "?"
                + Stream.of(WHAT, POLE, List.of("found"))
                        .flatMap(List::stream)
                        .filter(field -> !all.getOrDefault(field, "").isBlank())
                        .filter(field -> !field.equals("found") || more.containsKey(field))
                        .map(field -> field + "=" + NameInAddress.value(all.get(field)))
                        .collect(Collectors.joining("&"));
    }

    private Optional<Answer> answer(Wanted wanted, Position at) {
        double scale = GridScale.inForce(book.job()).orElse(1);
        return SetOut.from(setup, at, scale)
                .map(out -> new Answer(
                        wanted.called(),
                        out.turn().isPresent() ? show.angle(out.turn().getAsDouble()) : "no orientation yet",
                        out.circle().isPresent() ? show.angle(out.circle().getAsDouble()) : "",
                        show.length(out.ground()),
                        show.length(out.grid()),
                        out.rise().isPresent() ? show.length(out.rise().getAsDouble()) : "",
                        show.azimuth(out.azimuth()),
                        out.turn().isPresent()
                                ? show.number(Math.toDegrees(out.turn().getAsDouble()), 1)
                                : ""));
    }

    private String cutOrFill(OptionalDouble fill) {
        if (fill.isEmpty()) {
            return "no elevations";
        }
        String size = show.length(Math.abs(fill.getAsDouble()));
        return size.equals(show.length(0))
                ? "it is at its height"
                : (fill.getAsDouble() > 0 ? "fill " : "cut ") + size + " " + show.lengthSign();
    }

    /** The difference between what was wanted and what the last shot, or any point, found. */
    private Optional<Compared> compared(Wanted asked, Position wanted) {
        Optional<Position> found = asked.position("found");
        if (found.isEmpty() || setup.station().isEmpty()) {
            return Optional.empty();
        }
        SetOut.Move move = SetOut.Move.of(setup.station().get(), found.get(), wanted);
        String sentence = Sentence.of(
                "From where it is, the pole goes %s %s %s and %s %s %s; %s.",
                show.length(Math.abs(move.away())),
                show.lengthSign(),
                move.away() >= 0 ? "away from you" : "towards you",
                show.length(Math.abs(move.right())),
                show.lengthSign(),
                move.right() >= 0 ? "to your right" : "to your left",
                cutOrFill(move.fill()));
        return Optional.of(new Compared(
                form.text("found"),
                sentence,
                show.difference(OptionalDouble.of(move.away())),
                show.difference(OptionalDouble.of(move.right())),
                show.difference(move.fill()),
                show.number(Math.toDegrees(Math.atan2(move.right(), move.away())), 1)));
    }

    /** Where along the line the pole stands, or the mark that was asked for. */
    private Optional<String> onLine(Wanted wanted) {
        String field = form.isEmpty("place") ? "found" : "place";
        if (form.isEmpty(field) || form.isEmpty("from")) {
            return Optional.empty();
        }
        Optional<Position> place = wanted.position(field);
        return place.isEmpty()
                ? Optional.empty()
                : wanted.line()
                        .map(line -> sentence(form.text(field), SetOut.OnLine.of(line.from(), line.to(), place.get())));
    }

    private String sentence(String name, SetOut.OnLine on) {
        String above = on.above().isPresent()
                ? Sentence.of(
                        ", %s above the straight slope", show.length(on.above().getAsDouble()))
                : "";
        return Sentence.of(
                "%s lies at station %s, %s to the right%s (%s).",
                name, show.length(on.station()), show.length(on.offset()), above, show.lengthSign());
    }
}
