/** Where a job stands: what is proved, a glance at it, its checks, and what is left before the instrument is picked up. */
package markturn.survey.finding.standing;
