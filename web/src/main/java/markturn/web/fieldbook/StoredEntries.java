package markturn.web.fieldbook;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface StoredEntries extends Repository<StoredEntry, StoredEntry.Key> {
    StoredEntry save(StoredEntry entry);

    /** The entries of a job behind a sequence, in order, as plain rows: nothing is watched for change that never changes. */
    @Query("""
            select new markturn.web.fieldbook.StoredEntry$Row(
                e.sequence, e.entryKey, e.bookedAt, e.deviceAt, e.bookedBy, e.kind, e.revision, e.payload)
            from StoredEntry e where e.jobId = :jobId and e.sequence > :after order by e.sequence""")
    List<StoredEntry.Row> after(String jobId, long after, Limit most);

    /** How much the entries of a job hold as they are stored, in bytes. */
    @Query("select coalesce(sum(length(e.payload)), 0) from StoredEntry e where e.jobId = :jobId")
    long bytes(String jobId);
}
