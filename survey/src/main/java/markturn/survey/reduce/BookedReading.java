package markturn.survey.reduce;

import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Plain;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * A reading with its place in the book.
 *
 * @param place index in the setup's list of readings
 * @param circle number of the set whose circle it was read on
 * @param corrected its slope distance, corrected, metres; not a number where none was measured
 */
public record BookedReading(int place, int circle, Reading reading, double corrected) {
    /** The reading at that place of the setup. */
    static BookedReading of(Job job, Setup setup, int place, int circle) {
        Reading reading = setup.readings().get(place);
        return new BookedReading(place, circle, reading, Plain.of(Distances.corrected(job, setup, reading)));
    }

    /** Its slope distance, corrected, metres; empty where none was measured. */
    public OptionalDouble slope() {
        return Plain.read(corrected);
    }
}
