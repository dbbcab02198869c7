/** Detail: located points with their codes and lines, special sights, and the sketch that grows with each shot. */
package markturn.tripod.detail;
