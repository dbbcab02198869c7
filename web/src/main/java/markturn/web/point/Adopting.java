package markturn.web.point;

import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.CoordinatesAdopted;
import markturn.fieldbook.Refused;
import markturn.survey.finding.base.Finding;
import markturn.survey.result.Moved;
import markturn.web.fieldbook.Adoption;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Shown;
import markturn.web.people.People;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * Adopting coordinates, from whatever run, in the order it goes: stops answered, a reason given, what would move shown, and
 * then that booked which was shown. If something else was booked meanwhile, so that the run gives other coordinates, they are
 * shown first.
 */
@Component
public class Adopting {
    private final FieldBook fieldBook;
    private final People people;

    Adopting(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /**
     * Takes one step of it.
     *
     * @param typed what was posted: key, reason, and once it was shown {@code shown}
     * @param who sign-in name of who adopts
     * @return whether it is booked now; where not, the model says why, or what would move
     */
    public boolean isBooked(BookedJob book, Adoption adoption, Map<String, String> typed, String who, Model model) {
        if (book.holds(typed.getOrDefault("key", ""))) {
            return true;
        }
        String reason = typed.getOrDefault("reason", "").strip();
        if (book.result().findings().stream().anyMatch(Finding::isOpenStop)) {
            model.addAttribute(
                    "message", "A stop is open in this job: it must be answered before anything is adopted.");
            return false;
        }
        if (reason.isEmpty()) {
            model.addAttribute("message", "Adopting needs a reason: it is a decision, and stays in the record.");
            return false;
        }
        try {
            return isTaken(book, adoption, reason, typed, who, model);
        } catch (Refused refused) {
            model.addAttribute("message", refused.getMessage());
            return false;
        }
    }

    private boolean isTaken(
            BookedJob book, Adoption adoption, String reason, Map<String, String> typed, String who, Model model) {
        CoordinatesAdopted payload = adoption.payload(book, reason, who, people.shownName(who));
        String shown = adoption.shown();
        if (Shown.isStill(typed, shown)) {
            fieldBook.add(book.jobId(), typed.get("key"), who, payload);
            return true;
        }
        BookedJob after = fieldBook.preview(book, who, payload);
        model.addAttribute(
                "moved", Moved.between(book.result().measured(), after.result().measured()));
        model.addAttribute("shown", shown);
        if (Shown.isSaid(typed)) {
            model.addAttribute(
                    "message",
                    "Something was booked meanwhile that changes these coordinates. Nothing is adopted: this is what would move now.");
        }
        return false;
    }
}
