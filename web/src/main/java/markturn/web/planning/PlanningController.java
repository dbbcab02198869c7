package markturn.web.planning;

import java.io.IOException;
import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Refused;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.formats.FaultyFile;
import markturn.formats.GroundFiles;
import markturn.formats.JsonTrees;
import markturn.survey.plan.Ground;
import markturn.survey.plan.WorkPlan;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The page of planning. It computes nothing: the page tries plans by the core it carries, here they are kept. */
@Controller
class PlanningController {
    private final FieldBook fieldBook;

    private final PlanPictures pictures;

    PlanningController(FieldBook fieldBook, PlanPictures pictures) {
        this.fieldBook = fieldBook;
        this.pictures = pictures;
    }

    @GetMapping("/job/{id}/planning")
    String page(@PathVariable String id, Model model, Principal who) {
        JobPage.frame(model, fieldBook.book(id, who.getName()), WorkStep.PLANNING);
        return "planning/page";
    }

    /** What the page begins with. */
    @GetMapping("/job/{id}/planning/state")
    ResponseEntity<String> state(@PathVariable String id, Principal who) {
        return json(
                PlanningState.of(fieldBook.book(id, who.getName()), pictures.findFirstByJobIdOrderByNumberDesc(id)));
    }

    /** Keeps ground and plan. */
    @PostMapping("/job/{id}/planning/keep")
    ResponseEntity<String> keep(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        return booked(id, typed, who, false);
    }

    /** Keeps them, and makes the plan's setups those that are to be made. */
    @PostMapping("/job/{id}/planning/take")
    ResponseEntity<String> take(@PathVariable String id, @RequestParam Map<String, String> typed, Principal who) {
        return booked(id, typed, who, true);
    }

    private ResponseEntity<String> booked(String id, Map<String, String> typed, Principal who, boolean take) {
        BookedJob book = fieldBook.book(id, who.getName());
        PlanSent sent;
        try {
            sent = PlanSent.read(typed, book.job().units(), take);
        } catch (FaultyFile unreadable) {
            return fault("This is no plan: " + unreadable.faults().get(0).line());
        }
        try {
            BookedJob after = fieldBook.add(id, typed.getOrDefault("key", ""), who.getName(), sent::payloads);
            Fields answer = new Fields()
                    .put("message", "Kept: " + sent.plan().name() + ".")
                    .put("of", sent.plan().name())
                    .put("revision", "" + after.revision());
            return json(take ? answer.put("leave", "/job/" + id + "/setup") : answer);
        } catch (PlanSent.KeptMeanwhile others) {
            return refused(new Fields()
                    .put("message", others.getMessage())
                    .put("of", sent.plan().name())
                    .put("revision", "" + others.revision()));
        } catch (Refused refused) {
            return fault(refused.getMessage());
        }
    }

    /** Reads obstacles of a file; nothing is stored before the page keeps them. */
    @PostMapping("/job/{id}/planning/ground")
    ResponseEntity<String> ground(@PathVariable String id, @RequestParam MultipartFile file, Principal who)
            throws IOException {
        BookedJob book = fieldBook.book(id, who.getName());
        try {
            Ground read = GroundFiles.read(file.getBytes(), book.job().units());
            return json(PlanTree.ground(read, new JobWriter(book.job().units())));
        } catch (GroundFiles.NotGround wrong) {
            return fault(wrong.getMessage());
        }
    }

    /** A plan on one page. */
    @GetMapping("/job/{id}/planning/sheet")
    String sheet(@PathVariable String id, @RequestParam(defaultValue = "") String plan, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.PLANNING);
        Optional<WorkPlan> asked =
                book.plans().stream().filter(p -> p.name().equals(plan)).findFirst();
        model.addAttribute("sheet", PlanSheet.of(book, asked.orElseThrow(NotHere::new)));
        return "planning/sheet";
    }

    private static ResponseEntity<String> fault(String sentence) {
        return refused(new Fields().put("message", sentence));
    }

    private static ResponseEntity<String> refused(Fields said) {
        return ResponseEntity.unprocessableContent()
                .contentType(MediaType.APPLICATION_JSON)
                .body(JsonTrees.line(said));
    }

    private static ResponseEntity<String> json(Tree tree) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(JsonTrees.line(tree));
    }
}
