/** The wire format of jobs and entries, defined once: a small tree of values, and the job to it and from it. */
package markturn.fieldbook.wire;
