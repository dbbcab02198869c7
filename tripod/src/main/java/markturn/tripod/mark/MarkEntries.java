package markturn.tripod.mark;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.ControlCorrected;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.MarkNoted;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** What is typed at the sheet of control marks, as entries: marks entered, corrected, and how they were found on the ground. */
public final class MarkEntries {
    /** How many marks the sheet takes at once. */
    public static final int ROWS = 6;

    private final BookedJob book;
    private final Job job;
    private final Occasion occasion;

    /** In that book. */
    public MarkEntries(BookedJob book, Occasion occasion) {
        this.book = book;
        this.job = book.job();
        this.occasion = occasion;
    }

    /** Enters the marks of all rows in which something is typed; a doubt is asked about once. */
    public Outcome enter(Map<String, String> typed) {
        if (book.holds(typed.getOrDefault("key", ""))) {
            return Outcome.done();
        }
        Form form = new Form(typed, job.units());
        List<Mark> marks = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (int row = 0; row < ROWS; row++) {
            if (!MarkForm.isBlank(form, row)) {
                Mark mark = MarkForm.read(form, row);
                if (!names.add(mark.name()) || job.mark(mark.name()).isPresent()) {
                    form.fault("name-" + row, mark.name() + " is in this job already: a name stands for one mark");
                }
                if (form.isEmpty("meant-" + row)) {
                    Optional<String> doubt = MarkDoubts.words(job.plusMarks(marks), mark);
                    if (doubt.isPresent()) {
                        form.fault("meant-" + row, doubt.get());
                    }
                }
                marks.add(mark);
            }
        }
        if (marks.isEmpty()) {
            form.fault("name-0", "Nothing typed: expected at least one mark");
        }
        return form.isSound()
                ? new Outcome.Entries(
                        marks.stream().<EntryPayload>map(MarkAdded::new).toList())
                : new Outcome.Faults(form.faults());
    }

    /**
     * Corrects what was given of a mark, withdraws it, or says that it is another name of a mark: what stood before stays in the record,
     * with the reason. What it moves is shown before it is booked.
     *
     * @return empty where there is no such mark with something given
     */
    public Optional<Outcome> correct(Map<String, String> typed) {
        Form form = new Form(typed, job.units());
        boolean isOther = !form.isEmpty("same");
        return job.mark(form.text("mark"))
                .filter(m -> isOther || m.given().isPresent())
                .map(before -> correct(form, before));
    }

    private Outcome correct(Form form, Mark before) {
        Optional<String> meanwhile = changedSince(before.name(), form.text("since"));
        if (meanwhile.isPresent()) {
            return Outcome.message(meanwhile.get());
        }
        Mark after = after(form, before);
        if (form.isEmpty("reason")) {
            form.fault("message", "What is given is corrected with a reason: it stays in the record.");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        ControlCorrected corrected = new ControlCorrected(
                after,
                occasion.decision(
                        Decision.CORRECT_CONTROL,
                        Map.of("mark", before.name()),
                        form.text("reason"),
                        Optional.of(words(before)),
                        Optional.of(words(after))));
        if (form.isEmpty("moves") && !book.holds(form.text("key"))) {
            Optional<String> moves = new WhatMoves(book, occasion).words(corrected);
            if (moves.isPresent()) {
                form.fault("moves", moves.get());
                return new Outcome.Faults(form.faults());
            }
        }
        return Outcome.of(corrected);
    }

    private Mark after(Form form, Mark before) {
        if (!form.isEmpty("withdraw")) {
            return before.withoutGiven();
        }
        if (form.isEmpty("same")) {
            return MarkForm.corrected(form, before);
        }
        String other = form.text("other");
        boolean isMark = job.mark(other).filter(m -> m.sameAs().isEmpty()).isPresent();
        if (!isMark || other.equals(before.name())) {
            form.fault("other", Sentence.of("Expected the mark that %s is another name of", before.name()));
        }
        boolean isNamed = job.marks().stream()
                .anyMatch(m -> m.sameAs().filter(before.name()::equals).isPresent());
        if (isNamed) {
            form.fault(
                    "other",
                    Sentence.of("%s has other names itself: say of those first whose they are", before.name()));
        }
        return Mark.named(before.name(), before.kind()).withSameAs(Optional.of(other));
    }

    /** Who changed a mark after the page that is posted was drawn, and what it is now; empty where nobody did. */
    private Optional<String> changedSince(String mark, String revision) {
        return book.lastSince(
                        revision,
                        p -> p instanceof ControlCorrected theirs
                                && theirs.mark().name().equals(mark))
                .map(e -> Sentence.of(
                        "%s was changed by %s while this page was open: it is now at %s. Nothing was booked; look at it, then correct it if it is still wrong.",
                        mark, e.by(), words(job.mark(mark).orElseThrow())));
    }

    private String words(Mark mark) {
        Display show = new Display(job.units());
        return mark.given()
                .map(at -> Sentence.of(
                        "N %s E %s H %s (%s)",
                        show.length(at.northing()),
                        show.length(at.easting()),
                        show.length(at.elevation()),
                        mark.source()))
                .or(() -> mark.sameAs().map(other -> "another name of " + other))
                .orElse("withdrawn");
    }

    /** Notes how a mark was found on the ground. */
    public Outcome found(Map<String, String> typed) {
        String name = typed.getOrDefault("name", "");
        String found = typed.getOrDefault("found", "");
        return job.mark(name)
                .map(mark -> Outcome.of(new MarkNoted(MarkForm.withFound(mark, found), "found " + found)))
                .orElseGet(() -> Outcome.message("There is no mark " + name));
    }

    /** What is said where somebody else noted a mark otherwise while a page was open; empty where nobody did. */
    public Optional<String> otherwise(Map<String, String> typed) {
        String found = typed.getOrDefault("found", "");
        String name = typed.getOrDefault("name", "");
        String now = job.mark(name).flatMap(Mark::found).map(Mark.Found::key).orElse("");
        return now.equals(typed.getOrDefault("was", "")) || now.equals(found)
                ? Optional.empty()
                : Optional.of(Sentence.of(
                        "%s was noted as %s by somebody else while your page was open; now it is noted as %s, as you say. Both notes stay in the record.",
                        name, now.isEmpty() ? "not looked at" : now, found.isEmpty() ? "not looked at" : found));
    }
}
