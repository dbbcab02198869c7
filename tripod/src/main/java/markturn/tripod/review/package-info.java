/** Reviewing a setup: accepting it, opening it again, answering findings, leaving marks out; and what is decided of a second sight. */
package markturn.tripod.review;
