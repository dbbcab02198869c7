package markturn.web.instrument;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A version of what new jobs begin with of an instrument. Never changed: a later one takes its place. */
@Entity
@Table(name = "office_instrument")
class OfficeInstrument {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    private String serial;
    private String profile;
    private Instant notedAt;
    private String notedBy;
    private String reason;

    protected OfficeInstrument() {}

    /** @param profile the instrument as an entry writes it, in metres and seconds */
    OfficeInstrument(String serial, String profile, Instant notedAt, String notedBy, String reason) {
        this.serial = serial;
        this.profile = profile;
        this.notedAt = notedAt;
        this.notedBy = notedBy;
        this.reason = reason;
    }

    String serial() {
        return serial;
    }

    String profile() {
        return profile;
    }

    Instant notedAt() {
        return notedAt;
    }

    String notedBy() {
        return notedBy;
    }

    String reason() {
        return reason;
    }
}
