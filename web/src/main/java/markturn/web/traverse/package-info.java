/** Closing a figure: routes, misclosures, the rules compared, adoption. */
package markturn.web.traverse;
