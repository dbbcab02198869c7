package markturn.web.fieldbook;

import java.time.Instant;
import markturn.survey.job.Job;

/**
 * Said to whoever listens in this house while a job is opened: what they store stands or falls with it.
 *
 * @param job as it is opened
 * @param by sign-in name of who opens it
 */
public record Opened(String jobId, Job job, Instant at, String by) {}
