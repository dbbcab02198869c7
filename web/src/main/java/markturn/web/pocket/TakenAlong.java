package markturn.web.pocket;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.List;
import markturn.web.fieldbook.FieldBook;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which devices have taken jobs along: a device that was not heard for long may hold lines that nobody else has seen yet. */
@Service
public class TakenAlong {
    private final CarriedJobs carried;
    private final FieldBook fieldBook;

    TakenAlong(CarriedJobs carried, FieldBook fieldBook) {
        this.carried = carried;
        this.fieldBook = fieldBook;
    }

    /** A device that has taken a job along. */
    public record Device(String jobId, String signInName, Instant heardAt) {}

    /** The devices that have taken any of those jobs along, the last heard first. */
    public List<Device> of(Collection<String> jobs) {
        return jobs.isEmpty()
                ? List.of()
                : carried.ofJobs(jobs).stream().map(CarriedJob::device).toList();
    }

    /** A device was heard that has the job. */
    @Transactional
    public void heard(String job, String device, String who) {
        carried.heard(job, device, who, Instant.now().truncatedTo(ChronoUnit.SECONDS));
    }

    /**
     * A device has let a job go.
     *
     * @throws markturn.web.fieldbook.NoSuchJob where whoever says so is no member of it
     */
    @Transactional
    public void letGo(String job, String device, String who) {
        fieldBook.book(job, who);
        carried.deleteById(new CarriedJob.Key(job, device));
    }
}
