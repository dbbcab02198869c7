/** The demo and its simulated data. */
package markturn.web.practice;
