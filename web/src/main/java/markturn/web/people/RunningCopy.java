package markturn.web.people;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A copy of the program on this database, and when it was last heard. */
@Entity
@Table(name = "running_copy")
class RunningCopy {
    @Id
    private String name;

    private Instant startedAt;
    private Instant heardAt;

    protected RunningCopy() {}

    String name() {
        return name;
    }

    Instant startedAt() {
        return startedAt;
    }

    Instant heardAt() {
        return heardAt;
    }
}
