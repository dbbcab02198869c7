/** Marks brought in from files: looked at first, held against the job, then taken in as one act. */
package markturn.web.intake;
