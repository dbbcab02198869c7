/** Control marks: read, added, doubted. */
package markturn.tripod.mark;
