package markturn.survey.transform;

import markturn.survey.job.Mark;

/** A mark that is known in both systems: in that of the list that comes in, and in the job's; metres. */
public record InBoth(String mark, Mark.Coordinates from, Mark.Coordinates to) {}
