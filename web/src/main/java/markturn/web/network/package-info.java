/** The whole job in one adjustment, as it stands. */
package markturn.web.network;
