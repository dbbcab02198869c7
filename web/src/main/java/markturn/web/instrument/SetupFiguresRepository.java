package markturn.web.instrument;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SetupFiguresRepository extends Repository<SetupFigures, SetupFigures.Key> {
    SetupFigures save(SetupFigures figures);

    @Modifying
    @Query("delete from SetupFigures f where f.key.jobId = :jobId")
    void deleteOfJob(String jobId);

    @Query("select f from SetupFigures f where f.serial = :serial order by f.at desc")
    List<SetupFigures> latest(String serial, Limit most);

    /** When an instrument was last read, and how often. */
    @Query(
            "select new markturn.web.instrument.SetupFiguresRepository$Used(f.serial, count(f), max(f.at)) from SetupFigures f group by f.serial")
    List<Used> used();

    record Used(String serial, long setups, Instant last) {}
}
