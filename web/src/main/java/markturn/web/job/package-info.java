/** Opening jobs, bringing them in as files, and the page that shows the way through one. */
package markturn.web.job;
