package markturn.web.point;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.job.Decision;
import markturn.tripod.way.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All checks of a job in one table, and what is decided about second sights. */
@Controller
class CheckController {
    private static final int LONGEST_REASON = 2000;

    private final FieldBook fieldBook;
    private final People people;

    CheckController(FieldBook fieldBook, People people) {
        this.fieldBook = fieldBook;
        this.people = people;
    }

    @GetMapping("/job/{id}/point/checks")
    String checks(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model);
    }

    private static String page(BookedJob book, Model model) {
        JobPage.frame(model, book, WorkStep.COORDINATES);
        SurveyResult result = book.result();
        List<CheckTable.Row> rows = CheckTable.of(result.job(), result.measured(), result.judgements());
        model.addAttribute("rows", rows);
        model.addAttribute("sentence", CheckTable.sentence(rows));
        return "point/checks";
    }

    /** Keeps, means or replaces a located point that was sighted again, with a reason; the findings on it are answered by it. */
    @PostMapping("/job/{id}/point/second-sight")
    String decide(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        String mark = typed.getOrDefault("mark", "");
        String setup = typed.getOrDefault("setup", "");
        String how = typed.getOrDefault("how", "");
        String reason = typed.getOrDefault("reason", "").strip();
        book.job().setup(setup).orElseThrow(NotHere::new);
        book.job().mark(mark).orElseThrow(NotHere::new);
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            model.addAttribute(
                    "message",
                    "%s was left as it is: to keep, mean or replace needs a reason, at most 2000 characters."
                            .formatted(mark));
            return page(book, model);
        }
        Map<String, Object> on = new HashMap<>(Map.of("mark", mark, "setup", setup, "how", how));
        Decision decision = Decisions.now(people.shownName(who.getName()), Decision.SECOND_SIGHT, on, reason);
        if (Decision.SecondSight.of(decision).isEmpty()) {
            throw new NotHere();
        }
        String by = people.shownName(who.getName());
        // The decision and the answers that follow from it are one act: all of them or none.
        fieldBook.add(id, typed.get("key"), who.getName(), now -> {
            List<DecisionMade> decisions = new ArrayList<>(List.of(new DecisionMade(decision)));
            BookedJob after = fieldBook.preview(now, who.getName(), decisions.get(0));
            decisions.addAll(answers(after, now.job().trueName(mark), reason, by));
            return decisions;
        });
        return "redirect:/job/" + id
                + (typed.getOrDefault("back", "").equals("detail")
                        ? "/detail/" + NameInAddress.of(setup)
                        : "/point/checks");
    }

    private static List<DecisionMade> answers(BookedJob book, String mark, String reason, String by) {
        return book.result().findings().stream()
                .filter(f -> f.code() == FindingCode.SECOND_FIX
                        && f.target().equals(mark)
                        && f.answer().isEmpty())
                .map(finding -> {
                    Map<String, Object> on =
                            new HashMap<>(Map.of("code", finding.code().key(), "target", mark));
                    if (!finding.setup().isEmpty()) {
                        on.put("setup", finding.setup());
                    }
                    finding.value()
                            .ifPresent(v -> on.put(
                                    "value",
                                    v / finding.measure().unit(book.job().units())));
                    return new DecisionMade(Decisions.now(by, Decision.ANSWER, on, reason));
                })
                .toList();
    }
}
