package markturn.web.fieldbook;

import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.Refused;
import markturn.survey.job.Decision;
import org.springframework.stereotype.Service;

/**
 * Who may see a job, and what they may do in it. Letting in and taking out is noted in its field book first: where what follows fails, the
 * record says more than was done, and the same act is tried again. What somebody booked stays theirs.
 */
@Service
public class Members {
    private final StoredMembers stored;
    private final FieldBook fieldBook;
    private final Bookers bookers;

    Members(StoredMembers stored, FieldBook fieldBook, Bookers bookers) {
        this.stored = stored;
        this.fieldBook = fieldBook;
        this.bookers = bookers;
    }

    /** The members of a job, by sign-in name. */
    public List<Member> of(String jobId) {
        return stored.ofJob(jobId);
    }

    /** What somebody is in a job; empty where they are no member. */
    public Optional<Member> member(String jobId, String signInName) {
        return stored.findById(new Member.Key(jobId, signInName));
    }

    /**
     * Lets somebody in, or gives a member another part in the job.
     *
     * @param noted the decision, as it stays in the field book
     */
    public BookedJob letIn(
            String jobId,
            String key,
            String by,
            String signInName,
            boolean surveyor,
            boolean reviewer,
            Decision noted) {
        Member before = member(jobId, signInName).orElse(null);
        if (before != null && before.isSurveyor() == surveyor && before.isReviewer() == reviewer) {
            return fieldBook.book(jobId, by);
        }
        if (!surveyor) {
            requireAnotherSurveyor(jobId, signInName);
        }
        BookedJob longer = note(jobId, key, by, noted);
        stored.save(new Member(jobId, signInName, surveyor, reviewer));
        return longer;
    }

    /** Takes somebody out. */
    public BookedJob takeOut(String jobId, String key, String by, String signInName, Decision noted) {
        if (member(jobId, signInName).isEmpty()) {
            return fieldBook.book(jobId, by);
        }
        requireAnotherSurveyor(jobId, signInName);
        BookedJob longer = note(jobId, key, by, noted);
        stored.deleteById(new Member.Key(jobId, signInName));
        return longer;
    }

    private BookedJob note(String jobId, String key, String by, Decision noted) {
        List<EntryPayload> entries = List.of(new DecisionMade(noted));
        return fieldBook.add(jobId, key, by, entries);
    }

    private void requireAnotherSurveyor(String jobId, String signInName) {
        boolean another = stored.ofJob(jobId).stream()
                .filter(m -> !m.signInName().equals(signInName) && m.isSurveyor())
                .anyMatch(m -> bookers.booker(m.signInName()).surveyor());
        if (!another) {
            throw new Refused("member", "Nobody could book here any more: let another surveyor in first");
        }
    }
}
