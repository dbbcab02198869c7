/** The office's register of marks: their values over all jobs, how they were found, what ties them, and who last used them. */
package markturn.web.register;
