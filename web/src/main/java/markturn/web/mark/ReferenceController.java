package markturn.web.mark;

import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import markturn.tripod.mark.ReferenceEntries;
import markturn.web.act.Acts;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A distance or a height difference between two marks that is known without the instrument. */
@Controller
class ReferenceController {
    private final Acts acts;

    ReferenceController(Acts acts) {
        this.acts = acts;
    }

    /** Enters a pair; what is at fault is said at the top of the page, and nothing is stored. */
    @PostMapping("/job/{id}/mark/reference")
    String enter(
            @PathVariable String id, @RequestParam Map<String, String> typed, RedirectAttributes then, Principal who) {
        Acts.Booked booked = acts.store(
                id, typed, who, "message", (book, occasion) -> Optional.of(new ReferenceEntries(book).enter(typed)));
        if (booked.book().isEmpty()) {
            then.addFlashAttribute("message", String.join(" ", booked.faults().values()));
        }
        return "redirect:/job/" + id + "/mark";
    }
}
