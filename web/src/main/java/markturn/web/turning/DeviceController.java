package markturn.web.turning;

import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.Refused;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;
import markturn.tripod.turning.Aside;
import markturn.tripod.turning.Interruption;
import markturn.tripod.turning.LiveLine;
import markturn.tripod.turning.Round;
import markturn.tripod.turning.TurningPage;
import markturn.tripod.typed.Occasion;
import markturn.web.act.Acts;
import markturn.web.device.Devices;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.NotHere;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The simulated station at a setup: it takes the line in hand, turns what is left, or shows its display to be read and typed. */
@Controller
class DeviceController {
    private static final int MOST_AUTOMATIC = 400;

    private final FieldBook fieldBook;
    private final Acts acts;

    DeviceController(FieldBook fieldBook, Acts acts) {
        this.fieldBook = fieldBook;
        this.acts = acts;
    }

    /** Takes the line in hand: one pointing, or with {@code all} everything that is left. */
    @PostMapping("/job/{id}/turning/{name}/measure")
    ResponseEntity<Object> measure(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        try {
            BookedJob longer = typed.containsKey("all")
                    ? turnAll(book, name, typed.get("key"), who)
                    : turnOne(book, name, typed.get("key"), Aside.of(typed, book, setup(book, name)), false, who);
            return acts.changed(typed, new TurningPage(name).after(book, longer, acts.occasion(who), "reading", typed));
        } catch (Refused refused) {
            return faults(refused);
        }
    }

    private BookedJob turnAll(BookedJob book, String name, String key, Principal who) {
        BookedJob longer = book;
        for (int i = 0; i < MOST_AUTOMATIC && !isThrough(longer, name); i++) {
            longer = turnOne(longer, name, key + "-" + i, Optional.empty(), true, who);
            if (!new Interruption(longer, setup(longer, name)).mismatch().isEmpty()) {
                break;
            }
        }
        return longer;
    }

    private static boolean isThrough(BookedJob book, String name) {
        return new Round(book, setup(book, name)).live(Optional.empty()).isEmpty();
    }

    private BookedJob turnOne(
            BookedJob book, String name, String key, Optional<Aside> aside, boolean automatic, Principal who) {
        Setup setup = setup(book, name);
        LiveLine live = new Round(book, setup)
                .live(aside)
                .orElseThrow(() -> new Refused("circle", "All sets are turned: add a set, or call for a sight"));
        Reading reading = seen(book, setup, live, automatic);
        Occasion occasion = acts.occasion(who);
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(live.target()).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(live.target(), Mark.Kind.LOCATED)));
        }
        payloads.add(occasion.booking(name, reading));
        return fieldBook.add(book.jobId(), key, who.getName(), payloads);
    }

    private static Reading seen(BookedJob book, Setup setup, LiveLine live, boolean automatic) {
        Devices.Sight sight = new Devices.Sight(
                live.target(),
                live.role(),
                live.set(),
                live.face(),
                live.reflector(),
                live.height(),
                live.centringStdDev());
        return Devices.reading(sight, new Devices(book, setup).shown(sight, automatic), book.job());
    }

    /** Only the display of the simulated station: it is read and typed by hand. */
    @GetMapping("/job/{id}/turning/{name}/display")
    ResponseEntity<Object> display(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> asked,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Setup setup = setup(book, name);
        Optional<LiveLine> live = new Round(book, setup).live(Aside.of(asked, book, setup));
        if (live.isEmpty()) {
            return ResponseEntity.ok(Map.of("message", "All sets are turned."));
        }
        try {
            Reading seen = seen(book, setup, live.get(), false);
            Display show = new Display(book.job().units());
            Map<String, String> shown = new LinkedHashMap<>();
            shown.put("circle", show.decorated(seen.circle().written()));
            shown.put("zenith", show.decorated(seen.zenith().orElseThrow().written()));
            shown.put("slope", show.length(seen.slope()) + " " + show.lengthSign());
            return ResponseEntity.ok(shown);
        } catch (Refused refused) {
            return faults(refused);
        }
    }

    private static ResponseEntity<Object> faults(Refused refused) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(Map.of("message", refused.getMessage()));
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }
}
