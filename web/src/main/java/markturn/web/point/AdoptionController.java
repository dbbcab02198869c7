package markturn.web.point;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.AdoptionWithdrawn;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Refused;
import markturn.survey.job.Decision;
import markturn.survey.show.Sentence;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.fieldbook.StandingAdoption;
import markturn.web.frame.Decisions;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Takes back what was adopted from a run: a decision like the adoption itself, which stays in the record beside it. */
@Controller
class AdoptionController {
    private final FieldBook fieldBook;
    private final People people;

    AdoptionController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** Withdraws all that stands adopted from a run; without a reason nothing is stored. */
    @PostMapping("/job/{id}/point/withdraw")
    String withdraw(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam String from,
            @RequestParam Map<String, String> typed,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "traverse") String back,
            RedirectAttributes then,
            Principal who) {
        String page = "redirect:/job/" + id + (back.equals("network") ? "/network" : "/traverse");
        if (reason.isBlank()) {
            then.addFlashAttribute("message", "Withdrawing needs a reason: it is a decision, and stays in the record.");
            return page;
        }
        AdoptionWithdrawn payload = new AdoptionWithdrawn(
                from,
                Decisions.now(people.shownName(who.getName()), Decision.WITHDRAW, Map.of("run", from), reason.strip()));
        try {
            fieldBook.add(id, key, who.getName(), now -> {
                requireSeen(now, typed, key, from);
                return List.of(payload);
            });
        } catch (Refused refused) {
            then.addFlashAttribute("message", refused.getMessage());
        }
        return page;
    }

    /** What whoever withdraws never saw is not withdrawn; sent again, it is withdrawn already. */
    private static void requireSeen(BookedJob now, Map<String, String> typed, String key, String run) {
        Optional<StandingAdoption> stands = StandingAdoption.of(now.job(), run, Map.of());
        if (!now.holds(key)
                && stands.isPresent()
                && !Shown.isStill(typed, stands.get().shown())) {
            throw new Refused(
                    "",
                    Sentence.of(
                            "What stands adopted from %s is not what this page showed: nothing was withdrawn. Below is what stands now.",
                            run));
        }
    }
}
