package markturn.web.point;

import java.security.Principal;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.formats.Pieces;
import markturn.survey.SurveyResult;
import markturn.survey.finding.CheckTable;
import markturn.survey.finding.Finding;
import markturn.survey.job.Decision;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NamesInAddresses;
import markturn.web.frame.NotHere;
import markturn.web.frame.Payload;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.JsonNode;

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

    private static String page(Book book, Model model) {
        JobPage.frame(model, book, "Coordinates");
        SurveyResult result = book.result();
        List<CheckTable.Row> rows = CheckTable.of(result.job(), result.measured(), result.judgements());
        model.addAttribute("rows", rows);
        model.addAttribute("sentence", CheckTable.sentence(rows));
        model.addAttribute("key", Payload.key());
        return "point/checks";
    }

    /** Keeps, means or replaces a located point that was sighted again, with a reason; the findings on it are answered by it. */
    @PostMapping("/job/{id}/point/second-sight")
    String decide(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
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
        Decision decision = decision(Decision.SECOND_SIGHT, on, reason, who);
        if (Decision.SecondSight.of(decision).isEmpty()) {
            throw new NotHere();
        }
        String key = typed.getOrDefault("key", Payload.key());
        Book longer = fieldBook.add(id, key, who.getName(), EntryKind.DECISION, written(book, decision));
        answer(longer, book.job().trueName(mark), reason, key, who);
        return "redirect:/job/" + id
                + (typed.getOrDefault("back", "").equals("detail")
                        ? "/detail/" + NamesInAddresses.of(setup)
                        : "/point/checks");
    }

    private void answer(Book book, String mark, String reason, String key, Principal who) {
        List<Finding> open = book.result().findings().stream()
                .filter(f -> f.code().equals("second-fix")
                        && f.target().equals(mark)
                        && f.answer().isEmpty())
                .toList();
        for (Finding finding : open) {
            Map<String, Object> on = new HashMap<>(Map.of("code", finding.code(), "target", mark));
            if (!finding.setup().isEmpty()) {
                on.put("setup", finding.setup());
            }
            finding.value()
                    .ifPresent(v -> on.put(
                            "value", v / finding.measure().unit(book.job().units())));
            fieldBook.add(
                    book.jobId(),
                    key + "-" + open.indexOf(finding),
                    who.getName(),
                    EntryKind.DECISION,
                    written(book, decision(Decision.ANSWER, on, reason, who)));
        }
    }

    private Decision decision(String what, Map<String, Object> on, String reason, Principal who) {
        return new Decision(
                Optional.of(Instant.now().truncatedTo(ChronoUnit.SECONDS)),
                people.shownName(who.getName()),
                what,
                on,
                reason,
                Optional.empty(),
                Optional.empty());
    }

    private static JsonNode written(Book book, Decision decision) {
        return new Pieces(book.job().units()).write(decision);
    }
}
