/** The plan of a job: control, stations, rays, points by the signs of their codes, lines, and room for their names. */
package markturn.tripod.plan;
