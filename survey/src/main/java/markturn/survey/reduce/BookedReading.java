package markturn.survey.reduce;

import markturn.survey.job.Reading;

/**
 * A reading with its place in the book.
 *
 * @param place index in the setup's list of readings
 * @param circle number of the set whose circle it was read on
 */
public record BookedReading(int place, int circle, Reading reading) {}
