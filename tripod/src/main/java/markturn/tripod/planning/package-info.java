/** Planning the work: what a plan will give, in words and as it is drawn; on a server and within a page alike. */
package markturn.tripod.planning;
