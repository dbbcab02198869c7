package markturn.web.job;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.Entry;
import markturn.fieldbook.JobNamed;
import markturn.fieldbook.Refused;
import markturn.survey.job.Decision;
import markturn.survey.show.Sentence;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.TypedAgain;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What a job is called, and whether it is laid away; both stand in its field book. */
@Controller
class NameController {
    private final FieldBook fieldBook;
    private final People people;

    NameController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @PostMapping("/job/{id}/name")
    String rename(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String place,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String revision,
            RedirectAttributes then,
            Principal who) {
        try {
            fieldBook.add(id, key, who.getName(), now -> {
                requireSeen(now, revision, key);
                return List.of(
                        new JobNamed(name.strip(), place.strip(), people.shownName(who.getName()), reason.strip()));
            });
        } catch (Refused refused) {
            Map<String, String> typed = Map.of("name", name, "place", place, "reason", reason);
            // Its form stands far below, where the fault would not be seen.
            return TypedAgain.on("redirect:/job/" + id + "#name", typed, refused.getMessage(), then);
        }
        return "redirect:/job/" + id;
    }

    /** A name in the place of one that whoever sends it never saw is refused. */
    private void requireSeen(BookedJob now, String revision, String key) {
        Optional<Entry> meanwhile = now.lastSince(revision, key, JobNamed.class::isInstance);
        if (meanwhile.isPresent()) {
            throw new Refused(
                    "name",
                    Sentence.of(
                            "%s named this job anew while this page was open: it is %s%s. Nothing of yours is booked: send it again if it is to be as you say",
                            people.shownName(meanwhile.get().by()),
                            now.job().name(),
                            now.job().place().isEmpty() ? "" : ", " + now.job().place()));
        }
    }

    @PostMapping("/job/{id}/archive")
    String archive(@PathVariable String id, @RequestParam String key, Principal who) {
        return decide(id, key, Decision.ARCHIVE, who);
    }

    @PostMapping("/job/{id}/bring-back")
    String bringBack(@PathVariable String id, @RequestParam String key, Principal who) {
        return decide(id, key, Decision.BRING_BACK, who);
    }

    private String decide(String id, String key, String what, Principal who) {
        fieldBook.add(
                id,
                key,
                who.getName(),
                new DecisionMade(Decisions.now(people.shownName(who.getName()), what, Map.of(), "")));
        return "redirect:/job/" + id;
    }
}
