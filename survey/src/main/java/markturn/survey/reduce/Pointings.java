package markturn.survey.reduce;

import java.util.List;

/**
 * Standing readings that belong together. Nearly all of a job's thousands are single readings: only these are kept, and their means are
 * made when they are asked for.
 *
 * @param readings in the order of the book
 */
public record Pointings(List<BookedReading> readings) {
    /** Whether the circle was read on both faces in any set. */
    public boolean isOnBothFaces() {
        return readings.size() > 1 && means().bySet().values().stream().anyMatch(FaceMeans::bothFaces);
    }

    /** Their means, made anew: who needs several of them asks once. */
    public SetMeans means() {
        return SetMeans.of(readings);
    }
}
