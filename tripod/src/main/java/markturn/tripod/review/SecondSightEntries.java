package markturn.tripod.review;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Decision;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is decided of a located point that was sighted again: keep the first, mean them, or replace it. */
public final class SecondSightEntries {
    private static final int LONGEST_REASON = 2000;

    private final BookedJob book;
    private final Occasion occasion;

    /** In that book. */
    public SecondSightEntries(BookedJob book, Occasion occasion) {
        this.book = book;
        this.occasion = occasion;
    }

    /**
     * The decision and the answers to findings that follow from it: one act, all of them or none.
     *
     * @param typed fields {@code mark}, {@code setup}, {@code how} and {@code reason}
     * @return empty where there is no such mark, setup or way to decide
     */
    public Optional<Outcome> decide(Map<String, String> typed) {
        Form form = new Form(typed, book.job().units());
        String mark = form.text("mark");
        String setup = form.text("setup");
        String reason = form.text("reason");
        if (book.job().setup(setup).isEmpty() || book.job().mark(mark).isEmpty()) {
            return Optional.empty();
        }
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            return Optional.of(Outcome.message(Sentence.of(
                    "%s was left as it is: to keep, mean or replace needs a reason, at most 2000 characters.", mark)));
        }
        Map<String, Object> on = new HashMap<>(Map.of("mark", mark, "setup", setup, "how", form.text("how")));
        Decision decision = occasion.decision(Decision.SECOND_SIGHT, on, reason);
        if (Decision.SecondSight.of(decision).isEmpty()) {
            return Optional.empty();
        }
        EntryPayload decided = new DecisionMade(decision);
        BookedJob after = Admission.preview(book, occasion.account(), occasion.now(), decided);
        List<EntryPayload> payloads = new ArrayList<>(List.of(decided));
        payloads.addAll(answers(after, book.job().trueName(mark), reason));
        return Optional.of(new Outcome.Entries(payloads));
    }

    private List<DecisionMade> answers(BookedJob after, String mark, String reason) {
        return after.result().findings().stream()
                .filter(f -> f.code() == FindingCode.SECOND_FIX
                        && f.target().equals(mark)
                        && f.answer().isEmpty())
                .map(finding -> answer(finding, mark, reason))
                .toList();
    }

    private DecisionMade answer(Finding finding, String mark, String reason) {
        Map<String, Object> on = new HashMap<>(Map.of("code", finding.code().key(), "target", mark));
        if (!finding.setup().isEmpty()) {
            on.put("setup", finding.setup());
        }
        if (finding.value().isPresent()) {
            double unit = finding.measure().unit(book.job().units());
            on.put("value", finding.value().getAsDouble() / unit);
        }
        return new DecisionMade(occasion.decision(Decision.ANSWER, on, reason));
    }
}
