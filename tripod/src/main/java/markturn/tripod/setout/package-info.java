/** Setting out: what is wanted, where the pole is, and what is left to go. */
package markturn.tripod.setout;
