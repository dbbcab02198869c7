package markturn.tripod.station;

import java.util.Optional;
import markturn.fieldbook.BookedJob;

/** Which station is at the service of a job, if any. */
@FunctionalInterface
public interface Stations {
    Stations NONE = book -> Optional.empty();

    Optional<Station> of(BookedJob book);
}
