package markturn.web.fieldbook;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import java.time.Instant;
import java.util.Optional;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.formats.JsonTrees;
import markturn.survey.job.Units;
import org.springframework.data.domain.Persistable;

/** An entry as a row. No setters: it is never changed. */
@Entity
@Table(name = "entry")
@IdClass(StoredEntry.Key.class)
class StoredEntry implements Persistable<StoredEntry.Key> {
    record Key(String jobId, long sequence) implements Serializable {}

    @Id
    @Column(columnDefinition = "char(36)")
    private String jobId;

    @Id
    private long sequence;

    private String entryKey;
    private Instant bookedAt;
    private Instant deviceAt;
    private String bookedBy;
    private String kind;
    private short revision;

    @Column(columnDefinition = "longtext")
    private String payload;

    @Transient
    private boolean stored;

    protected StoredEntry() {}

    /** @param payload as text, in the present revision of its kind */
    StoredEntry(String jobId, Entry entry, String payload) {
        this.jobId = jobId;
        this.sequence = entry.sequence();
        this.entryKey = entry.key();
        this.bookedAt = entry.at();
        this.deviceAt = entry.onDevice().orElse(null);
        this.bookedBy = entry.by();
        this.kind = entry.kind().stored();
        this.revision = (short) entry.kind().revision();
        this.payload = payload;
    }

    @Override
    public Key getId() {
        return new Key(jobId, sequence);
    }

    /** So that adding is one insert, without looking first. */
    @Override
    public boolean isNew() {
        return !stored;
    }

    @PostLoad
    @PostPersist
    void isStored() {
        stored = true;
    }

    /** An entry as it is read. */
    record Row(
            long sequence,
            String entryKey,
            Instant bookedAt,
            Instant deviceAt,
            String bookedBy,
            String kind,
            short revision,
            String payload) {
        /** @param units of the job at that entry */
        Entry entry(Units units) {
            return new Entry(
                    sequence,
                    entryKey,
                    bookedAt,
                    Optional.ofNullable(deviceAt),
                    bookedBy.intern(),
                    EntryPayload.Kind.read(kind, revision, JsonTrees.read(payload), units));
        }
    }
}
