/** Instruments and reflectors of a job, and what they can do. */
package markturn.web.equipment;
