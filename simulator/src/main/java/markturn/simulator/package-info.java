/** Stand-ins for outside devices: a seeded world with a hidden truth, and an instrument with honest errors that yields readings. */
package markturn.simulator;
