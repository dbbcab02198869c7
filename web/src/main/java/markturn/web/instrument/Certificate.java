package markturn.web.instrument;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;

/** A certificate of an instrument, by its serial number, or of a reflector, by its name. */
@Entity
@Table(name = "certificate")
public class Certificate {
    /** Stands before the name of a reflector. */
    static final String REFLECTOR = "reflector ";

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    private String about;
    private LocalDate issuedOn;
    private LocalDate dueOn;
    private String words;
    private Instant notedAt;
    private String notedBy;

    protected Certificate() {}

    Certificate(String about, LocalDate issuedOn, LocalDate dueOn, String words, Instant notedAt, String notedBy) {
        this.about = about;
        this.issuedOn = issuedOn;
        this.dueOn = dueOn;
        this.words = words;
        this.notedAt = notedAt;
        this.notedBy = notedBy;
    }

    public String about() {
        return about;
    }

    /** The reflector it is about; empty where it is about an instrument. */
    public String reflector() {
        return about.startsWith(REFLECTOR) ? about.substring(REFLECTOR.length()) : "";
    }

    public LocalDate issuedOn() {
        return issuedOn;
    }

    public Optional<LocalDate> dueOn() {
        return Optional.ofNullable(dueOn);
    }

    public String words() {
        return words;
    }

    public String notedBy() {
        return notedBy;
    }

    /** Whether it is no longer good on a day. */
    public boolean isDue(LocalDate day) {
        return dueOn != null && !day.isBefore(dueOn);
    }
}
