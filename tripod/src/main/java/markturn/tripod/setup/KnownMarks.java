package markturn.tripod.setup;

import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;

/** The marks that a setup can rest on. */
public final class KnownMarks {
    private KnownMarks() {}

    /** Marks that have a position: what can be occupied, or oriented on. */
    public static List<String> names(BookedJob book) {
        return book.result().measured().marks().stream()
                .filter(m -> m.position().isPresent() && m.mark().kind() != Mark.Kind.LOCATED)
                .map(MeasuredMark::name)
                .toList();
    }
}
