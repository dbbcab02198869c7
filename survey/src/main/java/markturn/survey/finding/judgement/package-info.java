/** The tested quantities of a job, each with the limit that judges it. No word is said here. */
package markturn.survey.finding.judgement;
