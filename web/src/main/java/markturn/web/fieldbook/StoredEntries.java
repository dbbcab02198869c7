package markturn.web.fieldbook;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface StoredEntries extends Repository<StoredEntry, StoredEntry.Key> {
    StoredEntry save(StoredEntry entry);

    @Query("select e from StoredEntry e where e.jobId = :jobId and e.sequence > :after order by e.sequence")
    List<StoredEntry> after(String jobId, long after);
}
