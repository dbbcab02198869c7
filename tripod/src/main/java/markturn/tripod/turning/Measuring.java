package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.Refused;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;
import markturn.tripod.station.Sight;
import markturn.tripod.station.Station;
import markturn.tripod.station.Stations;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Sheet;

/** The line in hand, or all that is left, as the station at the setup shows it. */
final class Measuring {
    private static final int MOST_AUTOMATIC = 400;
    private static final String THROUGH = "All sets are turned: add a set, or call for a sight";

    private final BookedJob book;
    private final String setup;
    private final Occasion occasion;

    Measuring(BookedJob book, String setup, Occasion occasion) {
        this.book = book;
        this.setup = setup;
        this.occasion = occasion;
    }

    /** @param typed with {@code all} everything that is left, until the circle has moved; else one pointing, of what stands in hand */
    Outcome outcome(Map<String, String> typed) {
        if (book.holds(typed.getOrDefault("key", ""))) {
            return Outcome.done();
        }
        Optional<Station> station = occasion.stations().of(book);
        if (station.isEmpty()) {
            return Outcome.message(Stations.MISSING);
        }
        try {
            return typed.containsKey("all")
                    ? all(station.get())
                    : new Outcome.Entries(one(book, station.get(), Aside.of(typed, book, in(book)), false));
        } catch (Refused refused) {
            return Outcome.message(refused.getMessage());
        }
    }

    /** Each pointing is seen as the book stands when those before it are booked. */
    private Outcome all(Station station) {
        List<EntryPayload> payloads = new ArrayList<>();
        BookedJob longer = book;
        for (int i = 0; i < MOST_AUTOMATIC; i++) {
            if (new Round(longer, in(longer)).live(Optional.empty()).isEmpty()) {
                break;
            }
            List<EntryPayload> next = one(longer, station, Optional.empty(), true);
            payloads.addAll(next);
            longer = Admission.preview(longer, occasion.account(), occasion.now(), next.toArray(new EntryPayload[0]));
            if (!new Interruption(longer, in(longer)).mismatch().isEmpty()) {
                break;
            }
        }
        return payloads.isEmpty() ? Outcome.message(THROUGH) : new Outcome.Entries(payloads);
    }

    private List<EntryPayload> one(BookedJob now, Station station, Optional<Aside> aside, boolean automatic) {
        LiveLine live = new Round(now, in(now)).live(aside).orElseThrow(() -> new Refused("message", THROUGH));
        List<EntryPayload> payloads = new ArrayList<>();
        if (now.job().mark(live.target()).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(live.target(), Mark.Kind.LOCATED)));
        }
        payloads.add(occasion.booking(setup, seen(now, station, live, automatic)));
        return payloads;
    }

    private Reading seen(BookedJob now, Station station, LiveLine live, boolean automatic) {
        Sight sight = new Sight(
                live.target(),
                live.role(),
                live.set(),
                live.face(),
                live.reflector(),
                live.height(),
                live.centringStdDev());
        return station.sight(now, in(now), sight, automatic, occasion.now());
    }

    /** Only the display: it is read and typed by hand. */
    Sheet display(Map<String, String> asked) {
        Optional<Station> station = occasion.stations().of(book);
        Optional<LiveLine> live = new Round(book, in(book)).live(Aside.of(asked, book, in(book)));
        if (station.isEmpty() || live.isEmpty()) {
            return Sheet.empty().with("message", station.isEmpty() ? Stations.MISSING : THROUGH);
        }
        try {
            Reading seen = seen(book, station.get(), live.get(), false);
            Display show = new Display(book.job().units());
            return Sheet.empty()
                    .with("circle", show.decorated(seen.circle().written()))
                    .with("zenith", show.decorated(seen.zenith().orElseThrow().written()))
                    .with("slope", show.length(seen.slope()) + " " + show.lengthSign());
        } catch (Refused refused) {
            return Sheet.empty().with("message", refused.getMessage());
        }
    }

    private Setup in(BookedJob now) {
        return now.job().setup(setup).orElseThrow();
    }
}
