/** The way through the work: its steps, how far each is, and the addresses of their places. */
package markturn.tripod.way;
