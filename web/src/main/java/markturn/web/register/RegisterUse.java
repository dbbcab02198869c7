package markturn.web.register;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** How a registered mark was found in a job that took it, and how well it agreed: remade with the summary of that job. */
@Entity
@Table(name = "register_use")
public class RegisterUse {
    @EmbeddedId
    private Key key;

    private long taken;
    private Instant usedAt;
    private String usedBy;
    private String found;
    private String agreed;
    private boolean disagreed;

    protected RegisterUse() {}

    /** @param taken number of the value that the job took */
    RegisterUse(
            String markId,
            String jobId,
            long taken,
            Instant usedAt,
            String usedBy,
            String found,
            String agreed,
            boolean disagreed) {
        this.key = new Key(markId, jobId);
        this.taken = taken;
        this.usedAt = usedAt;
        this.usedBy = usedBy;
        this.found = found;
        this.agreed = agreed;
        this.disagreed = disagreed;
    }

    /** Which mark, in which job. */
    @Embeddable
    record Key(
            @Column(name = "mark_id", columnDefinition = "char(36)")
            String markId,

            @Column(name = "job_id", columnDefinition = "char(36)")
            String jobId)
            implements Serializable {}

    public String jobId() {
        return key.jobId();
    }

    public Instant usedAt() {
        return usedAt;
    }

    public String usedBy() {
        return usedBy;
    }

    public String found() {
        return found;
    }

    public String agreed() {
        return agreed;
    }

    public boolean isDisagreed() {
        return disagreed;
    }
}
