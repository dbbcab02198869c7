package markturn.web.fieldbook;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface StoredJobs extends Repository<StoredJob, String> {
    StoredJob save(StoredJob job);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select j from StoredJob j where j.id = :id and :member member of j.members")
    Optional<StoredJob> findForBooking(String id, String member);

    @Query("select j.lastSequence from StoredJob j where j.id = :id and :member member of j.members")
    Optional<Long> lastSequence(String id, String member);

    @Query("select j.title from StoredJob j where j.id = :id and :member member of j.members")
    Optional<String> title(String id, String member);

    @Query("select j.id from StoredJob j where j.title = :title and :member member of j.members")
    List<String> called(String title, String member);

    @Query("select j.lastSequence from StoredJob j where j.id = :id")
    Optional<Long> lastSequence(String id);

    long count();
}
