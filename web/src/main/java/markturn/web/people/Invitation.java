package markturn.web.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** A link by which somebody chooses a password, kept as a digest: whoever reads the database cannot follow it. */
@Entity
class Invitation {
    @Id
    @Column(columnDefinition = "char(64)")
    private String tokenDigest;

    private String signInName;
    private Instant endsAt;

    protected Invitation() {}

    Invitation(String tokenDigest, String signInName, Instant endsAt) {
        this.tokenDigest = tokenDigest;
        this.signInName = signInName;
        this.endsAt = endsAt;
    }

    String signInName() {
        return signInName;
    }

    Instant endsAt() {
        return endsAt;
    }
}
