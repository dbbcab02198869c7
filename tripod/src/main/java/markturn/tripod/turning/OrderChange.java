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
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is turned at a setup, changed while it is turned: a set more, a target more, a target no longer. */
final class OrderChange {
    private final BookedJob book;
    private final Setup setup;
    private final Occasion occasion;
    private final TurningOrder before;

    OrderChange(BookedJob book, Setup setup, Occasion occasion) {
        this.book = book;
        this.setup = setup;
        this.occasion = occasion;
        this.before = book.order(setup);
    }

    /** Adds a set; with {@code target} adds that to the round; with {@code out} takes that out of it, for a {@code reason}. */
    Outcome outcome(Form form) {
        List<EntryPayload> payloads = !form.isEmpty("out")
                ? without(form)
                : !form.isEmpty("target") ? with(form) : List.of(ordered(before.oneSetMore()));
        return form.isSound()
                ? new Outcome.Entries(payloads)
                : Outcome.message(String.join(" ", form.faults().values()));
    }

    private OrderNoted ordered(TurningOrder after) {
        return new OrderNoted(setup.name(), after);
    }

    private List<EntryPayload> with(Form form) {
        String target = form.name("target", "a target");
        if (before.aim(target).isPresent() || target.equals(setup.station())) {
            form.fault("target", target + " is in the round already, or the instrument stands on it");
        }
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(target).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(target, Mark.Kind.NEW)));
        }
        payloads.add(ordered(before.plus(added(form, target))));
        return payloads;
    }

    private TurningOrder.Aim added(Form form, String target) {
        Job job = book.job();
        String reflector = Aside.reflectors(job).contains(form.text("reflector"))
                ? form.text("reflector")
                : Reflector.REFLECTORLESS;
        boolean known = job.mark(target).flatMap(Mark::given).isPresent();
        Optional<MeasuredHeight> height = form.height("height", true, "the height of the target");
        if (height.isEmpty() && !job.planOnly()) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        Reading.Role ofKnown = setup.isFree() ? Reading.Role.BACKSIGHT : Reading.Role.CHECK;
        return new TurningOrder.Aim(target, known ? ofKnown : Reading.Role.FORESIGHT, reflector, height);
    }

    /** What was booked to the target stays and counts; it is asked for no longer. */
    private List<EntryPayload> without(Form form) {
        String target = form.text("out");
        if (before.aim(target).isEmpty()) {
            form.fault("out", target + " is not in the round: nothing to take out");
        }
        if (!setup.isFree() && setup.orientation().zero().equals(target)) {
            form.fault("out", target + " is the zero of every set and stays in the round");
        }
        if (form.isEmpty("reason")) {
            form.fault("reason", "A target leaves the round with a reason: write why.");
        }
        return List.of(
                ordered(before.without(target)),
                new DecisionMade(occasion.decision(
                        Decision.LEAVE_TARGET, Map.of("setup", setup.name(), "target", target), form.text("reason"))));
    }
}
