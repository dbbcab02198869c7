package markturn.web.setout;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.report.Display;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.locate.SetOut;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Nothing is stored here: what is asked stands in the address, and the answer follows from the job. */
@Controller
class SetOutController {
    private static final double FARTHEST = 1e8;

    private final FieldBook fieldBook;

    SetOutController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** What leads to a point, in words and figures. */
    public record Answer(
            String name,
            String turn,
            String circle,
            String ground,
            String grid,
            String rise,
            String azimuth,
            Position wanted,
            Drawn drawn) {}

    /** The turn as a drawing: the needle in degrees clockwise from the backsight. */
    public record Drawn(String degrees, boolean known) {}

    /** A point found in the field against the one that was wanted. */
    public record Compared(String found, String sentence, String away, String right, String fill) {}

    /** A place along a line. */
    public record OnLine(String name, String station, String offset, String above) {}

    @GetMapping("/job/{id}/setout")
    String page(@PathVariable String id, @RequestParam Map<String, String> asked, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, "Set out");
        Job job = book.job();
        List<Setup> setups = job.setups();
        if (setups.isEmpty()) {
            return "redirect:/job/" + id + "/setup";
        }
        String name = asked.getOrDefault("setup", setups.get(setups.size() - 1).name());
        job.setup(name).orElseThrow(NotHere::new);
        MeasuredSetup setup = book.result().measured().setup(name);
        Form form = new Form(asked, job.units());
        Display show = new Display(job.units());
        Optional<Position> wanted = wanted(book, form);
        wanted.flatMap(at -> answer(book, setup, form, at, show)).ifPresent(a -> model.addAttribute("answer", a));
        wanted.flatMap(at -> compared(book, setup, form, at, show)).ifPresent(c -> model.addAttribute("compared", c));
        onLine(book, form, show).ifPresent(l -> model.addAttribute("onLine", l));
        if (wanted.isPresent() && setup.station().isEmpty()) {
            form.fault("setup", name + " has no place yet: nothing can be set out from it");
        }
        model.addAttribute("setup", setup);
        model.addAttribute("setups", setups.stream().map(Setup::name).toList());
        model.addAttribute(
                "points",
                book.result().measured().marks().stream()
                        .filter(m -> m.position().isPresent())
                        .map(MeasuredMark::name)
                        .toList());
        model.addAttribute("asked", asked);
        model.addAttribute("faults", form.faults());
        return "setout/page";
    }

    private static Optional<Position> position(Book book, Form form, String field) {
        if (form.isEmpty(field)) {
            return Optional.empty();
        }
        Optional<Position> at = book.result()
                .measured()
                .mark(book.job().trueName(form.text(field)))
                .flatMap(MeasuredMark::position);
        if (at.isEmpty()) {
            form.fault(
                    field,
                    "\"%s\" has no position in this job: expected the name of a mark that has one"
                            .formatted(form.text(field)));
        }
        return at;
    }

    /** A mark, a typed place, or a station and offset of a line. */
    private static Optional<Position> wanted(Book book, Form form) {
        if (!form.isEmpty("point")) {
            return position(book, form, "point");
        }
        if (!form.isEmpty("northing") || !form.isEmpty("easting")) {
            OptionalDouble north = form.length("northing", -FARTHEST, FARTHEST, "a northing");
            OptionalDouble east = form.length("easting", -FARTHEST, FARTHEST, "an easting");
            OptionalDouble up = form.length("elevation", -FARTHEST, FARTHEST, "an elevation");
            if (north.isEmpty() || east.isEmpty()) {
                form.fault(north.isEmpty() ? "northing" : "easting", "Empty: northing and easting go together");
                return Optional.empty();
            }
            return Optional.of(
                    new Position(north.getAsDouble(), east.getAsDouble(), up, Covariance.NONE, OptionalDouble.empty()));
        }
        Optional<Position> from = position(book, form, "from");
        Optional<Position> to = position(book, form, "to");
        OptionalDouble station = form.length("station", -FARTHEST, FARTHEST, "a distance along the line");
        if (from.isEmpty() || to.isEmpty() || station.isEmpty() || isOnePlace(form, from.get(), to.get())) {
            return Optional.empty();
        }
        double offset = form.length("offset", -FARTHEST, FARTHEST, "an offset to the right")
                .orElse(0);
        return Optional.of(SetOut.OnLine.place(from.get(), to.get(), station.getAsDouble(), offset));
    }

    private static boolean isOnePlace(Form form, Position from, Position to) {
        boolean one = from.distanceTo(to) < 1e-6;
        if (one) {
            form.fault("to", form.text("to") + " lies where the line begins: expected another mark");
        }
        return one;
    }

    private static String called(Form form, Display show) {
        if (!form.isEmpty("point")) {
            return form.text("point");
        }
        return form.isEmpty("station")
                ? "the place typed"
                : "station %s of %s to %s, %s to the right"
                        .formatted(
                                form.text("station"),
                                form.text("from"),
                                form.text("to"),
                                form.isEmpty("offset") ? show.number(0, 0) : form.text("offset"));
    }

    private static Optional<Answer> answer(Book book, MeasuredSetup setup, Form form, Position at, Display show) {
        double scale = GridScale.inForce(book.job()).orElse(1);
        return SetOut.from(setup, at, scale)
                .map(out -> new Answer(
                        called(form, show),
                        out.turn().isPresent() ? show.angle(out.turn().getAsDouble()) : "",
                        out.circle().isPresent() ? show.angle(out.circle().getAsDouble()) : "",
                        show.length(out.ground()),
                        show.length(out.grid()),
                        out.rise().isPresent() ? show.length(out.rise().getAsDouble()) : "",
                        show.azimuth(out.azimuth()),
                        at,
                        new Drawn(
                                show.number(Math.toDegrees(out.turn().orElse(0)), 1),
                                out.turn().isPresent())));
    }

    /** The difference between what was wanted and what the last shot, or any point, found. */
    private static Optional<Compared> compared(
            Book book, MeasuredSetup setup, Form form, Position wanted, Display show) {
        Optional<Position> found = position(book, form, "found");
        if (found.isEmpty() || setup.station().isEmpty()) {
            return Optional.empty();
        }
        SetOut.Move move = SetOut.Move.of(setup.station().get(), found.get(), wanted);
        String fill = move.fill().isPresent()
                ? move.fill().getAsDouble() >= 0
                        ? "fill " + show.length(move.fill().getAsDouble())
                        : "cut " + show.length(-move.fill().getAsDouble())
                : "no elevations";
        String sentence = "From where it is, the pole goes %s %s %s and %s %s %s; %s %s."
                .formatted(
                        show.length(Math.abs(move.away())),
                        show.lengthSign(),
                        move.away() >= 0 ? "away from you" : "towards you",
                        show.length(Math.abs(move.right())),
                        show.lengthSign(),
                        move.right() >= 0 ? "to your right" : "to your left",
                        fill,
                        move.fill().isPresent() ? show.lengthSign() : "");
        return Optional.of(new Compared(
                form.text("found"),
                sentence,
                show.difference(OptionalDouble.of(move.away())),
                show.difference(OptionalDouble.of(move.right())),
                show.difference(move.fill())));
    }

    private static Optional<OnLine> onLine(Book book, Form form, Display show) {
        if (form.isEmpty("place")) {
            return Optional.empty();
        }
        Optional<Position> from = position(book, form, "from");
        Optional<Position> to = position(book, form, "to");
        Optional<Position> place = position(book, form, "place");
        if (from.isEmpty() || to.isEmpty() || place.isEmpty() || isOnePlace(form, from.get(), to.get())) {
            return Optional.empty();
        }
        SetOut.OnLine on = SetOut.OnLine.of(from.get(), to.get(), place.get());
        return Optional.of(new OnLine(
                form.text("place"),
                show.length(on.station()),
                show.length(on.offset()),
                on.above().isPresent() ? show.length(on.above().getAsDouble()) : ""));
    }
}
