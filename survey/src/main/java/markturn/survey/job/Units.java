package markturn.survey.job;

import markturn.survey.angle.AngleUnit;

/** The units a job is written in. They change what is typed and shown, never what is computed. */
public record Units(LengthUnit length, AngleUnit angle) {}
