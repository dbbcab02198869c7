package markturn.web.detail;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.MarksAdded;
import markturn.fieldbook.Refused;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.detail.Choice;
import markturn.tripod.detail.DetailDesk;
import markturn.tripod.detail.NearTwin;
import markturn.tripod.detail.Question;
import markturn.tripod.detail.SpecialSights;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.TypedPointing;
import markturn.tripod.way.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.device.Device;
import markturn.web.device.Devices;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class DetailController {
    private static final double FARTHEST_OFFSET = 1000;

    private final FieldBook fieldBook;

    DetailController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** The setup in hand, or where one is begun. */
    @GetMapping("/job/{id}/detail")
    String current(@PathVariable String id, Principal who) {
        List<Setup> setups = fieldBook.book(id, who.getName()).job().setups();
        return "redirect:/job/" + id
                + (setups.isEmpty()
                        ? "/setup"
                        : "/detail/"
                                + NameInAddress.of(setups.get(setups.size() - 1).name()));
    }

    @GetMapping("/job/{id}/detail/{name}")
    String detail(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        if (Device.isUnknown()) {
            Device.remember(response);
        }
        return page(book, name, asked, model);
    }

    private static String page(BookedJob book, String name, Map<String, String> asked, Model model) {
        Setup setup = setup(book, name);
        JobPage.frame(model, book, WorkStep.DETAIL);
        Choice choice = Choice.of(asked, book.job(), setup);
        model.addAttribute("page", new DetailDesk(book, name, choice).page());
        model.addAttribute("choice", choice);
        model.addAttribute("simulated", book.practice().isPresent());
        return "detail/page";
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }

    /** Books one shot, and where its point is new the point. A field at fault: 422 with the fields, and nothing is stored. */
    @PostMapping("/job/{id}/detail/{name}/shot")
    Object book(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        Form form = new Form(typed, book.job().units());
        String target = form.name("name", "the name of the point");
        Optional<TypedPointing> pointing = TypedPointing.read(form, book.job().planOnly());
        Optional<Reading.Offset> offset = offset(form);
        if (pointing.isEmpty() || !form.isSound()) {
            return faults(form.faults());
        }
        Choice choice = Choice.of(typed, book.job(), setup);
        try {
            Reading reading = book.order(setup)
                    .asShown(reading(
                            target,
                            choice,
                            pointing.get(),
                            offset,
                            book.practice().isPresent() ? Reading.Origin.SIMULATED : Reading.Origin.TYPED,
                            form.readAt(Instant.now())));
            Optional<Question> open = book.holds(typed.get("key"))
                    ? Optional.empty()
                    : Question.first(book.job(), setup, reading, typed.getOrDefault("again", ""));
            if (open.isPresent()) {
                return faults(open.get().asked(typed.getOrDefault("again", "")));
            }
            BookedJob longer = store(book, name, choice, reading, typed.get("key"), who);
            NearTwin.warning(longer, reading.target()).ifPresent(twin -> model.addAttribute("message", twin));
            return page(longer, name, next(typed), model);
        } catch (Refused refused) {
            return faults(Map.of(refused.field().isEmpty() ? "circle" : refused.field(), refused.getMessage()));
        }
    }

    /** Takes the shot in hand with the simulated station. */
    @PostMapping("/job/{id}/detail/{name}/measure")
    Object measure(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        Form form = new Form(typed, book.job().units());
        String target = form.name("name", "the name of the point");
        Choice choice = Choice.of(typed, book.job(), setup);
        Optional<markturn.survey.job.MeasuredHeight> height =
                form.height("height", true, "the height of the target over its mark");
        Optional<Reading.Offset> offset = offset(form);
        boolean bare = choice.reflector().equals(Reflector.REFLECTORLESS);
        if (height.isEmpty() && !bare && !book.job().planOnly()) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        if (!form.isSound()) {
            return faults(form.faults());
        }
        try {
            BookedJob withMark = named(book, unknown(book, choice, target), who);
            Devices.Sight sight = new Devices.Sight(
                    target, role(choice), 0, choice.face(), choice.reflector(), height, OptionalDouble.empty());
            Reading seen = Devices.reading(
                    sight, new Devices(withMark, setup(withMark, name)).shown(sight, false), book.job());
            Reading turned = "1".equals(typed.get("angleOnly")) ? seen.withSlope(OptionalDouble.empty()) : seen;
            Reading reading = offset.map(turned::withOffset).orElse(turned);
            return page(store(book, name, choice, reading, typed.get("key"), who), name, next(typed), model);
        } catch (Refused refused) {
            return faults(Map.of("message", refused.getMessage()));
        }
    }

    private static ResponseEntity<Map<String, String>> faults(Map<String, String> faults) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(faults);
    }

    /** What stays on the page after a shot: not the name; the line goes on, and after one that was closed another begins. */
    private static Map<String, String> next(Map<String, String> typed) {
        Map<String, String> kept = new java.util.HashMap<>(typed);
        kept.remove("name");
        if (Joining.Act.CLOSE.key().equals(kept.remove("join"))) {
            kept.put("join", Joining.Act.BEGIN.key());
            kept.remove("line");
        }
        return kept;
    }

    /** Stores the point where it is new, and the reading; where either is refused, neither. */
    private BookedJob store(BookedJob book, String setup, Choice choice, Reading reading, String key, Principal who) {
        List<EntryPayload> payloads = new ArrayList<>();
        unknown(book, choice, reading.target()).ifPresent(mark -> payloads.add(new MarkAdded(mark)));
        payloads.add(Device.booking(setup, reading));
        return fieldBook.add(book.jobId(), key, who.getName(), payloads);
    }

    /** The point as it would be entered; empty where the job knows it. */
    private static Optional<Mark> unknown(BookedJob book, Choice choice, String target) {
        if (book.job().mark(target).isPresent()) {
            return Optional.empty();
        }
        return Optional.of(
                choice.built()
                        ? Mark.named(target, Mark.Kind.NEW)
                        : Mark.named(target, Mark.Kind.LOCATED)
                                .withCode(choice.code())
                                .withJoining(choice.joining()));
    }

    /** The book as it would be with the point in it. */
    private BookedJob named(BookedJob book, Optional<Mark> unknown, Principal who) {
        return unknown.map(mark -> fieldBook.preview(book, who.getName(), new MarkAdded(mark)))
                .orElse(book);
    }

    private static Reading.Role role(Choice choice) {
        return choice.built() ? Reading.Role.FORESIGHT : Reading.Role.DETAIL;
    }

    private static Reading reading(
            String target,
            Choice choice,
            TypedPointing pointing,
            Optional<Reading.Offset> offset,
            Reading.Origin origin,
            Instant at) {
        return new Reading(
                target,
                role(choice),
                OptionalInt.empty(),
                choice.face(),
                pointing.circle(),
                pointing.zenith(),
                pointing.slope(),
                pointing.severalSlopes(),
                choice.reflector(),
                pointing.height(),
                Optional.of(at),
                origin,
                Optional.empty(),
                offset,
                Optional.empty());
    }

    private static Optional<Reading.Offset> offset(Form form) {
        double along = offset(form, "along");
        double across = offset(form, "across");
        double up = offset(form, "up-offset");
        return along == 0 && across == 0 && up == 0
                ? Optional.empty()
                : Optional.of(new Reading.Offset(along, across, up));
    }

    private static double offset(Form form, String field) {
        return form.length(field, -FARTHEST_OFFSET, FARTHEST_OFFSET, "an offset of at most 1000")
                .orElse(0);
    }

    /** Begins a special sight: the points it needs are entered, and the page leads through them. */
    @PostMapping("/job/{id}/detail/{name}/special")
    Object special(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Choice choice = Choice.of(typed, book.job(), setup(book, name));
        String called = form.isEmpty("name")
                ? book.job().code(choice.code()).nextFree(book.job()).orElse("")
                : form.text("name");
        if (called.isEmpty() || called.length() > 50) {
            return faults(Map.of("message", "Expected the name of the point, at most 50 characters"));
        }
        List<Mark> marks = SpecialSights.begun(form.text("kind"), called, choice.code()).stream()
                .filter(mark ->
                        !(mark.by().isEmpty() && book.job().mark(mark.name()).isPresent()))
                .toList();
        try {
            Map<String, String> begun = next(typed);
            begun.put("later", "no");
            return page(
                    fieldBook.add(id, form.text("key"), who.getName(), new MarksAdded(marks, List.of(), "")),
                    name,
                    begun,
                    model);
        } catch (Refused refused) {
            return faults(Map.of("message", refused.getMessage()));
        }
    }

    /** Strikes a shot out, with its reason. */
    @PostMapping("/job/{id}/detail/{name}/strike")
    Object strike(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String key,
            @RequestParam String line,
            @RequestParam(defaultValue = "") String reason,
            Model model,
            Principal who) {
        if (reason.isBlank()) {
            return faults(Map.of("message", "A line is struck out with a reason: choose one, or write it."));
        }
        BookedJob longer = fieldBook.add(id, key, who.getName(), Device.striking(List.of(line), reason.strip()));
        return page(longer, name, Map.of(), model);
    }

    /** The line by its number; without one that of the mark, or a new one. A line that was closed is open again where its end lies on it. */
    private static Optional<Joining> joined(Map<String, String> typed, Job job, Mark mark) {
        Optional<Joining.Act> act = java.util.Arrays.stream(Joining.Act.values())
                .filter(a -> a.key().equals(typed.get("join")))
                .findFirst();
        String number = typed.getOrDefault("line", "").strip();
        int line = number.matches("[1-9]\\d{0,5}")
                ? Integer.parseInt(number)
                : mark.joining().map(Joining::line).orElseGet(() -> Choice.freshLine(job, mark.code()));
        return act.map(a -> new Joining(line, a));
    }

    /** Notes how a located point joins its line, or breaks it. */
    @PostMapping("/job/{id}/detail/{name}/join")
    Object join(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Job job = book.job();
        Mark mark = job.mark(typed.getOrDefault("mark", "")).orElseThrow(NotHere::new);
        Mark noted = mark.withJoining(joined(typed, job, mark));
        BookedJob longer = fieldBook.add(id, typed.get("key"), who.getName(), new MarkNoted(noted, "line"));
        return page(longer, name, Map.of(), model);
    }
}
