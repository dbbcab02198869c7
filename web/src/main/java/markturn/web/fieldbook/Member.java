package markturn.web.fieldbook;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** A member of a job, with what they may do in it of what their account may do at all; who may do neither reads. */
@Entity
@Table(name = "job_member")
public class Member {
    @EmbeddedId
    private Key key;

    private boolean surveyor;
    private boolean reviewer;

    protected Member() {}

    Member(String jobId, String signInName, boolean surveyor, boolean reviewer) {
        this.key = new Key(jobId, signInName);
        this.surveyor = surveyor;
        this.reviewer = reviewer;
    }

    /** Of which job, and who. */
    @Embeddable
    record Key(
            @Column(name = "job_id", columnDefinition = "char(36)")
            String jobId,

            @Column(name = "sign_in_name") String signInName)
            implements Serializable {}

    public String signInName() {
        return key.signInName();
    }

    public boolean isSurveyor() {
        return surveyor;
    }

    public boolean isReviewer() {
        return reviewer;
    }
}
