/** Setting up: occupied or free, what stands there and how high. */
package markturn.tripod.setup;
