/** The device a page is shown on. */
package markturn.web.device;
