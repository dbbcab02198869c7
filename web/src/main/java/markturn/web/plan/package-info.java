/** The plan of the job. */
package markturn.web.plan;
