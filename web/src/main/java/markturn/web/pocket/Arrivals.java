package markturn.web.pocket;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Booker;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.KeyTaken;
import markturn.fieldbook.NotAllowed;
import markturn.fieldbook.Refused;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Items;
import markturn.web.fieldbook.FieldBook;
import org.springframework.stereotype.Component;

/**
 * Lines that were booked on a device, as they arrive: in its order, those that belong together together, each once whatever is sent twice.
 * What does not fit any more is refused with its reason, and what comes behind it is held against the book as it is then.
 */
@Component
class Arrivals {
    private static final int MOST_AT_ONCE = 5000;

    private final FieldBook fieldBook;

    Arrivals(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** What became of a line; the reason is empty where it is stored. */
    record Arrived(String key, boolean stored, String reason) {}

    Booker booker(String job, String account) {
        return fieldBook.booker(job, account);
    }

    /** @param sent {@code entries}: each with {@code key}, {@code at}, {@code kind}, {@code revision} and {@code payload} */
    List<Arrived> take(String job, Tree sent, String by) {
        List<Arrived> arrived = new ArrayList<>();
        List<Tree> together = new ArrayList<>();
        if (!(sent.at("entries") instanceof Items entries)) {
            throw new Refused("", "Expected the lines of a device");
        }
        if (entries.size() > MOST_AT_ONCE) {
            throw new Refused("", "At most " + MOST_AT_ONCE + " lines at once");
        }
        for (Tree entry : entries) {
            together.add(entry);
            if (!isFollowed(entry.text("key"))) {
                arrived.addAll(take(job, together, by));
                together.clear();
            }
        }
        return arrived;
    }

    /** Of entries that belong together the last has the key, those before it have it with their number behind. */
    private static boolean isFollowed(String key) {
        return key.matches(".*/\\d+");
    }

    private List<Arrived> take(String job, List<Tree> together, String by) {
        String key = together.get(together.size() - 1).text("key");
        String reason = "";
        try {
            Instant onDevice = Instant.parse(together.get(0).text("at"));
            fieldBook.arrive(job, key, by, onDevice, book -> payloads(together, book));
        } catch (Refused | NotAllowed | KeyTaken refused) {
            reason = refused.getMessage();
        } catch (DateTimeParseException | IllegalStateException unreadable) {
            reason = "This line cannot be read: " + unreadable.getMessage();
        }
        boolean stored = reason.isEmpty();
        String why = reason;
        return together.stream()
                .map(each -> new Arrived(each.text("key"), stored, why))
                .toList();
    }

    private static List<EntryPayload> payloads(List<Tree> together, BookedJob book) {
        return together.stream()
                .map(each -> EntryPayload.Kind.read(
                        each.text("kind"),
                        revision(each),
                        each.at("payload"),
                        book.job().units()))
                .toList();
    }

    private static int revision(Tree entry) {
        return entry.at("revision") instanceof Tree.Amount amount ? (int) amount.value() : 1;
    }
}
