package markturn.web.epoch;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** That a job holds epochs of a series: what its entries say, kept so that one job finds the others. */
@Entity
@Table(name = "series_job")
class SeriesJob {
    @EmbeddedId
    private Key key;

    protected SeriesJob() {}

    SeriesJob(String series, String jobId) {
        this.key = new Key(series, jobId);
    }

    /** Which series, and which job. */
    @Embeddable
    record Key(
            @Column(columnDefinition = "char(36)") String series,

            @Column(name = "job_id", columnDefinition = "char(36)")
            String jobId)
            implements Serializable {}

    String jobId() {
        return key.jobId();
    }
}
