/** What was typed into a form at the instrument, read field by field. */
package markturn.tripod.typed;
