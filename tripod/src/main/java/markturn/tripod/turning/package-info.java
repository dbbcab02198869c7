/** Turning the sets of a setup: booking, striking out, the order of the round, breaks, and the sheet as it is read. */
package markturn.tripod.turning;
