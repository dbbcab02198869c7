package markturn.web.act;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Function;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.Refused;
import markturn.simulator.PracticeStation;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.View;
import markturn.web.device.Device;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * Stores what an act makes of what was typed, and answers a page with what it draws anew. What a page was last shown is remembered by its
 * name; where that is not of the revision the page says it shows, it gets all of its view. A page at fault gets 422 with its fields.
 */
@Component
public class Acts {
    /** How much of the heap may hold what pages were shown: a page that is forgotten gets all of its view with its next line. */
    private static final double SHARE_REMEMBERED = 1.0 / 32;

    private static final MediaType JSON = MediaType.APPLICATION_JSON;

    private final FieldBook fieldBook;
    private final People people;
    private final Cache<String, View> shown = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_REMEMBERED * Runtime.getRuntime().maxMemory()))
            .weigher((String page, View view) -> view.weight())
            .build();

    Acts(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** The book of a job that somebody has open. */
    public BookedJob book(String job, Principal who) {
        return fieldBook.book(job, who.getName());
    }

    /** Now, by whoever is signed in, with the device in hand. */
    public Occasion occasion(Principal who) {
        return new Occasion(
                who.getName(), people.shownName(who.getName()), Device.known(), Instant.now(), PracticeStation::of);
    }

    /**
     * Stores what was typed.
     *
     * @param act what it makes of a book as it stands; empty where there is no such act
     * @param unnamed the field to say a refusal under that names none
     * @return the longer book, or what is at fault
     */
    public Booked store(
            String job,
            Map<String, String> typed,
            Principal who,
            String unnamed,
            BiFunction<BookedJob, Occasion, Optional<Outcome>> act) {
        BookedJob book = book(job, who);
        Occasion occasion = occasion(who);
        Outcome outcome = act.apply(book, occasion).orElseThrow(NotHere::new);
        if (outcome instanceof Outcome.Faults faults) {
            return new Booked(Optional.empty(), faults.byField(), book.revision());
        }
        List<EntryPayload> payloads = ((Outcome.Entries) outcome).payloads();
        try {
            // Of two who book at once the second one's entries follow from what the first one stored.
            BookedJob longer = fieldBook.add(
                    job,
                    typed.get("key"),
                    who.getName(),
                    now -> now.revision() == book.revision() ? payloads : anew(act.apply(now, occasion)));
            return new Booked(Optional.of(longer), Map.of(), longer.revision());
        } catch (Refused refused) {
            return new Booked(
                    Optional.empty(),
                    Map.of(refused.field().isEmpty() ? unnamed : refused.field(), refused.getMessage()),
                    book(job, who).revision());
        }
    }

    private static List<EntryPayload> anew(Optional<Outcome> outcome) {
        if (outcome.orElseThrow(NotHere::new) instanceof Outcome.Entries entries) {
            return entries.payloads();
        }
        Map.Entry<String, String> fault =
                ((Outcome.Faults) outcome.get()).byField().entrySet().iterator().next();
        throw new Refused(fault.getKey(), fault.getValue());
    }

    /** What became of an act: the longer book, or what is at fault; and the revision of the book it was held against. */
    public record Booked(Optional<BookedJob> book, Map<String, String> faults, long revision) {
        /** Answers with a view of the longer book, or 422 with the faults by field, and the revision that a page must not be behind. */
        public ResponseEntity<Object> answer(Function<BookedJob, ResponseEntity<Object>> view) {
            return book.map(view)
                    .orElseGet(() -> ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                            .header("Revision", String.valueOf(revision))
                            .body(faults));
        }
    }

    /** Gives a page its first view, whole, as a block of data within it, and a name by which what it shows is remembered. */
    public void first(Model model, View view) {
        String page = UUID.randomUUID().toString();
        shown.put(page, view);
        model.addAttribute("pageId", page);
        model.addAttribute("view", view.whole());
    }

    /**
     * What a page draws anew.
     *
     * @param typed its name as {@code page}, and as {@code since} the revision it shows; a page that is not remembered so gets all
     */
    public ResponseEntity<Object> changed(Map<String, String> typed, View view) {
        String page = typed.getOrDefault("page", "");
        View before = shown.getIfPresent(page);
        if (before != null) {
            shown.put(page, view);
        }
        boolean known = before != null && String.valueOf(before.revision()).equals(typed.get("since"));
        return ResponseEntity.ok().contentType(JSON).body(known ? view.since(before) : view.whole());
    }
}
