/** The plan of a job as shapes: control, stations, rays, points, lines of codes, and where their names have room. */
package markturn.tripod.plan;
