package markturn.web.register;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;

/** What helps to find a mark again: words, a tie distance in metres, a picture. Never changed. */
@Entity
@Table(name = "register_note")
public class RegisterNote {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    @Column(columnDefinition = "char(36)")
    private String markId;

    private String words;
    private Double distance;

    @Column(columnDefinition = "mediumblob")
    private byte[] picture;

    private Instant notedAt;
    private String notedBy;

    protected RegisterNote() {}

    RegisterNote(
            String markId,
            String words,
            OptionalDouble distance,
            Optional<byte[]> picture,
            Instant notedAt,
            String notedBy) {
        this.markId = markId;
        this.words = words;
        this.distance = distance.isPresent() ? distance.getAsDouble() : null;
        this.picture = picture.orElse(null);
        this.notedAt = notedAt;
        this.notedBy = notedBy;
    }

    public long number() {
        return number;
    }

    public String words() {
        return words;
    }

    public OptionalDouble distance() {
        return distance == null ? OptionalDouble.empty() : OptionalDouble.of(distance);
    }

    public boolean hasPicture() {
        return picture != null;
    }

    byte[] picture() {
        return picture.clone();
    }

    public Instant notedAt() {
        return notedAt;
    }

    public String notedBy() {
        return notedBy;
    }
}
