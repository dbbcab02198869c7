package markturn.tripod.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.SetupBegun;
import markturn.fieldbook.SetupRemoved;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Decision;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is typed at the sheet of setting up, as entries. */
public final class SetUpEntries {
    private final BookedJob book;
    private final Occasion occasion;

    /** In that book. */
    public SetUpEntries(BookedJob book, Occasion occasion) {
        this.book = book;
        this.occasion = occasion;
    }

    /** Begins a setup: its new marks, the setup, and what is turned at it. */
    public Outcome begin(Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        SetupForm sheet = new SetupForm(form, book, occasion.now());
        List<TurningOrder.Aim> aims = sheet.aims();
        Setup setup = sheet.setup(aims);
        TurningOrder order = sheet.order(aims, setup);
        if (!book.holds(form.text("key"))) {
            emptyOne(book, setup, form);
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        List<EntryPayload> payloads = new ArrayList<>();
        sheet.newMarks().forEach(mark -> payloads.add(new MarkAdded(mark)));
        payloads.add(new SetupBegun(setup));
        payloads.add(new OrderNoted(setup.name(), order));
        return new Outcome.Entries(payloads);
    }

    /** Takes back a setup at which nothing was booked, with a reason. */
    public Outcome remove(Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        String setup = form.text("setup");
        return form.isEmpty("reason")
                ? Outcome.message(setup + " was left as it is: to remove it needs a reason.")
                : Outcome.of(new SetupRemoved(
                        setup, occasion.decision(Decision.REMOVE_SETUP, Map.of("setup", setup), form.text("reason"))));
    }

    /** Whoever went back and began once more has two setups where one was meant: it is asked about. */
    private static void emptyOne(BookedJob book, Setup begun, Form form) {
        book.job().setups().stream()
                .filter(s -> s.station().equals(begun.station()) && s.readings().isEmpty())
                .filter(s -> !s.name().equals(begun.name()) && form.isEmpty("another"))
                .findFirst()
                .ifPresent(s -> form.fault(
                        "another",
                        Sentence.of(
                                "%s stands on %s already and holds no reading yet: go on there, or say that this is another",
                                s.name(), s.station())));
    }
}
