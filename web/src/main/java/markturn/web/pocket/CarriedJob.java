package markturn.web.pocket;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** A device that has taken a job along, for whom, and when it was last heard. */
@Entity
@Table(name = "taken_along")
class CarriedJob {
    @EmbeddedId
    private Key key;

    private String signInName;
    private Instant heardAt;

    protected CarriedJob() {}

    /** Which job, on which device. */
    @Embeddable
    record Key(
            @Column(name = "job_id", columnDefinition = "char(36)")
            String jobId,

            String device) implements Serializable {}

    TakenAlong.Device device() {
        return new TakenAlong.Device(key.jobId(), signInName, heardAt);
    }
}
