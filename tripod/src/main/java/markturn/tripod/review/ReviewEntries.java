package markturn.tripod.review;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.MarksLeftOut;
import markturn.survey.finding.base.Basis;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is decided at the review of a setup, as entries. */
public final class ReviewEntries {
    private static final int LONGEST_REASON = 2000;

    private final BookedJob book;
    private final Job job;
    private final Occasion occasion;

    /** In that book. */
    public ReviewEntries(BookedJob book, Occasion occasion) {
        this.book = book;
        this.job = book.job();
        this.occasion = occasion;
    }

    /** Accepts a setup as it was looked at; whoever observed it is noted to have reviewed their own work. */
    public Outcome accept(Setup setup, Map<String, String> typed) {
        if (book.holds(typed.getOrDefault("key", ""))) {
            return accepted(setup);
        }
        Optional<String> changed = changedSince(setup, typed.getOrDefault("basis", ""));
        if (changed.isPresent()) {
            return Outcome.message(Sentence.of(
                    "Not accepted: since this page was drawn, %s changed. Look at it as it is now, then accept it.",
                    changed.get()));
        }
        return book.result().findingsOf(setup.name()).stream().anyMatch(Finding::isOpenStop)
                ? Outcome.message("A stop is open: re-observe, strike out, or accept the finding with a reason first.")
                : accepted(setup);
    }

    private Outcome accepted(Setup setup) {
        boolean own = book.observers(setup.name()).contains(occasion.account());
        return Outcome.of(new DecisionMade(occasion.decision(
                Decision.ACCEPT,
                Proof.stateOf(job, setup),
                "",
                Optional.empty(),
                own ? Optional.of(Decision.SELF_REVIEWED) : Optional.empty())));
    }

    /** What of a setup is otherwise than on the page that was looked at; empty where nothing is. */
    private Optional<String> changedSince(Setup setup, String onThePage) {
        return Basis.read(onThePage)
                .map(then -> then.changed(Basis.of(job, setup)))
                .or(() -> Optional.of("something"))
                .filter(changed -> !changed.isEmpty());
    }

    /** Opens an accepted setup again. */
    public Outcome reopen(String setup) {
        return Outcome.of(new DecisionMade(occasion.decision(Decision.REOPEN, Map.of("setup", setup), "")));
    }

    /** Answers a finding with a reason: one that stands, with the value that was shown. */
    public Outcome answer(Map<String, String> typed) {
        Form form = new Form(typed, job.units());
        String reason = form.text("reason");
        if (reason.isEmpty() || reason.length() > LONGEST_REASON) {
            return Outcome.message("An answer needs a reason, at most 2000 characters.");
        }
        if (!isKnown(form) && !book.holds(form.text("key"))) {
            return Outcome.message("That finding is not known any more: look at the list as it is now.");
        }
        Map<String, Object> on = new HashMap<>(Map.of("code", form.text("code")));
        for (String field : List.of("setup", "target")) {
            if (!form.isEmpty(field)) {
                on.put(field, form.text(field));
            }
        }
        if (!form.isEmpty("value")) {
            on.put("value", Double.parseDouble(form.text("value")));
        }
        job.setup(form.text("setup"))
                .ifPresent(setup -> on.put(
                        Basis.KEY, Basis.of(job, setup, form.text("target")).text()));
        return Outcome.of(new DecisionMade(occasion.decision(Decision.ANSWER, on, reason)));
    }

    private boolean isKnown(Form form) {
        return book.result().findings().stream()
                .anyMatch(finding -> finding.code().key().equals(form.text("code"))
                        && finding.setup().equals(form.text("setup"))
                        && finding.target().equals(form.text("target"))
                        && shownValue(finding, job).equals(form.text("value")));
    }

    /** The value by which an answer knows a finding again, in the units of the job; empty where it has none. */
    public static String shownValue(Finding finding, Job job) {
        return finding.value().isPresent()
                ? "" + finding.value().getAsDouble() / finding.measure().unit(job.units())
                : "";
    }

    /** Leaves marks, or parts of them, out of what orients or fixes a setup, with a reason. */
    public Outcome leaveOut(Setup setup, Setup.ByResection by, String reason) {
        return reason.isBlank()
                ? Outcome.message("What is left out needs a reason: it stays in the record.")
                : Outcome.of(new MarksLeftOut(
                        setup.name(),
                        by,
                        occasion.by(),
                        reason,
                        Basis.of(job, setup).without("setting-up").text()));
    }
}
