package markturn.web.people;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** One line of the office's record. */
@Entity
@Table(name = "office_record")
public class OfficeLine {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    private Instant at;
    private String who;
    private String what;

    protected OfficeLine() {}

    OfficeLine(Instant at, String who, String what) {
        this.at = at;
        this.who = who;
        this.what = what;
    }

    public Instant at() {
        return at;
    }

    public String who() {
        return who;
    }

    public String what() {
        return what;
    }
}
