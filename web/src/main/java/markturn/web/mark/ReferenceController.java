package markturn.web.mark;

import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.ReferenceNoted;
import markturn.fieldbook.Refused;
import markturn.survey.job.Circle;
import markturn.survey.job.ReferencePair;
import markturn.tripod.typed.Form;
import markturn.web.fieldbook.FieldBook;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A distance or a height difference between two marks that is known without the instrument. */
@Controller
class ReferenceController {
    private static final double LONGEST = 1e5;

    private final FieldBook fieldBook;

    ReferenceController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** Enters a pair; what is at fault is said at the top of the page, and nothing is stored. */
    @PostMapping("/job/{id}/mark/reference")
    String enter(
            @PathVariable String id, @RequestParam Map<String, String> typed, RedirectAttributes then, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        OptionalDouble distance = form.length("reference-distance", 0, LONGEST, "a horizontal distance above 0");
        OptionalDouble rise = form.length("reference-rise", -LONGEST, LONGEST, "a height difference");
        double stdDev = deviation(form, distance, "reference-stdDev");
        double riseStdDev = deviation(form, rise, "reference-riseStdDev");
        Optional<Circle> azimuth = form.azimuth("reference-azimuth");
        OptionalDouble azimuthStdDev =
                form.number("reference-azimuthStdDev", 0.01, 10_000, "a standard deviation, above 0");
        if (azimuth.isPresent() && azimuthStdDev.isEmpty()) {
            form.fault("reference-azimuthStdDev", "Empty: expected how good the azimuth is");
        }
        if (distance.isEmpty() && rise.isEmpty() && azimuth.isEmpty()) {
            form.fault("reference-distance", "Expected a distance, a height difference or an azimuth");
        }
        if (form.isSound()) {
            ReferencePair pair = new ReferencePair(
                    form.text("reference-from"),
                    form.text("reference-to"),
                    distance,
                    stdDev,
                    rise,
                    riseStdDev,
                    form.text("how"),
                    azimuth,
                    azimuthStdDev.orElse(0) * book.job().units().angle().small());
            try {
                fieldBook.add(id, typed.get("key"), who.getName(), new ReferenceNoted(pair));
                return "redirect:/job/" + id + "/mark";
            } catch (Refused refused) {
                form.refused(refused);
            }
        }
        then.addFlashAttribute("message", String.join(" ", form.faults().values()));
        return "redirect:/job/" + id + "/mark";
    }

    private static double deviation(Form form, OptionalDouble of, String field) {
        OptionalDouble typed = form.number(field, 0, 1000, "millimetres, above 0");
        if (of.isPresent() && typed.orElse(0) == 0) {
            form.fault(field, "Empty: expected how good it is, in millimetres");
        }
        return typed.orElse(0) / 1000;
    }
}
