package markturn.tripod.station;

import java.time.Instant;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** A total station that can be asked to sight, with a weather sensor beside it. */
public interface Station {
    /**
     * Sights and measures.
     *
     * @param automatic whether it turns and searches by itself instead of being aimed by eye
     * @param now when it is read
     * @return what it shows, as a line of the book
     * @throws markturn.fieldbook.Refused where there is nothing of that name to sight
     */
    Reading sight(BookedJob book, Setup setup, Sight sight, boolean automatic, Instant now);

    /** The air, as the weather sensor reads it. */
    Atmosphere air();
}
