package markturn.web.setup;

import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.Refused;
import markturn.fieldbook.SetupBegun;
import markturn.fieldbook.SetupRemoved;
import markturn.fieldbook.TurningOrder;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Code;
import markturn.survey.job.Decision;
import markturn.survey.job.Instrument;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Heights;
import markturn.survey.show.Display;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.setup.Effects;
import markturn.tripod.setup.KnownMarks;
import markturn.tripod.setup.SetupForm;
import markturn.tripod.typed.Form;
import markturn.tripod.way.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.device.Devices;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

@Controller
class SetupController {
    private final FieldBook fieldBook;
    private final People people;

    SetupController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** The sheet; with {@code from} and {@code to} prepared for the move from a setup to one of its targets, with {@code again} for
     * the same setup once more.
     */
    @GetMapping("/job/{id}/setup")
    String occupy(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "") String again,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Map<String, String> typed = new HashMap<>();
        typed.put("name", freeName(book));
        typed.put("sets", String.valueOf((int) book.job().classOfWork().limit(Limit.SETS)));
        typed.put("start", "small");
        book.job().setup(from).ifPresent(before -> moved(book, before, to, typed));
        book.job().setup(again).ifPresent(before -> again(book, before, typed));
        return page(book, model, typed, Map.of());
    }

    private static String freeName(BookedJob book) {
        int number = book.job().setups().size() + 1;
        while (book.job().setup("S" + number).isPresent()) {
            number++;
        }
        return "S" + number;
    }

    /** Whoever went back and began once more has two setups where one was meant: it is asked about. */
    private static void emptyOne(BookedJob book, Setup begun, Form form) {
        book.job().setups().stream()
                .filter(s -> s.station().equals(begun.station()) && s.readings().isEmpty())
                .filter(s -> !s.name().equals(begun.name()) && form.isEmpty("another"))
                .findFirst()
                .ifPresent(s -> form.fault(
                        "another",
                        "%s stands on %s already and holds no reading yet: go on there, or say that this is another"
                                .formatted(s.name(), s.station())));
    }

    /** The last foresight becomes the station, the last station the backsight; heights are asked again, no exception. */
    private static void moved(BookedJob book, Setup before, String to, Map<String, String> typed) {
        TurningOrder order = book.order(before);
        typed.put("from", before.name());
        typed.put("station", to);
        alike(before, order, typed);
        typed.put("back-0", before.station());
        order.aim(to).ifPresent(aim -> {
            typed.put("back-0-reflector", aim.reflector());
            aim.centringStdDev().ifPresent(c -> {
                typed.put("centring", Words.number(c * 1000, 2));
                typed.put("back-0-centring", Words.number(c * 1000, 2));
            });
        });
    }

    /** What stays from one setup to the next. */
    private static void alike(Setup before, TurningOrder order, Map<String, String> typed) {
        typed.put("instrument", before.instrument());
        typed.put("sets", String.valueOf(order.sets()));
        typed.put("school", order.school().key());
        typed.put("distances", String.valueOf(order.distances()));
    }

    /** The same station and backsights once more, after a break or on another day: heights are asked anew, the circle is as it is found. */
    private static void again(BookedJob book, Setup before, Map<String, String> typed) {
        TurningOrder order = book.order(before);
        typed.put("again", before.name());
        typed.put("method", before.isFree() ? "resection" : "occupied");
        typed.put("station", before.station());
        typed.put("freeStation", Code.after(book.job(), before.station()));
        alike(before, order, typed);
        typed.put("start", "falls");
        int back = 0;
        int fore = 0;
        for (TurningOrder.Aim aim : order.aims()) {
            boolean backsight = aim.role() == Reading.Role.BACKSIGHT;
            if (backsight && back == SetupForm.BACKSIGHTS || !backsight && fore == SetupForm.FORESIGHTS) {
                continue;
            }
            String field = backsight ? "back-" + back++ : "fore-" + fore++;
            typed.put(field, aim.target());
            typed.put(field + "-reflector", aim.reflector());
        }
    }

    private static String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.SET_UP);
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("known", KnownMarks.names(book));
        model.addAttribute(
                "targets", book.job().marks().stream().map(Mark::name).toList());
        model.addAttribute("backsightRows", SetupForm.BACKSIGHTS);
        model.addAttribute("foresightRows", SetupForm.FORESIGHTS);
        model.addAttribute("schools", PointingOrder.School.values());
        model.addAttribute("setups", book.result().measured().setups());
        return "setup/occupy";
    }

    /** How to set up: both schools, with drills. */
    @GetMapping("/job/{id}/setup/how")
    String how(@PathVariable String id, Model model, Principal who) {
        JobPage.frame(model, fieldBook.book(id, who.getName()), WorkStep.SET_UP);
        return "setup/how";
    }

    /** Takes back a setup at which nothing was booked, with a reason. */
    @PostMapping("/job/{id}/setup/remove")
    String remove(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam String setup,
            @RequestParam(defaultValue = "") String reason,
            RedirectAttributes then,
            Principal who) {
        if (reason.isBlank()) {
            then.addFlashAttribute("said", setup + " was left as it is: to remove it needs a reason.");
            return "redirect:/job/" + id + "/setup";
        }
        SetupRemoved payload = new SetupRemoved(
                setup,
                Decisions.now(
                        people.shownName(who.getName()),
                        Decision.REMOVE_SETUP,
                        Map.of("setup", setup),
                        reason.strip()));
        try {
            fieldBook.add(id, key, who.getName(), payload);
            then.addFlashAttribute("said", setup + " is removed; that it stood there stays in the record.");
        } catch (Refused refused) {
            then.addFlashAttribute("said", refused.getMessage());
        }
        return "redirect:/job/" + id + "/setup";
    }

    @PostMapping("/job/{id}/setup")
    String begin(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        SetupForm sheet = new SetupForm(form, book, Instant.now());
        List<TurningOrder.Aim> aims = sheet.aims();
        Setup setup = sheet.setup(aims);
        TurningOrder order = sheet.order(aims, setup);
        emptyOne(book, setup, form);
        if (form.isSound()) {
            try {
                store(id, typed.get("key"), who, sheet.newMarks(), setup, order);
                return "redirect:/job/" + id + "/turning/" + NameInAddress.of(setup.name());
            } catch (Refused refused) {
                form.refused(refused);
            }
        }
        return page(book, model, typed, form.faults());
    }

    private void store(String id, String key, Principal who, List<Mark> newMarks, Setup setup, TurningOrder order) {
        List<EntryPayload> payloads = new ArrayList<>();
        newMarks.forEach(mark -> payloads.add(new MarkAdded(mark)));
        payloads.add(new SetupBegun(setup));
        payloads.add(new OrderNoted(setup.name(), order));
        fieldBook.add(id, key, who.getName(), payloads);
    }

    /** Both values of a height, as taped and vertical, with the lengths its drawing shows. */
    @GetMapping("/job/{id}/setup/height")
    @ResponseBody
    Map<String, String> bothValues(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        SetupForm sheet = new SetupForm(form, book, Instant.now());
        if (form.isEmpty("height")) {
            return Map.of();
        }
        Optional<Notch> notch = sheet.instrument().flatMap(Instrument::notch);
        Optional<MeasuredHeight> height = sheet.instrumentHeight(notch);
        if (!form.isSound() || height.isEmpty()) {
            return Map.of("fault", form.faults().values().iterator().next());
        }
        Map<String, String> answer = new LinkedHashMap<>();
        answer.put("words", words(book, height.get(), notch));
        moveChecked(book, form, height.get(), notch).ifPresent(sentence -> answer.put("move", sentence));
        return answer;
    }

    private static String words(BookedJob book, MeasuredHeight height, Optional<Notch> notch) {
        Display show = new Display(book.job().units());
        String twice = height.difference().isPresent()
                ? "; the second taping differs by " + show.difference(height.difference()) + " " + show.differenceSign()
                        + ", the mean is kept"
                : "";
        String vertical = show.length(Heights.vertical(height, notch));
        return height.to() == MeasuredHeight.To.NOTCH
                ? "taped " + show.length(height.taped()) + " to the notch, " + vertical + " vertical to the axis"
                        + twice
                : vertical + " vertical to the axis" + twice;
    }

    /** After the exchange on the tribrachs: asked first, then compared with what it must be. */
    private static Optional<String> moveChecked(
            BookedJob book, Form form, MeasuredHeight height, Optional<Notch> notch) {
        Optional<Setup> before = book.job().setup(form.text("from"));
        if (before.isEmpty() || form.isEmpty("centring")) {
            return Optional.empty();
        }
        String station = form.text("station");
        Optional<Reading> sighted = before.get().readings().stream()
                .filter(r -> r.stands() && r.target().equals(station))
                .findFirst();
        OptionalDouble target =
                sighted.map(r -> Heights.ofTarget(book.job(), r)).orElse(OptionalDouble.empty());
        if (target.isEmpty()) {
            return Optional.empty();
        }
        double change = Heights.vertical(height, notch) - target.getAsDouble();
        return Optional.of(
                "The target stood %s over the same tribrach's mark; the axis now stands %s %s. It can differ only by how much instrument and target differ on one tribrach."
                        .formatted(
                                new Words(book.job().units()).height(target.getAsDouble()),
                                new Words(book.job().units()).difference(change),
                                change < 0 ? "lower" : "higher"));
    }

    /** What tilt, centring and air do to the sights chosen so far. */
    @GetMapping("/job/{id}/setup/effects")
    @ResponseBody
    List<String> effects(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return Effects.words(new Form(typed, book.job().units()), book, Instant.now());
    }

    /** The air as the weather sensor of the practice world shows it. */
    @GetMapping("/job/{id}/setup/weather")
    @ResponseBody
    Map<String, String> weather(@PathVariable String id, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return Devices.practice(book)
                .map(practice -> practice.weather().read())
                .map(SetupController::shown)
                .orElse(Map.of());
    }

    private static Map<String, String> shown(Atmosphere air) {
        return Map.of("temperature", Words.number(air.temperature(), 1), "pressure", Words.number(air.pressure(), 0));
    }
}
