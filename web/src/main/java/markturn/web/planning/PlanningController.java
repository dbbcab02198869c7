package markturn.web.planning;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.GroundDrawn;
import markturn.fieldbook.PlanKept;
import markturn.fieldbook.Refused;
import markturn.fieldbook.SetupsPlanned;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.formats.FaultyFile;
import markturn.formats.GroundFiles;
import markturn.formats.JsonTrees;
import markturn.survey.plan.Ground;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkOrder;
import markturn.survey.plan.WorkPlan;
import markturn.tripod.planning.Planning;
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
    ResponseEntity<String> keep(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam String ground,
            @RequestParam String plan,
            Principal who) {
        return booked(id, key, who, ground, plan, false);
    }

    /** Keeps them, and makes the plan's setups those that are to be made. */
    @PostMapping("/job/{id}/planning/take")
    ResponseEntity<String> take(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam String ground,
            @RequestParam String plan,
            Principal who) {
        return booked(id, key, who, ground, plan, true);
    }

    private ResponseEntity<String> booked(
            String id, String key, Principal who, String ground, String plan, boolean take) {
        BookedJob book = fieldBook.book(id, who.getName());
        Ground drawn;
        WorkPlan kept;
        try {
            drawn = PlanTree.ground(element(book, ground));
            kept = PlanTree.plan(element(book, plan));
        } catch (FaultyFile unreadable) {
            return fault("This is no plan: " + unreadable.faults().get(0).line());
        }
        List<EntryPayload> payloads = new ArrayList<>();
        if (!drawn.equals(book.ground())) {
            payloads.add(new GroundDrawn(drawn));
        }
        if (!book.plans().contains(kept)) {
            payloads.add(new PlanKept(kept));
        }
        try {
            if (take) {
                payloads.add(new SetupsPlanned(toBeMade(book, kept)));
            }
            if (!payloads.isEmpty()) {
                fieldBook.add(id, key, who.getName(), payloads);
            }
        } catch (Refused refused) {
            return fault(refused.getMessage());
        }
        Fields answer = new Fields().put("message", "Kept: " + kept.name() + ".");
        return json(take ? answer.put("leave", "/job/" + id + "/setup") : answer);
    }

    /** Only what can stand at the tripod: each with a name of its own, on a mark or free, with something to sight. */
    private static List<PlannedSetup> toBeMade(BookedJob book, WorkPlan plan) {
        Set<String> names = new LinkedHashSet<>();
        if (plan.setups().isEmpty()) {
            throw new Refused("plan", "No setup is planned yet: put one on the plan first");
        }
        for (PlannedSetup setup : plan.setups()) {
            if (!names.add(setup.name())) {
                throw new Refused("plan", "Two setups are called " + setup.name() + ": give one another name");
            }
            if (setup.aims().isEmpty()) {
                throw new Refused("plan", setup.name() + " sights nothing: tick its targets, or leave it out");
            }
            if (book.job().setup(setup.name()).isPresent()) {
                throw new Refused("plan", setup.name() + " stands in this job already: give it another name");
            }
        }
        Site site = Planning.site(book);
        // Nobody is sent to point at a wall.
        List<PlannedSetup> seeing =
                plan.setups().stream().map(setup -> site.seeing(plan, setup)).toList();
        WorkOrder order = WorkOrder.of(site.control(), seeing);
        if (!order.stuck().isEmpty()) {
            PlannedSetup stuck = order.stuck().get(0);
            throw new Refused(
                    "plan",
                    "%s cannot be turned in: by then too few of the marks it sees would be known. Sight %s, or find its targets from another setup first"
                            .formatted(stuck.name(), stuck.isFree() ? "two known marks" : "a known mark"));
        }
        return order.setups();
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
        return ResponseEntity.unprocessableContent()
                .contentType(MediaType.APPLICATION_JSON)
                .body(JsonTrees.line(new Fields().put("message", sentence)));
    }

    private static Element element(BookedJob book, String text) throws FaultyFile {
        Tree tree = JsonTrees.foreign(text.getBytes(StandardCharsets.UTF_8));
        return new Element(tree, "$", book.job().units(), new ArrayList<>());
    }

    private static ResponseEntity<String> json(Tree tree) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(JsonTrees.line(tree));
    }
}
