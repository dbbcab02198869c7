/** Judging a setup: abstracts, findings and their answers, acceptance. */
package markturn.web.review;
