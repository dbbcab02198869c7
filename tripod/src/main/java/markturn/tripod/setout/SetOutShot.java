package markturn.tripod.setout;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.typed.TypedPointing;

/** The shot at a pole that stands where something is set out: one located point by a name of its own, and its reading. */
public final class SetOutShot {
    private SetOutShot() {}

    /** What it books: its point and its reading. */
    public static Outcome read(Form form, BookedJob book, Setup setup, Occasion occasion) {
        Job job = book.job();
        String name = form.name("name", "a name for what was sighted");
        if (job.mark(name).isPresent() && !book.holds(form.text("key"))) {
            form.fault("name", name + " is in this job already: expected a name of its own for what was set out");
        }
        Optional<TypedPointing> typed = TypedPointing.read(form, job.planOnly());
        if (typed.isPresent() && typed.get().slope().isEmpty()) {
            form.fault("slope", "Empty: without a distance nothing can be compared");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        Reading reading = book.order(setup).asShown(reading(form, typed.orElseThrow(), name, book, occasion.now()));
        return Outcome.of(new MarkAdded(Mark.named(name, Mark.Kind.LOCATED)), occasion.booking(setup.name(), reading));
    }

    private static Reading reading(Form form, TypedPointing typed, String name, BookedJob book, Instant now) {
        return new Reading(
                name,
                Reading.Role.DETAIL,
                OptionalInt.empty(),
                form.text("face").equals("right") ? Reading.Face.RIGHT : Reading.Face.LEFT,
                typed.circle(),
                typed.zenith(),
                typed.slope(),
                typed.severalSlopes(),
                typed.reflector(),
                typed.height(),
                Optional.of(form.readAt(now)),
                book.practice().isPresent() ? Reading.Origin.SIMULATED : Reading.Origin.TYPED,
                Optional.empty(),
                Optional.empty(),
                OptionalDouble.empty(),
                Optional.empty());
    }
}
