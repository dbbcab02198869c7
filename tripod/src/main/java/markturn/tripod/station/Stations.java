package markturn.tripod.station;

import java.util.Optional;
import markturn.fieldbook.BookedJob;

/** Which station is at the service of a job, if any. */
@FunctionalInterface
public interface Stations {
    Stations NONE = book -> Optional.empty();

    /** What is said where none is. */
    String MISSING = "This job has no simulated station: switch practice on first";

    Optional<Station> of(BookedJob book);
}
