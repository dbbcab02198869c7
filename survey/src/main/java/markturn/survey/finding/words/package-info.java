/** Numbers as people read them, in the units of the job, and the small words around them. */
package markturn.survey.finding.words;
