package markturn.web.turning;

import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.PenTaken;
import markturn.fieldbook.Refused;
import markturn.fieldbook.WorkInterrupted;
import markturn.simulator.TotalStation;
import markturn.survey.finding.backsight.DoubtfulShots;
import markturn.survey.job.Decision;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;
import markturn.tripod.turning.Interruption;
import markturn.tripod.turning.TurningDesk;
import markturn.tripod.turning.TurningPage;
import markturn.web.device.Device;
import markturn.web.device.Devices;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What happens at a setup beside typing: the simulated station, breaks, the pen, and a drift that was found. */
@Controller
class DeviceController {
    private static final int MOST_AUTOMATIC = 400;

    private final FieldBook fieldBook;
    private final People people;

    DeviceController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** Takes the line in hand with the simulated station: one pointing, or with {@code all} everything that is left. */
    @PostMapping("/job/{id}/turning/{name}/measure")
    Object measure(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Optional<TurningDesk.Aside> aside = TurningController.aside(typed, book, name);
        boolean all = typed.containsKey("all");
        try {
            BookedJob longer = all
                    ? turnAll(book, name, typed.get("key"), who)
                    : turnOne(book, name, typed.get("key"), aside, false, who);
            Optional<TurningDesk.Aside> next = aside.flatMap(a -> TurningController.following(
                    longer.job(),
                    longer.job()
                            .setup(name)
                            .orElseThrow()
                            .readings()
                            .get(longer.job()
                                            .setup(name)
                                            .orElseThrow()
                                            .readings()
                                            .size()
                                    - 1)));
            return TurningController.page(longer, name, next, model);
        } catch (Refused refused) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of("message", refused.getMessage()));
        }
    }

    private BookedJob turnAll(BookedJob book, String name, String key, Principal who) {
        BookedJob longer = book;
        for (int i = 0; i < MOST_AUTOMATIC; i++) {
            TurningDesk desk = new TurningDesk(longer, setup(longer, name), Instant.now());
            if (desk.live(Optional.empty()).isEmpty()) {
                break;
            }
            longer = turnOne(longer, name, key + "-" + i, Optional.empty(), true, who);
            if (!new TurningDesk(longer, setup(longer, name), Instant.now())
                    .page(Optional.empty(), Device.name(), false)
                    .state()
                    .mismatch()
                    .isEmpty()) {
                break;
            }
        }
        return longer;
    }

    private BookedJob turnOne(
            BookedJob book,
            String name,
            String key,
            Optional<TurningDesk.Aside> aside,
            boolean automatic,
            Principal who) {
        Setup setup = setup(book, name);
        TurningPage.Live live = new TurningDesk(book, setup, Instant.now())
                .live(aside)
                .orElseThrow(() -> new Refused("circle", "All sets are turned: add a set, or call for a sight"));
        TotalStation.Shown shown = new Devices(book, setup).shown(sight(live), automatic);
        Reading reading = Devices.reading(sight(live), shown, book.job());
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(live.target()).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(live.target(), Mark.Kind.LOCATED)));
        }
        payloads.add(Device.booking(name, reading));
        return fieldBook.add(book.jobId(), key, who.getName(), payloads);
    }

    /** Only the display of the simulated station: it is read and typed by hand. */
    @GetMapping("/job/{id}/turning/{name}/display")
    ResponseEntity<Map<String, String>> display(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        Optional<TurningPage.Live> live =
                new TurningDesk(book, setup, Instant.now()).live(TurningController.aside(asked, book, name));
        if (live.isEmpty()) {
            return ResponseEntity.ok(Map.of("message", "All sets are turned."));
        }
        try {
            Reading seen = Devices.reading(
                    sight(live.get()), new Devices(book, setup).shown(sight(live.get()), false), book.job());
            Display show = new Display(book.job().units());
            Map<String, String> shown = new LinkedHashMap<>();
            shown.put("circle", show.decorated(seen.circle().written()));
            shown.put("zenith", show.decorated(seen.zenith().orElseThrow().written()));
            shown.put("slope", show.length(seen.slope()) + " " + show.lengthSign());
            return ResponseEntity.ok(shown);
        } catch (Refused refused) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(Map.of("message", refused.getMessage()));
        }
    }

    /** Notes an interruption, with its reason. */
    @PostMapping("/job/{id}/turning/{name}/break")
    String interrupt(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String key,
            @RequestParam(defaultValue = "pause") String reason,
            Model model,
            Principal who) {
        return TurningController.page(
                fieldBook.add(id, key, who.getName(), new WorkInterrupted(name, reason)),
                name,
                Optional.empty(),
                model);
    }

    /** Closes the half-set that a break spoiled: what the moved circle read is struck out, and another set is turned. */
    @PostMapping("/job/{id}/turning/{name}/close-half")
    String closeHalf(
            @PathVariable String id, @PathVariable String name, @RequestParam String key, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        int set = new Interruption(book, setup).set().orElseThrow(NotHere::new);
        int broken = book.lastBreak(name).orElseThrow(NotHere::new);
        List<String> moved = new ArrayList<>();
        for (int place = broken; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            if (reading.stands() && reading.set().orElse(0) == set) {
                moved.add(book.keyOf(name, place));
            }
        }
        List<EntryPayload> payloads = new ArrayList<>();
        if (!moved.isEmpty()) {
            payloads.add(Device.striking(moved, "the circle had moved in the break"));
        }
        payloads.add(new OrderNoted(name, book.order(setup).closing(set)));
        BookedJob longer = fieldBook.add(id, key, who.getName(), payloads);
        return TurningController.page(longer, name, Optional.empty(), model);
    }

    /** This device takes the pen of the setup. */
    @PostMapping("/job/{id}/turning/{name}/pen")
    String pen(
            @PathVariable String id, @PathVariable String name, @RequestParam String key, Model model, Principal who) {
        return TurningController.page(
                fieldBook.add(id, key, who.getName(), new PenTaken(name, Device.name())),
                name,
                Optional.empty(),
                model);
    }

    /** What to do with the shots that a drift made doubtful: correct them by time, or strike them out. */
    @PostMapping("/job/{id}/turning/{name}/drift")
    String drift(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String key,
            @RequestParam String how,
            @RequestParam(defaultValue = "") String reason,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        if (reason.isBlank()) {
            model.addAttribute("message", "That needs a reason: what moved, as far as can be seen.");
            return TurningController.page(book, name, Optional.empty(), model);
        }
        EntryPayload payload = how.equals("strike")
                ? Device.striking(
                        DoubtfulShots.places(book.result().measured().setup(name)).stream()
                                .map(place -> book.keyOf(setup.name(), place))
                                .toList(),
                        "drift: " + reason)
                : new DecisionMade(Decisions.now(
                        people.shownName(who.getName()), Decision.CORRECT_DRIFT, Map.of("setup", name), reason));
        return TurningController.page(fieldBook.add(id, key, who.getName(), payload), name, Optional.empty(), model);
    }

    private static Devices.Sight sight(TurningPage.Live live) {
        return new Devices.Sight(
                live.target(),
                live.role(),
                live.set(),
                live.face(),
                live.reflector(),
                live.height(),
                live.centringStdDev());
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }
}
