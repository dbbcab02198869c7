package markturn.web.job;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Refused;
import markturn.survey.job.Decision;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Member;
import markturn.web.fieldbook.Members;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.people.People;
import markturn.web.people.Person;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who may see a job: a surveyor of it lets people in and takes them out, at any time. */
@Controller
class MemberController {
    private static final String READER = "reader";
    private static final String SURVEYOR = "surveyor";
    private static final String REVIEWER = "reviewer";
    private static final String BOTH = "surveyor and reviewer";
    /** What somebody can be in a job. */
    static final List<String> PARTS = List.of(READER, SURVEYOR, REVIEWER, BOTH);

    private final FieldBook fieldBook;
    private final Members members;
    private final People people;

    MemberController(FieldBook fieldBook, Members members, People people) {
        this.fieldBook = fieldBook;
        this.members = members;
        this.people = people;
    }

    /** One member, as the page shows them. */
    record Row(String signInName, String shownName, String part) {}

    @GetMapping("/job/{id}/member")
    String page(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.JOB);
        List<Row> rows = members.of(id).stream()
                .map(m -> new Row(m.signInName(), people.shownName(m.signInName()), part(m)))
                .toList();
        Set<String> names = rows.stream().map(Row::signInName).collect(Collectors.toSet());
        model.addAttribute("members", rows);
        model.addAttribute(
                "others",
                people.all().stream()
                        .filter(p -> !p.isDisabled() && !names.contains(p.signInName()))
                        .toList());
        model.addAttribute("ways", PARTS);
        model.addAttribute("self", who.getName());
        return "job/member";
    }

    private static String part(Member member) {
        if (member.isSurveyor()) {
            return member.isReviewer() ? BOTH : SURVEYOR;
        }
        return member.isReviewer() ? REVIEWER : READER;
    }

    /** Lets somebody in, or gives a member another part. */
    @PostMapping("/job/{id}/member")
    String letIn(
            @PathVariable String id,
            @RequestParam String person,
            @RequestParam String part,
            @RequestParam String key,
            RedirectAttributes then,
            Principal who) {
        Optional<Person> found = people.all().stream()
                .filter(p -> p.signInName().equals(person) && !p.isDisabled())
                .findFirst();
        if (found.isEmpty() || !PARTS.contains(part)) {
            then.addFlashAttribute("fault", "Choose somebody of the office, and what they are in this job");
            return there(id);
        }
        Decision noted = noted(who, Decision.LET_IN, person, part);
        try {
            members.letIn(
                    id,
                    key,
                    who.getName(),
                    person,
                    part.equals(SURVEYOR) || part.equals(BOTH),
                    part.equals(REVIEWER) || part.equals(BOTH),
                    noted);
        } catch (Refused refused) {
            then.addFlashAttribute("fault", refused.getMessage());
        }
        return there(id);
    }

    @PostMapping("/job/{id}/member/{name}/out")
    String takeOut(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String key,
            RedirectAttributes then,
            Principal who) {
        try {
            members.takeOut(id, key, who.getName(), name, noted(who, Decision.TAKE_OUT, name, "no member any more"));
        } catch (Refused refused) {
            then.addFlashAttribute("fault", refused.getMessage());
        }
        return name.equals(who.getName()) && members.member(id, name).isEmpty() ? "redirect:/job" : there(id);
    }

    private Decision noted(Principal who, String what, String person, String part) {
        return Decisions.now(
                people.shownName(who.getName()),
                what,
                Map.of("person", person, "how", people.shownName(person) + ", " + part),
                "");
    }

    private static String there(String id) {
        return "redirect:/job/" + id + "/member";
    }
}
