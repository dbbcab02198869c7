package markturn.web.detail;

import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.detail.Choice;
import markturn.tripod.detail.DetailEntries;
import markturn.tripod.detail.DetailPage;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.web.act.Acts;
import markturn.web.device.Devices;
import markturn.web.frame.NotHere;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The shot in hand, taken by the simulated station. */
@Controller
class DetailController {
    private final Acts acts;

    DetailController(Acts acts) {
        this.acts = acts;
    }

    /** Takes the shot in hand with the simulated station. */
    @PostMapping("/job/{id}/detail/{name}/measure")
    ResponseEntity<Object> measure(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam Map<String, String> typed,
            Principal who) {
        return acts.store(
                        id,
                        typed,
                        who,
                        "message",
                        (book, occasion) -> Optional.of(measured(book, name, typed, occasion)))
                .answer(longer -> acts.changed(
                        typed,
                        new DetailPage(name).view(longer, acts.occasion(who), DetailEntries.next("shot", typed))));
    }

    private static Outcome measured(BookedJob book, String name, Map<String, String> typed, Occasion occasion) {
        Setup setup = setup(book, name);
        Form form = new Form(typed, book.job().units());
        String target = form.name("name", "the name of the point");
        Choice choice = Choice.of(typed, book.job(), setup);
        Optional<MeasuredHeight> height = form.height("height", true, "the height of the target over its mark");
        Optional<Reading.Offset> offset = DetailEntries.offset(form);
        boolean bare = choice.reflector().equals(Reflector.REFLECTORLESS);
        if (height.isEmpty() && !bare && !book.job().planOnly()) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        DetailEntries entries = new DetailEntries(book, setup, occasion);
        BookedJob withMark = entries.unknown(choice, target)
                .map(mark -> Admission.preview(book, occasion.account(), occasion.now(), new MarkAdded(mark)))
                .orElse(book);
        Devices.Sight sight = new Devices.Sight(
                target, choice.role(), 0, choice.face(), choice.reflector(), height, OptionalDouble.empty());
        Reading seen =
                Devices.reading(sight, new Devices(withMark, setup(withMark, name)).shown(sight, false), book.job());
        Reading turned = "1".equals(typed.get("angleOnly")) ? seen.withSlope(OptionalDouble.empty()) : seen;
        return entries.booked(choice, offset.map(turned::withOffset).orElse(turned));
    }

    private static Setup setup(BookedJob book, String name) {
        return book.job().setup(name).orElseThrow(NotHere::new);
    }
}
