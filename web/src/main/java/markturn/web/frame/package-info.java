/** What every page stands in: security, layout, the way through the work, numbers on screen, errors. */
package markturn.web.frame;
