package markturn.web.people;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RunningCopyRepository extends Repository<RunningCopy, String> {
    @Query("select c from RunningCopy c order by c.startedAt desc")
    List<RunningCopy> all();

    @Modifying
    @Query(
            nativeQuery = true,
            value =
                    "insert into running_copy (name, started_at, heard_at) values (:name, :started, :heard) on duplicate key update started_at = :started, heard_at = :heard")
    void heard(String name, Instant started, Instant heard);

    @Modifying
    @Query("delete from RunningCopy c where c.name = :name")
    void leave(String name);

    @Modifying
    @Query("delete from RunningCopy c where c.heardAt < :before")
    void forget(Instant before);
}
