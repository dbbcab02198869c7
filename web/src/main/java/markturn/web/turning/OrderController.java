package markturn.web.turning;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.OrderNoted;
import markturn.fieldbook.Refused;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What is turned at a setup, changed while it is turned: a set more, a target more, a target no longer. */
@Controller
class OrderController {
    private final FieldBook fieldBook;
    private final People people;

    OrderController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** Adds a set; with {@code target} adds that to the round; with {@code out} takes that out of it, for a {@code reason}. */
    @PostMapping("/job/{id}/turning/{name}/order")
    String order(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        book.job().setup(name).orElseThrow(NotHere::new);
        Form form = new Form(new HashMap<>(typed), book.job().units());
        try {
            // From the book when its turn comes: of six who add a set at once, six sets come.
            BookedJob longer = fieldBook.add(
                    id,
                    typed.get("key"),
                    who.getName(),
                    now -> payloads(now, now.job().setup(name).orElseThrow(NotHere::new), form, who));
            return TurningController.page(longer, name, Optional.empty(), model);
        } catch (Refused refused) {
            form.refused(refused);
        }
        model.addAttribute("message", form.faults().values().iterator().next());
        return TurningController.page(book, name, Optional.empty(), model);
    }

    private List<EntryPayload> payloads(BookedJob book, Setup setup, Form form, Principal who) {
        List<EntryPayload> payloads = !form.isEmpty("out")
                ? without(book, setup, form, people.shownName(who.getName()))
                : !form.isEmpty("target")
                        ? with(book, setup, form)
                        : List.of(ordered(setup, book.order(setup).oneSetMore()));
        if (!form.isSound()) {
            throw new Refused("", String.join(" ", form.faults().values()));
        }
        return payloads;
    }

    private static OrderNoted ordered(Setup setup, TurningOrder after) {
        return new OrderNoted(setup.name(), after);
    }

    private static List<EntryPayload> with(BookedJob book, Setup setup, Form form) {
        TurningOrder before = book.order(setup);
        String target = form.name("target", "a target");
        if (before.aim(target).isPresent() || target.equals(setup.station())) {
            form.fault("target", target + " is in the round already, or the instrument stands on it");
        }
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(target).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(target, Mark.Kind.NEW)));
        }
        payloads.add(ordered(setup, before.plus(added(form, book.job(), setup, target))));
        return payloads;
    }

    private static TurningOrder.Aim added(Form form, Job job, Setup setup, String target) {
        String reflector = TurningController.reflectors(job).contains(form.text("reflector"))
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
    private static List<EntryPayload> without(BookedJob book, Setup setup, Form form, String by) {
        String target = form.text("out");
        if (book.order(setup).aim(target).isEmpty()) {
            form.fault("out", target + " is not in the round: nothing to take out");
        }
        if (!setup.isFree() && setup.orientation().zero().equals(target)) {
            form.fault("out", target + " is the zero of every set and stays in the round");
        }
        if (form.isEmpty("reason")) {
            form.fault("reason", "A target leaves the round with a reason: write why.");
        }
        return List.of(
                ordered(setup, book.order(setup).without(target)),
                new DecisionMade(Decisions.now(
                        by,
                        Decision.LEAVE_TARGET,
                        Map.of("setup", setup.name(), "target", target),
                        form.text("reason"))));
    }
}
