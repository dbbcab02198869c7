/** The office's memory of its instruments: what their setups showed over all jobs, their own figures, certificates and tests. */
package markturn.web.instrument;
