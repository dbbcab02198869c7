package markturn.survey.job;

/**
 * A circle reading: its value beside what was written.
 *
 * @param radians in [0, 2 pi)
 * @param written as files hold it in the job's angle unit, with every digit that was booked
 */
public record Circle(double radians, String written) {}
