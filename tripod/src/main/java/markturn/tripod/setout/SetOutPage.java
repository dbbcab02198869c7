package markturn.tripod.setout;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkStep;

/** Setting out: what is asked stands in the address, and the answer follows from the job; a shot at the pole is a located point. */
public final class SetOutPage implements Page {
    @Override
    public String name() {
        return "setout/page";
    }

    @Override
    public WorkStep step() {
        return WorkStep.SET_OUT;
    }

    @Override
    public String title() {
        return "Set out";
    }

    @Override
    public View view(BookedJob book, Occasion occasion, Map<String, String> asked) {
        return new SetOutSheet(
                        book,
                        setup(book, asked),
                        asked,
                        new Form(asked, book.job().units()))
                .view();
    }

    @Override
    public Optional<Outcome> act(BookedJob book, Occasion occasion, String act, Map<String, String> typed) {
        return act.equals("shot")
                ? Optional.of(SetOutShot.read(new Form(typed, book.job().units()), book, setup(book, typed), occasion))
                : Optional.empty();
    }

    @Override
    public String unnamed(String act) {
        return "circle";
    }

    /** What the pole that was just sighted still has to move. */
    @Override
    public View after(BookedJob before, BookedJob longer, Occasion occasion, String act, Map<String, String> typed) {
        Map<String, String> asked = new HashMap<>(typed);
        asked.put("found", typed.getOrDefault("name", ""));
        asked.remove("name");
        return view(longer, occasion, asked)
                .standingAt(SetOutSheet.address(longer.jobId(), asked, Map.of("found", asked.get("found"))));
    }

    /** The marks that have a place: what can be set out, or has been found ({@code offered}). */
    @Override
    public Optional<Shown> answer(BookedJob book, Occasion occasion, String question, Map<String, String> asked) {
        List<String> names = book.result().measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .map(MeasuredMark::name)
                .toList();
        return question.equals("offered")
                ? Optional.of(() -> Sheet.empty().withWords("names", names))
                : Optional.empty();
    }

    /** The one that is named; else the last. */
    private static Setup setup(BookedJob book, Map<String, String> asked) {
        List<Setup> setups = book.job().setups();
        return book.job().setup(asked.getOrDefault("setup", "")).orElseGet(() -> setups.get(setups.size() - 1));
    }
}
