/** What a device takes along of a job, and how what it booked without a connection arrives. */
package markturn.web.pocket;
