/**
 * The field book: the entries of a job, added and never changed. It assembles the job from them and answers with the computed result.
 */
package markturn.web.fieldbook;
