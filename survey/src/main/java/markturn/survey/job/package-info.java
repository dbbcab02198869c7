/** The job as it was booked: immutable records of raw readings and what belongs to them. Lengths metres, angles radians. */
package markturn.survey.job;
