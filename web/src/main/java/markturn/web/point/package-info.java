/** Coordinates and how they came about. */
package markturn.web.point;
