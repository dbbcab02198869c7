package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarkNoted;
import markturn.fieldbook.MarksAdded;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.typed.TypedPointing;

/** What is typed at the sheet of detail, as entries. */
public final class DetailEntries {
    /** Why a shot is struck out: what telescope and pole did makes them different evidence. */
    public static final List<String> REASONS =
            List.of("typed wrong, telescope untouched", "point again", "wrong point", "pole not plumb");

    private static final double FARTHEST_OFFSET = 1000;
    private static final int LONGEST_SPECIAL_NAME = 50;

    private final BookedJob book;
    private final Setup setup;
    private final Occasion occasion;

    /** Of a setup in that book. */
    public DetailEntries(BookedJob book, Setup setup, Occasion occasion) {
        this.book = book;
        this.setup = setup;
        this.occasion = occasion;
    }

    /**
     * What an act makes of what was typed.
     *
     * @param act as its address names it: {@code shot}, {@code special}, {@code strike} or {@code join}
     * @return empty where there is no such act, or no such mark
     */
    public Optional<Outcome> of(String act, Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        Choice choice = Choice.of(typed, book.job(), setup);
        return switch (act) {
            case "shot" -> Optional.of(shot(form, choice));
            case "special" -> Optional.of(special(form, choice));
            case "strike" -> Optional.of(strike(form));
            case "join" -> book.job().mark(form.text("mark")).map(mark -> join(form, mark));
            default -> Optional.empty();
        };
    }

    /** What stays on the page after an act: not the name; the line goes on, and after one that was closed another begins. */
    public static Map<String, String> next(String act, Map<String, String> typed) {
        Map<String, String> kept = new HashMap<>();
        if (Set.of("strike", "join", "second-sight").contains(act)) {
            return kept;
        }
        kept.putAll(typed);
        kept.remove("name");
        if (act.equals("special")) {
            kept.put("later", "no");
        }
        if (Joining.Act.CLOSE.key().equals(kept.remove("join"))) {
            kept.put("join", Joining.Act.BEGIN.key());
            kept.remove("line");
        }
        return kept;
    }

    private Outcome shot(Form form, Choice choice) {
        String target = form.name("name", "the name of the point");
        Optional<TypedPointing> pointing = TypedPointing.read(form, book.job().planOnly());
        Optional<Reading.Offset> offset = offset(form);
        if (pointing.isEmpty() || !form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        Reading reading = book.order(setup).asShown(reading(target, choice, pointing.get(), offset, form));
        String answered = form.text("again");
        Optional<Question> open =
                book.holds(form.text("key")) ? Optional.empty() : Question.first(book.job(), setup, reading, answered);
        return open.<Outcome>map(question -> new Outcome.Faults(question.asked(answered)))
                .orElseGet(() -> booked(choice, reading));
    }

    /** The point where it is new, and the reading. */
    public Outcome booked(Choice choice, Reading reading) {
        List<EntryPayload> payloads = new ArrayList<>();
        unknown(choice, reading.target()).ifPresent(mark -> payloads.add(new MarkAdded(mark)));
        payloads.add(occasion.booking(setup.name(), reading));
        return new Outcome.Entries(payloads);
    }

    /** The point as it would be entered; empty where the job knows it. */
    public Optional<Mark> unknown(Choice choice, String target) {
        if (book.job().mark(target).isPresent()) {
            return Optional.empty();
        }
        return Optional.of(
                choice.built()
                        ? Mark.named(target, Mark.Kind.NEW)
                        : Mark.named(target, Mark.Kind.LOCATED)
                                .withCode(choice.code())
                                .withJoining(choice.joining()));
    }

    private Reading reading(
            String target, Choice choice, TypedPointing pointing, Optional<Reading.Offset> offset, Form form) {
        return new Reading(
                target,
                choice.role(),
                OptionalInt.empty(),
                choice.face(),
                pointing.circle(),
                pointing.zenith(),
                pointing.slope(),
                pointing.severalSlopes(),
                choice.reflector(),
                pointing.height(),
                Optional.of(form.readAt(occasion.now())),
                book.practice().isPresent() ? Reading.Origin.SIMULATED : Reading.Origin.TYPED,
                Optional.empty(),
                offset,
                OptionalDouble.empty(),
                Optional.empty());
    }

    /** How the point lies to where the pole stands; a fault stays with the form. */
    public static Optional<Reading.Offset> offset(Form form) {
        double along = offset(form, "along");
        double across = offset(form, "across");
        double up = offset(form, "up-offset");
        return along == 0 && across == 0 && up == 0
                ? Optional.empty()
                : Optional.of(new Reading.Offset(along, across, up));
    }

    private static double offset(Form form, String field) {
        return form.length(field, -FARTHEST_OFFSET, FARTHEST_OFFSET, "an offset of at most 1000")
                .orElse(0);
    }

    /** Begins a special sight: the points it needs are entered, and the page leads through them. */
    private Outcome special(Form form, Choice choice) {
        Job job = book.job();
        String called =
                form.isEmpty("name") ? job.code(choice.code()).nextFree(job).orElse("") : form.text("name");
        if (called.isEmpty() || called.length() > LONGEST_SPECIAL_NAME) {
            return Outcome.message("Expected the name of the point, at most 50 characters");
        }
        List<Mark> marks = SpecialSights.begun(form.text("kind"), called, choice.code()).stream()
                .filter(mark -> !(mark.by().isEmpty() && job.mark(mark.name()).isPresent()))
                .toList();
        return Outcome.of(new MarksAdded(marks, List.of(), ""));
    }

    private Outcome strike(Form form) {
        return form.isEmpty("reason")
                ? Outcome.message("A line is struck out with a reason: choose one, or write it.")
                : Outcome.of(occasion.striking(List.of(form.text("line")), form.text("reason")));
    }

    /** Notes how a located point joins its line, or breaks it. */
    private Outcome join(Form form, Mark mark) {
        return Outcome.of(new MarkNoted(mark.withJoining(joined(form, mark)), "line"));
    }

    /** The line by its number; without one that of the mark, or a new one. A line that was closed is open again where its end lies on it. */
    private Optional<Joining> joined(Form form, Mark mark) {
        Optional<Joining.Act> act = Arrays.stream(Joining.Act.values())
                .filter(a -> a.key().equals(form.text("join")))
                .findFirst();
        String number = form.text("line");
        int line = number.matches("[1-9]\\d{0,5}")
                ? Integer.parseInt(number)
                : mark.joining().map(Joining::line).orElseGet(() -> Choice.freshLine(book.job(), mark.code()));
        return act.map(a -> new Joining(line, a));
    }
}
