package markturn.pocket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import markturn.fieldbook.Admission;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.NotAllowed;
import markturn.fieldbook.Refused;
import markturn.tripod.Pages;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;

/**
 * One job on a device: the book as the office's server last told it, and the device's own lines on top of it, which wait to be sent. What
 * comes from the server goes beneath them; of what then no longer fits the reason is told, and nothing is dropped without it.
 */
final class Pocket {
    /** So many pages of one device are open at once. */
    private static final int MOST_SHOWN = 8;

    private final Map<String, View> shown = new LinkedHashMap<>();
    private final List<Entry> mine = new ArrayList<>();
    private BookedJob told;
    private BookedJob book;

    Pocket(String job) {
        told = Assembly.empty(job, Computing.AT_ONCE);
        book = told;
    }

    /** A line of the device that no longer fits, and why. */
    record SetAside(String key, String reason) {}

    BookedJob book() {
        return book;
    }

    /** The revision that the server told last. */
    long toldUpTo() {
        return told.revision();
    }

    /**
     * Lays what the server told beneath the device's own lines; those it has stored are no longer the device's.
     *
     * @return which of the device's own lines no longer fit
     */
    List<SetAside> tell(List<Entry> entries, Carrier who) {
        // Two exchanges under way at once are told the same.
        long known = told.revision();
        told = Assembly.with(
                told, entries.stream().filter(entry -> entry.sequence() > known).toList());
        mine.removeIf(entry -> told.holds(entry.key()));
        return layOn(List.copyOf(mine), who);
    }

    /**
     * Takes up what this device booked before it was last closed.
     *
     * @return which of it no longer fits
     */
    List<SetAside> takeUp(List<Entry> before, Carrier who) {
        return layOn(before.stream().filter(entry -> !told.holds(entry.key())).toList(), who);
    }

    private List<SetAside> layOn(List<Entry> own, Carrier who) {
        List<SetAside> aside = new ArrayList<>();
        mine.clear();
        book = told;
        for (Entry entry : own) {
            try {
                lay(entry.key(), entry.payload(), entry, who);
            } catch (Refused | NotAllowed refused) {
                aside.add(new SetAside(entry.key(), refused.getMessage()));
            }
        }
        return aside;
    }

    private void lay(String key, EntryPayload payload, Entry from, Carrier who) {
        Admission.require(book, payload, who.booker());
        Entry entry = new Entry(book.revision() + 1, key, from.at(), from.by(), payload);
        book = Assembly.with(book, entry);
        mine.add(entry);
    }

    /** A page of the job. */
    Optional<Page> page(String room, String setup) {
        return Pages.at(book, room, setup);
    }

    /** The view of a page, whole; the device remembers what it shows. */
    String whole(String id, Page page, Carrier who, Map<String, String> asked) {
        View view = page.view(book, who.occasion(), asked);
        remember(id, view);
        return view.whole();
    }

    /** What a page draws anew when its view is asked for again. */
    String changed(Page page, Carrier who, Map<String, String> asked) {
        return since(asked, page.view(book, who.occasion(), asked));
    }

    Optional<Shown> answer(Page page, Carrier who, String question, Map<String, String> asked) {
        return page.answer(book, who.occasion(), question, asked);
    }

    /**
     * An act: what was typed becomes lines that wait.
     *
     * @return what came of it; empty where there is no such act
     */
    Optional<Done> act(String room, String setup, String act, Map<String, String> typed, Carrier who) {
        BookedJob before = book;
        Page page = page(room, setup).orElseThrow();
        Optional<Outcome> outcome = page.act(before, who.occasion(), act, typed);
        return outcome.map(became -> became instanceof Outcome.Faults faults
                ? new Done(List.of(), faults.byField(), "")
                : booked(
                        ((Outcome.Entries) became).payloads(),
                        before,
                        page,
                        typed,
                        who,
                        longer -> page(room, setup).orElse(page).after(before, longer, who.occasion(), act, typed),
                        page.unnamed(act)));
    }

    private Done booked(
            List<EntryPayload> payloads,
            BookedJob before,
            Page page,
            Map<String, String> typed,
            Carrier who,
            Function<BookedJob, View> after,
            String unnamed) {
        String key = typed.getOrDefault("key", "");
        int from = mine.size();
        try {
            Admission.requireKey(key);
            if (!before.holds(key)) {
                for (int i = 0; i < payloads.size(); i++) {
                    String its = i == payloads.size() - 1 ? key : key + "/" + i;
                    EntryPayload payload = payloads.get(i);
                    lay(
                            its,
                            payload,
                            new Entry(
                                    1, its, who.occasion().now(), who.occasion().account(), payload),
                            who);
                }
            }
        } catch (Refused refused) {
            undo(before, from);
            return new Done(
                    List.of(), Map.of(refused.field().isEmpty() ? unnamed : refused.field(), refused.getMessage()), "");
        } catch (NotAllowed notAllowed) {
            undo(before, from);
            return new Done(List.of(), Map.of("message", notAllowed.getMessage()), "");
        }
        return new Done(List.copyOf(mine.subList(from, mine.size())), Map.of(), since(typed, after.apply(book)));
    }

    private void undo(BookedJob before, int own) {
        book = before;
        mine.subList(own, mine.size()).clear();
    }

    /** What came of an act: lines to be kept and sent, or faults by field; and what its page draws anew. */
    record Done(List<Entry> entries, Map<String, String> faults, String view) {}

    private String since(Map<String, String> typed, View view) {
        String id = typed.getOrDefault("page", "");
        View before = shown.get(id);
        boolean known = before != null && String.valueOf(before.revision()).equals(typed.get("since"));
        remember(id, view);
        return known ? view.since(before) : view.whole();
    }

    private void remember(String id, View view) {
        shown.remove(id);
        shown.put(id, view);
        if (shown.size() > MOST_SHOWN) {
            shown.remove(shown.keySet().iterator().next());
        }
    }
}
