package markturn.web.pocket;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CarriedJobs extends Repository<CarriedJob, CarriedJob.Key> {
    @Query("select c from CarriedJob c where c.key.jobId in :jobs order by c.heardAt desc")
    List<CarriedJob> ofJobs(Collection<String> jobs);

    /** In one statement: of two exchanges of one device at once neither finds the other's row in its way. */
    @Modifying
    @Query(
            nativeQuery = true,
            value =
                    "insert into taken_along (job_id, device, sign_in_name, heard_at) values (:job, :device, :who, :at) on duplicate key update sign_in_name = :who, heard_at = :at")
    void heard(String job, String device, String who, Instant at);

    void deleteById(CarriedJob.Key key);
}
