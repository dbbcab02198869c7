package markturn.fieldbook;

/**
 * Where a reading stands in a job.
 *
 * @param index among the readings of its setup, from 0
 */
public record ReadingPlace(String setup, int index) {}
