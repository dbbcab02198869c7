package markturn.web.job;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface JobSummaries extends Repository<JobSummary, String> {
    JobSummary save(JobSummary summary);

    Optional<JobSummary> findById(String jobId);

    /** The jobs with a summary of an earlier revision, or none. */
    @Query("""
            select j.id from StoredJob j left join JobSummary s on s.jobId = j.id
            where s.jobId is null or s.revision < j.lastSequence""")
    List<String> behind();
}
