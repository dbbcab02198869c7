/** The device a page is shown on, and the simulated total station that stands at a setup. */
package markturn.web.device;
