/** Turning the sets: the main screen of the product. */
package markturn.web.turning;
