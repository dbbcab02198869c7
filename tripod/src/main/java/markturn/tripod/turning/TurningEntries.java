package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.PenTaken;
import markturn.fieldbook.WorkInterrupted;
import markturn.survey.finding.backsight.DoubtfulShots;
import markturn.survey.job.Decision;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is typed at the sheet of a setup, as entries. */
public final class TurningEntries {
    /** Why a line is struck out: what the telescope did makes them different evidence. */
    public static final List<String> REASONS = List.of(
            "typed wrong, telescope untouched", "point again", "wrong target sighted", "disturbed while reading");

    private static final String WITHOUT_REASON = "A line is struck out with a reason: choose one, or write it.";

    private final BookedJob book;
    private final Setup setup;
    private final Occasion occasion;

    /** Of a setup in that book. */
    public TurningEntries(BookedJob book, Setup setup, Occasion occasion) {
        this.book = book;
        this.setup = setup;
        this.occasion = occasion;
    }

    /**
     * What an act makes of what was typed.
     *
     * @param act as its address names it: {@code reading}, {@code strike}, {@code restore}, {@code order}, {@code break},
     *     {@code close-half}, {@code pen} or {@code drift}
     * @return empty where there is no such act, or where it cannot be done as the setup stands
     */
    public Optional<Outcome> of(String act, Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        return switch (act) {
            case "reading" -> Optional.of(pointing(form));
            case "strike" -> Optional.of(strike(form));
            case "restore" -> Optional.of(Outcome.of(occasion.restoring(List.of(form.text("line")))));
            case "order" -> Optional.of(new OrderChange(book, setup, occasion).outcome(form));
            case "break" ->
                Optional.of(Outcome.of(
                        new WorkInterrupted(setup.name(), form.isEmpty("reason") ? "pause" : form.text("reason"))));
            case "close-half" -> book.holds(form.text("key")) ? Optional.of(Outcome.done()) : closeHalf();
            case "pen" -> occasion.device().map(device -> Outcome.of(new PenTaken(setup.name(), device)));
            case "drift" -> Optional.of(drift(form));
            default -> Optional.empty();
        };
    }

    /** One pointing, and where its mark is new the mark. */
    private Outcome pointing(Form form) {
        Optional<Reading> reading =
                PointingForm.read(form, book, setup, occasion.now()).map(book.order(setup)::asShown);
        return reading.map(this::booked).orElseGet(() -> new Outcome.Faults(form.faults()));
    }

    private Outcome booked(Reading reading) {
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(reading.target()).isEmpty()) {
            if (reading.role() != Reading.Role.DETAIL) {
                return new Outcome.Faults(Map.of("target", "There is no mark " + reading.target() + " in this job"));
            }
            payloads.add(new MarkAdded(PointingForm.located(reading.target())));
        }
        payloads.add(occasion.booking(setup.name(), reading));
        return new Outcome.Entries(payloads);
    }

    /** A line, or every standing line of a set. */
    private Outcome strike(Form form) {
        String chosen = form.text("reason");
        String reason = chosen.isEmpty() || chosen.equals("other") ? form.text("other") : chosen;
        if (reason.isEmpty()) {
            return Outcome.message(WITHOUT_REASON);
        }
        List<String> lines = form.isEmpty("set") ? List.of(form.text("line")) : standing(0, form.text("set"));
        return Outcome.of(occasion.striking(lines, reason));
    }

    /** The keys of the standing lines of a set, from a place on. */
    private List<String> standing(int from, String set) {
        List<String> keys = new ArrayList<>();
        for (int place = from; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            if (reading.stands()
                    && reading.set().isPresent()
                    && String.valueOf(reading.set().getAsInt()).equals(set)) {
                keys.add(book.keyOf(setup.name(), place));
            }
        }
        return keys;
    }

    /** Closes the half-set that a break spoiled: what the moved circle read is struck out, and another set is turned. */
    private Optional<Outcome> closeHalf() {
        var set = new Interruption(book, setup).set();
        var broken = book.lastBreak(setup.name());
        if (set.isEmpty() || broken.isEmpty()) {
            return Optional.empty();
        }
        List<String> moved = standing(broken.getAsInt(), String.valueOf(set.getAsInt()));
        List<EntryPayload> payloads = new ArrayList<>();
        if (!moved.isEmpty()) {
            payloads.add(occasion.striking(moved, "the circle had moved in the break"));
        }
        payloads.add(new OrderNoted(setup.name(), book.order(setup).closing(set.getAsInt())));
        return Optional.of(new Outcome.Entries(payloads));
    }

    /** What to do with the shots that a drift made doubtful: correct them by time, or strike them out. */
    private Outcome drift(Form form) {
        String reason = form.text("reason");
        if (reason.isEmpty()) {
            return Outcome.message("That needs a reason: what moved, as far as can be seen.");
        }
        if (!form.text("how").equals("strike")) {
            return Outcome.of(
                    new DecisionMade(occasion.decision(Decision.CORRECT_DRIFT, Map.of("setup", setup.name()), reason)));
        }
        List<String> lines = DoubtfulShots.places(book.result().measured().setup(setup.name())).stream()
                .map(place -> book.keyOf(setup.name(), place))
                .toList();
        return Outcome.of(occasion.striking(lines, "drift: " + reason));
    }
}
