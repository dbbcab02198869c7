package markturn.web.plan;

import java.security.Principal;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.survey.locate.PlanScale;
import markturn.survey.result.MeasuredMark;
import markturn.survey.show.Display;
import markturn.tripod.view.NameInAddress;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

@Controller
class PlanController {
    private static final int LARGEST_SCALE = 100_000;
    private static final int USUAL_SCALE = 500;

    private final FieldBook fieldBook;

    PlanController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** The plan; what a plan of that scale (1 to 100 000) could not show is marked. */
    @GetMapping("/job/{id}/plan")
    String plan(
            @PathVariable String id,
            @RequestParam(defaultValue = "" + USUAL_SCALE) String scale,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.PLAN);
        Display show = new Display(book.job().units());
        boolean understood =
                scale.matches("\\d{1,6}") && Integer.parseInt(scale) >= 1 && Integer.parseInt(scale) <= LARGEST_SCALE;
        PlanScale of = new PlanScale(understood ? Integer.parseInt(scale) : USUAL_SCALE);
        model.addAttribute("plan", PlanDrawing.of(book, show, of));
        model.addAttribute("planScale", of);
        model.addAttribute("smallest", show.length(of.smallest()));
        model.addAttribute("superfluous", of.superfluous(book.result().measured()));
        if (!understood) {
            model.addAttribute("fault", "\"%s\": expected the M of 1 : M, from 1 to 100000".formatted(scale));
        }
        return "plan/plan";
    }

    /** The located points for the canvas of a large plan. */
    @GetMapping("/job/{id}/plan/layer")
    @ResponseBody
    Layer layer(@PathVariable String id, Principal who) {
        return PlanDrawing.layer(fieldBook.book(id, who.getName()));
    }

    /** What is known of one point of the canvas. */
    @GetMapping("/job/{id}/plan/numbers")
    @ResponseBody
    Map<String, String> numbers(@PathVariable String id, @RequestParam String name, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        MeasuredMark mark = book.result()
                .measured()
                .mark(name)
                .filter(m -> m.position().isPresent())
                .orElseThrow(NotHere::new);
        return Map.of(
                "numbers",
                PlanDrawing.numbers(mark, new Display(book.job().units())),
                "url",
                "/job/" + id + "/point/" + NameInAddress.of(name));
    }
}
