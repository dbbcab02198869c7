/** Occupying a known mark. */
package markturn.web.setup;
