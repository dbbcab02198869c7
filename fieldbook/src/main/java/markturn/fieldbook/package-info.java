/**
 * The field book: entries, only ever added, and the job they make. An entry's payload is one of a closed set of records
 * ({@link markturn.fieldbook.EntryPayload}); {@link markturn.fieldbook.Admission} asks once whether it is allowed and fits,
 * {@link markturn.fieldbook.Assembly} lays it on the job for ever. Nothing here stores anything, knows a clock or a thread.
 */
package markturn.fieldbook;
