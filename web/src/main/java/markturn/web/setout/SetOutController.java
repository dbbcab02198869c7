package markturn.web.setout;

import java.security.Principal;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.Refused;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.locate.SetOut;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.tripod.setout.SetOutShot;
import markturn.tripod.setout.Wanted;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.device.Device;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** What is asked stands in the address, and the answer follows from the job; a shot at the pole is stored as a located point. */
@Controller
class SetOutController {
    /** What is asked for. */
    private static final List<String> WHAT = List.of(
            "setup", "point", "northing", "easting", "elevation", "from", "to", "station", "offset", "every", "place");

    /** What stays from one shot to the next. */
    private static final List<String> POLE = List.of("reflector", "height", "heightTo", "face");

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

    /** A point found in the field against the one that was wanted; the way of the pole in degrees, 0 away from the instrument. */
    public record Compared(String found, String sentence, String away, String right, String fill, String degrees) {}

    /** A place along a line. */
    public record OnLine(String sentence) {}

    @GetMapping("/job/{id}/setout")
    String page(@PathVariable String id, @RequestParam Map<String, String> asked, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        if (book.job().setups().isEmpty()) {
            return "redirect:/job/" + id + "/setup";
        }
        return page(book, asked, new Form(asked, book.job().units()), model);
    }

    /** Books the shot at the pole and shows what it still has to move; nothing is stored where a field is at fault. */
    @PostMapping("/job/{id}/setout")
    String shot(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, typed);
        Form form = new Form(typed, book.job().units());
        Optional<List<EntryPayload>> payloads = SetOutShot.read(form, book, setup, Device.known(), Instant.now());
        if (payloads.isPresent()) {
            try {
                fieldBook.add(id, form.text("key"), who.getName(), payloads.get());
                return "redirect:" + address(id, typed, Map.of("found", form.text("name")));
            } catch (Refused refused) {
                form.refused(refused);
            }
        }
        return page(book, typed, form, model);
    }

    private static Setup setup(BookedJob book, Map<String, String> asked) {
        List<Setup> setups = book.job().setups();
        String last = setups.get(setups.size() - 1).name();
        return book.job().setup(asked.getOrDefault("setup", last)).orElseThrow(NotHere::new);
    }

    /** The address of what is asked, with the pole that goes on from shot to shot. */
    private static String address(String id, Map<String, String> asked, Map<String, String> more) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/job/" + id + "/setout");
        Stream.concat(WHAT.stream(), POLE.stream())
                .filter(field -> !asked.getOrDefault(field, "").isBlank() && !more.containsKey(field))
                .forEach(field -> address.queryParam(field, "{" + field + "}"));
        more.keySet().forEach(field -> address.queryParam(field, "{" + field + "}"));
        Map<String, Object> values = new HashMap<>(asked);
        values.putAll(more);
        return address.encode().buildAndExpand(values).toUriString();
    }

    private static String page(BookedJob book, Map<String, String> asked, Form form, Model model) {
        JobPage.frame(model, book, WorkStep.SET_OUT);
        MeasuredSetup setup = book.result().measured().setup(setup(book, asked).name());
        Display show = new Display(book.job().units());
        Wanted wanted = new Wanted(book, form, show);
        Optional<Position> place = wanted.place();
        place.flatMap(at -> answer(book, setup, wanted, at, show)).ifPresent(a -> model.addAttribute("answer", a));
        place.flatMap(at -> compared(setup, wanted, form, at, show)).ifPresent(c -> model.addAttribute("compared", c));
        onLine(wanted, form, show).ifPresent(l -> model.addAttribute("onLine", l));
        if (place.isPresent()) {
            wanted.next(setup.setup().station()).ifPresent(next -> next(book, asked, next, model));
        }
        if (place.isPresent() && setup.station().isEmpty()) {
            form.fault("setup", setup.name() + " has no place yet: nothing can be set out from it");
        }
        model.addAttribute("setup", setup);
        model.addAttribute(
                "setups", book.job().setups().stream().map(Setup::name).toList());
        model.addAttribute(
                "points",
                book.result().measured().marks().stream()
                        .filter(m -> m.position().isPresent())
                        .map(MeasuredMark::name)
                        .toList());
        model.addAttribute(
                "reflectors",
                book.job().reflectors().stream().map(Reflector::name).toList());
        model.addAttribute("what", WHAT);
        model.addAttribute("shotName", form.isEmpty("name") || form.isSound() ? wanted.shotName() : form.text("name"));
        model.addAttribute("asked", asked);
        model.addAttribute("faults", form.faults());
        return "setout/page";
    }

    /** The way to the next one, with the same setup and pole. */
    private static void next(BookedJob book, Map<String, String> asked, Map<String, String> next, Model model) {
        Map<String, String> kept = new HashMap<>(next);
        Stream.concat(Stream.of("setup"), POLE.stream())
                .filter(asked::containsKey)
                .forEach(field -> kept.put(field, asked.get(field)));
        model.addAttribute("nextAddress", address(book.jobId(), Map.of(), kept));
        model.addAttribute(
                "nextName", next.containsKey("point") ? next.get("point") : "station " + next.get("station"));
    }

    private static Optional<Answer> answer(
            BookedJob book, MeasuredSetup setup, Wanted wanted, Position at, Display show) {
        double scale = GridScale.inForce(book.job()).orElse(1);
        return SetOut.from(setup, at, scale)
                .map(out -> new Answer(
                        wanted.called(),
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
            MeasuredSetup setup, Wanted asked, Form form, Position wanted, Display show) {
        Optional<Position> found = asked.position("found");
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
                show.difference(move.fill()),
                show.number(Math.toDegrees(Math.atan2(move.right(), move.away())), 1)));
    }

    /** Where along the line the pole stands, or the mark that was asked for. */
    private static Optional<OnLine> onLine(Wanted wanted, Form form, Display show) {
        String field = form.isEmpty("place") ? "found" : "place";
        if (form.isEmpty(field) || form.isEmpty("from")) {
            return Optional.empty();
        }
        Optional<Position> place = wanted.position(field);
        return place.isEmpty()
                ? Optional.empty()
                : wanted.line()
                        .map(line -> sentence(
                                form.text(field), SetOut.OnLine.of(line.from(), line.to(), place.get()), show));
    }

    private static OnLine sentence(String name, SetOut.OnLine on, Display show) {
        String above = on.above().isPresent()
                ? ", %s above the straight slope"
                        .formatted(show.length(on.above().getAsDouble()))
                : "";
        return new OnLine("%s lies at station %s, %s to the right%s (%s)."
                .formatted(name, show.length(on.station()), show.length(on.offset()), above, show.lengthSign()));
    }
}
