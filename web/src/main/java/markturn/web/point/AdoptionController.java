package markturn.web.point;

import java.security.Principal;
import java.util.Map;
import markturn.formats.Pieces;
import markturn.survey.job.Decision;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.frame.Payload;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

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
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "traverse") String back,
            RedirectAttributes then,
            Principal who) {
        String page = "redirect:/job/" + id + (back.equals("network") ? "/network" : "/traverse");
        if (reason.isBlank()) {
            then.addFlashAttribute("message", "Withdrawing needs a reason: it is a decision, and stays in the record.");
            return page;
        }
        Book book = fieldBook.book(id, who.getName());
        ObjectNode payload = JsonNodeFactory.instance.objectNode().put("from", from);
        payload.set(
                "decision",
                Payload.decision(
                        new Pieces(book.job().units()),
                        people.shownName(who.getName()),
                        Decision.WITHDRAW,
                        Map.of("run", from),
                        reason.strip(),
                        "",
                        ""));
        try {
            fieldBook.add(id, key, who.getName(), EntryKind.WITHDRAW, payload);
        } catch (Refused refused) {
            then.addFlashAttribute("message", refused.getMessage());
        }
        return page;
    }
}
