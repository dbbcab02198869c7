/** How phones and other machines of the local network reach the pages: over TLS, and how they come to trust it. */
package markturn.web.phone;
