package markturn.web.turning;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.Refused;
import markturn.fieldbook.TurningOrder;
import markturn.survey.angle.TypedAngle;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.turning.AskedSight;
import markturn.tripod.turning.PointingForm;
import markturn.tripod.turning.TurningDesk;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.TypedPointing;
import markturn.tripod.way.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.device.Device;
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
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

@Controller
class TurningController {

    /** Why a line is struck out: what the telescope did makes them different evidence. */
    static final List<String> REASONS = List.of(
            "typed wrong, telescope untouched", "point again", "wrong target sighted", "disturbed while reading");

    private final FieldBook fieldBook;

    TurningController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/turning/{name}")
    String turn(
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
        model.addAttribute("asked", AskedSight.of(asked, book, name).orElse(null));
        return page(
                book,
                name,
                asked.containsKey("reflector") ? aside(asked, book, name) : Optional.empty(),
                asked.containsKey("whole"),
                model);
    }

    static String page(BookedJob book, String name, Optional<TurningDesk.Aside> aside, Model model) {
        return page(book, name, aside, false, model);
    }

    private static String page(
            BookedJob book, String name, Optional<TurningDesk.Aside> aside, boolean whole, Model model) {
        Setup setup = book.job().setup(name).orElseThrow(NotHere::new);
        JobPage.frame(model, book, WorkStep.TURN_THE_SETS);
        model.addAttribute("page", new TurningDesk(book, setup, Instant.now()).page(aside, Device.name(), whole));
        model.addAttribute("schools", PointingOrder.School.values());
        model.addAttribute("reasons", REASONS);
        model.addAttribute("reflectors", reflectors(book.job()));
        return "turning/page";
    }

    /** The sets of a setup reduced as by hand, to be printed. */
    @GetMapping("/job/{id}/turning/{name}/form")
    String form(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        book.job().setup(name).orElseThrow(NotHere::new);
        MeasuredSetup measured = book.result().measured().setup(name);
        Display show = new Display(book.job().units());
        JobPage.frame(model, book, WorkStep.TURN_THE_SETS);
        model.addAttribute("setup", measured);
        model.addAttribute("sheet", "/job/" + id + "/turning/" + NameInAddress.of(name));
        model.addAttribute(
                "began", measured.setup().settingUp().at().map(show::dayAndTime).orElse(""));
        model.addAttribute("form", BookingForm.of(measured, show));
        return "turning/form";
    }

    /** The marks that are offered to be sighted: control of either kind, and the located points of this setup. */
    @GetMapping("/job/{id}/turning/{name}/offered")
    @ResponseBody
    List<String> offered(@PathVariable String id, @PathVariable String name, Principal who) {
        Job job = fieldBook.book(id, who.getName()).job();
        Set<String> here = job.setup(name).orElseThrow(NotHere::new).readings().stream()
                .map(Reading::target)
                .collect(Collectors.toSet());
        return job.marks().stream()
                .filter(mark -> mark.kind() != Mark.Kind.LOCATED || here.contains(mark.name()))
                .map(Mark::name)
                .toList();
    }

    static List<String> reflectors(Job job) {
        List<String> names =
                new ArrayList<>(job.reflectors().stream().map(Reflector::name).toList());
        if (!names.contains(Reflector.REFLECTORLESS)) {
            names.add(Reflector.REFLECTORLESS);
        }
        return names;
    }

    /** What was called for out of the order; what is not said of a target in the round stands there as it does in the round. */
    static Optional<TurningDesk.Aside> aside(Map<String, String> asked, BookedJob book, String setup) {
        String target = asked.getOrDefault("target", "").strip();
        if (target.isEmpty() || target.length() > 60) {
            return Optional.empty();
        }
        Job job = book.job();
        Form form = new Form(asked, job.units());
        Optional<TurningOrder.Aim> aim =
                job.setup(setup).flatMap(s -> book.order(s).aim(target));
        boolean right = form.text("face").equalsIgnoreCase("right");
        Reading.Role role = PointingForm.role(form.text("role")).orElse(Reading.Role.DETAIL);
        String reflector = reflectors(job).contains(form.text("reflector"))
                ? form.text("reflector")
                : aim.map(TurningOrder.Aim::reflector).orElse(Reflector.REFLECTORLESS);
        Optional<MeasuredHeight> height = form.height("height", reflector.equals(Reflector.REFLECTORLESS), "a height");
        return Optional.of(new TurningDesk.Aside(
                target,
                role,
                right ? Reading.Face.RIGHT : Reading.Face.LEFT,
                reflector,
                height.or(() -> aim.flatMap(TurningOrder.Aim::height))));
    }

    /**
     * Books one pointing. Answers the page as it is then; where a field is at fault, 422 with the fields and what was expected, and
     * nothing is stored. Who asks {@code Prefer: return=minimal} (RFC 7240) hears only that it is stored.
     */
    @PostMapping("/job/{id}/turning/{name}/reading")
    Object book(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            @RequestHeader(name = "Prefer", defaultValue = "") String prefer,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = book.job().setup(name).orElseThrow(NotHere::new);
        Form form = new Form(typed, book.job().units());
        Optional<Reading> reading =
                PointingForm.read(form, book, setup, Instant.now()).map(book.order(setup)::asShown);
        if (reading.isEmpty()) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(form.faults());
        }
        try {
            BookedJob longer = store(book, name, form, reading.get(), who);
            if (prefer.contains("return=minimal")) {
                return ResponseEntity.noContent().build();
            }
            Optional<TurningDesk.Aside> next =
                    form.isEmpty("aside") ? Optional.empty() : following(longer.job(), reading.get());
            return page(longer, name, next, model);
        } catch (Refused refused) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of(refused.field().isEmpty() ? "circle" : refused.field(), refused.getMessage()));
        }
    }

    private BookedJob store(BookedJob book, String setup, Form form, Reading reading, Principal who) {
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(reading.target()).isEmpty()) {
            if (reading.role() != Reading.Role.DETAIL) {
                throw new Refused("target", "There is no mark " + reading.target() + " in this job");
            }
            payloads.add(new MarkAdded(PointingForm.located(reading.target())));
        }
        payloads.add(Device.booking(setup, reading));
        return fieldBook.add(book.jobId(), form.text("key"), who.getName(), payloads);
    }

    /** After a detail shot, the next name with the same pole. */
    static Optional<TurningDesk.Aside> following(Job job, Reading reading) {
        if (reading.role() != Reading.Role.DETAIL) {
            return Optional.empty();
        }
        Matcher parts = PointingForm.ENDING_IN_NUMBER.matcher(reading.target());
        if (!parts.matches() || parts.group(2).length() > 8) {
            return Optional.empty();
        }
        int number = Integer.parseInt(parts.group(2));
        String next;
        do {
            next = parts.group(1) + ++number;
        } while (job.mark(next).isPresent());
        return Optional.of(new TurningDesk.Aside(
                next, reading.role(), reading.face(), reading.reflector(), reading.targetHeight()));
    }

    /** What is typed, as it is understood: an echo, or the fault with the characters it lies in. */
    @GetMapping("/job/{id}/turning/{name}/understood")
    @ResponseBody
    Map<String, Object> understood(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Principal who) {
        Job job = fieldBook.book(id, who.getName()).job();
        Display show = new Display(job.units());
        Map<String, Object> answer = new LinkedHashMap<>();
        for (String field : List.of("circle", "zenith")) {
            String text = typed.getOrDefault(field, "");
            if (!text.isBlank()) {
                answer.put(field, angle(text, job, show));
            }
        }
        Form form = new Form(typed, job.units());
        List<Double> slopes = TypedPointing.slopes(form);
        if (form.faults().containsKey("slope")) {
            answer.put("slope", Map.of("fault", form.faults().get("slope")));
        } else if (!slopes.isEmpty()) {
            double mean =
                    slopes.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
            String of = slopes.size() > 1 ? ", mean of " + slopes.size() : "";
            answer.put("slope", Map.of("echo", show.length(mean) + " " + show.lengthSign() + of));
        }
        return answer;
    }

    private static Map<String, Object> angle(String text, Job job, Display show) {
        try {
            return Map.of(
                    "echo",
                    show.decorated(
                            TypedAngle.read(text, job.units().angle(), false).written()));
        } catch (TypedAngle.Fault fault) {
            return Map.of("fault", fault.getMessage(), "from", fault.from(), "to", fault.to());
        }
    }

    /** Strikes out a line, or every standing line of a set. */
    @PostMapping("/job/{id}/turning/{name}/strike")
    String strike(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = book.job().setup(name).orElseThrow(NotHere::new);
        String reason = typed.getOrDefault("reason", "").strip();
        if (reason.isEmpty() || reason.equals("other")) {
            reason = typed.getOrDefault("other", "").strip();
        }
        List<String> keys = typed.containsKey("set")
                ? linesOfSet(book, setup, typed.get("set"))
                : List.of(typed.getOrDefault("line", ""));
        if (reason.isEmpty()) {
            model.addAttribute("message", "A line is struck out with a reason: choose one, or write it.");
            return page(book, name, Optional.empty(), model);
        }
        try {
            BookedJob longer = fieldBook.add(id, typed.get("key"), who.getName(), Device.striking(keys, reason));
            return page(longer, name, Optional.empty(), model);
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return page(book, name, Optional.empty(), model);
        }
    }

    private static List<String> linesOfSet(BookedJob book, Setup setup, String set) {
        List<String> keys = new ArrayList<>();
        for (int place = 0; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            if (reading.stands()
                    && reading.set().isPresent()
                    && ("" + reading.set().getAsInt()).equals(set)) {
                keys.add(book.keyOf(setup.name(), place));
            }
        }
        return keys;
    }

    @PostMapping("/job/{id}/turning/{name}/restore")
    String restore(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        List<String> line = List.of(typed.getOrDefault("line", ""));
        try {
            BookedJob longer = fieldBook.add(id, typed.get("key"), who.getName(), Device.restoring(line));
            return page(longer, name, Optional.empty(), model);
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return page(book, name, Optional.empty(), model);
        }
    }
}
