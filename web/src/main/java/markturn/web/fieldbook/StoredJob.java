package markturn.web.fieldbook;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.Set;

/** A job as a row: what it is called, who belongs to it, and how far its entries go. All else is in the entries. */
@Entity
@Table(name = "job")
class StoredJob {
    @Id
    @Column(columnDefinition = "char(36)")
    private String id;

    private String title;
    private Instant openedAt;
    private long lastSequence;

    @ElementCollection
    @CollectionTable(name = "job_member", joinColumns = @JoinColumn(name = "job_id"))
    @Column(name = "sign_in_name")
    private Set<String> members = new LinkedHashSet<>();

    protected StoredJob() {}

    StoredJob(String id, String title, Instant openedAt, Set<String> members) {
        this.id = id;
        this.title = title;
        this.openedAt = openedAt;
        this.members.addAll(members);
    }

    String id() {
        return id;
    }

    String title() {
        return title;
    }

    Instant openedAt() {
        return openedAt;
    }

    long lastSequence() {
        return lastSequence;
    }

    void call(String otherTitle) {
        title = otherTitle;
    }

    long nextSequence() {
        return ++lastSequence;
    }
}
