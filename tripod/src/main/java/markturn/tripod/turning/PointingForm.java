package markturn.tripod.turning;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.turning.PointingOrder;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.TypedPointing;

/** A pointing as it was typed: what is at fault stays with its field. */
final class PointingForm {
    private PointingForm() {}

    /** The pointing; empty where a field is at fault, which the form then says. */
    static Optional<Reading> read(Form form, BookedJob book, Setup setup, Instant now) {
        Job job = book.job();
        String target = form.name("target", "the name of the target");
        Optional<TypedPointing> typed = TypedPointing.read(form, job.planOnly());
        int set = (int) form.number("set", 0, PointingOrder.MOST_SETS, "a set from 1 to 99")
                .orElse(0);
        if (!form.isSound() || typed.isEmpty()) {
            return Optional.empty();
        }
        TypedPointing pointing = typed.get();
        Reading.Role role = Aside.role(form.text("role")).orElse(Reading.Role.DETAIL);
        Reading.Face face = Aside.face(form);
        boolean closing = set == 0 && role == Reading.Role.CHECK;
        return Optional.of(new Reading(
                target,
                role,
                closing
                        ? ClosingCircle.of(
                                job, book.result().measured().setup(setup.name()), target, face, pointing.circle())
                        : set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                face,
                pointing.circle(),
                pointing.zenith(),
                pointing.slope(),
                pointing.severalSlopes(),
                pointing.reflector(),
                pointing.height(),
                Optional.of(form.readAt(now)),
                book.practice().isPresent() ? Reading.Origin.SIMULATED : Reading.Origin.TYPED,
                Optional.empty(),
                Optional.empty(),
                book.order(setup)
                        .aim(target)
                        .map(TurningOrder.Aim::centringStdDev)
                        .orElse(OptionalDouble.empty()),
                Optional.empty()));
    }

    /** A located point; its code is its name without the running number. */
    static Mark located(String name) {
        return Mark.named(name, Mark.Kind.LOCATED).withCode(Aside.code(name));
    }
}
