/** The web application. One package per thing people do; {@code fieldbook} is the ground floor, {@code frame} the walls. */
package markturn.web;
