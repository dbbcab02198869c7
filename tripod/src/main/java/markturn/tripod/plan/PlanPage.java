package markturn.tripod.plan;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.survey.locate.PlanScale;
import markturn.survey.result.MeasuredMark;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Address;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The plan of a job, and what a plan of some scale could not show. */
public final class PlanPage implements Page {
    private static final int LARGEST_SCALE = 100_000;
    private static final int MOST_DIGITS = 6;
    private static final int USUAL_SCALE = 500;

    @Override
    public String name() {
        return "plan/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.PLAN;
    }

    @Override
    public String title() {
        return "Plan";
    }

    /** @param asked as {@code scale} the M of 1 : M, from 1 to 100 000 */
    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        Display show = new Display(book.job().units());
        String typed = asked.getOrDefault("scale", String.valueOf(USUAL_SCALE));
        Optional<PlanScale> understood = scale(typed);
        PlanScale scale = understood.orElse(new PlanScale(USUAL_SCALE));
        PlanDrawing plan = PlanDrawing.of(book, show, scale);
        String fault = Sentence.of("\"%s\": expected the M of 1 : M, from 1 to 100000", typed);
        return View.of(book.revision())
                .with("plan", plan)
                .with("none", () -> Sheet.empty().with("nothing", plan.isEmpty()))
                .with("enough", () -> plan.isEmpty() ? Sheet.empty() : enough(book, show, scale))
                .with("typed", () -> Sheet.empty().with("scale", String.valueOf(scale.scale())))
                .with("faults", () -> Sheet.empty().with("scale", understood.isPresent() ? "" : fault))
                .withPlaces("way", WorkProgress.through(book).at(step()));
    }

    private static Optional<PlanScale> scale(String typed) {
        boolean digits = !typed.isEmpty()
                && typed.length() <= MOST_DIGITS
                && typed.chars().allMatch(sign -> sign >= '0' && sign <= '9');
        return Optional.of(typed)
                .filter(text -> digits)
                .map(Integer::parseInt)
                .filter(scale -> scale >= 1 && scale <= LARGEST_SCALE)
                .map(PlanScale::new);
    }

    private static Sheet enough(BookedJob book, Display show, PlanScale scale) {
        Set<String> superfluous = scale.superfluous(book.result().measured());
        String near = superfluous.isEmpty()
                ? "No located point lies closer than that to another of its code."
                : Sentence.of(
                        "%s closer than that to another of the same code, struck through in the plan.",
                        Sentence.count(superfluous.size(), "point lies", "points lie"));
        return Sheet.empty()
                .with(
                        "words",
                        Sentence.of(
                                "The smallest feature worth a point is %s %s: 0.2 mm on paper. %s",
                                show.length(scale.smallest()), show.lengthSign(), near));
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return Optional.empty();
    }

    /** The located points for the canvas of a large plan ({@code layer}), and what is known of one of them ({@code numbers}). */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        return switch (question) {
            case "layer" -> Optional.of(PlanDrawing.layer(book));
            case "numbers" ->
                book.result()
                        .measured()
                        .mark(asked.getOrDefault("name", ""))
                        .filter(mark -> mark.position().isPresent())
                        .map(mark -> numbers(mark, book));
            default -> Optional.empty();
        };
    }

    private static Shown numbers(MeasuredMark mark, BookedJob book) {
        return () -> Sheet.empty()
                .with(
                        "numbers",
                        PlanDrawing.numbers(mark, new Display(book.job().units())))
                .with("url", Address.ofJob(book.jobId()).mark(mark.name()));
    }
}
