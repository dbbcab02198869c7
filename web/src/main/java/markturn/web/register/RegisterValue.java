package markturn.web.register;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.OptionalDouble;
import markturn.survey.job.Mark;

/** A value of a registered mark, metres: in force from when it was entered, or a check of what is in force. Never changed. */
@Entity
@Table(name = "register_value")
public class RegisterValue {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    @Column(columnDefinition = "char(36)")
    private String markId;

    private boolean inForce;
    private double northing;
    private double easting;
    private Double elevation;
    private Double stdDev;
    private String source;

    @Column(columnDefinition = "char(36)")
    private String jobId;

    private Instant enteredAt;
    private String enteredBy;
    private String reason;

    protected RegisterValue() {}

    RegisterValue(
            String markId,
            boolean inForce,
            Mark.Coordinates at,
            OptionalDouble stdDev,
            String source,
            String jobId,
            Instant enteredAt,
            String enteredBy,
            String reason) {
        this.markId = markId;
        this.inForce = inForce;
        this.northing = at.northing();
        this.easting = at.easting();
        this.elevation = at.elevation().isPresent() ? at.elevation().getAsDouble() : null;
        this.stdDev = stdDev.isPresent() ? stdDev.getAsDouble() : null;
        this.source = source;
        this.jobId = jobId;
        this.enteredAt = enteredAt;
        this.enteredBy = enteredBy;
        this.reason = reason;
    }

    /** The same value taking the place of what was in force, by a later decision. */
    RegisterValue inForce(Instant from, String by, String why) {
        return new RegisterValue(markId, true, at(), stdDev(), source, jobId, from, by, why);
    }

    /** Whether it is that job's determination of the mark there, and no second one. */
    boolean isOf(String job, Mark.Coordinates there) {
        return jobId.equals(job) && at().equals(there);
    }

    String jobId() {
        return jobId;
    }

    public long number() {
        return number;
    }

    String markId() {
        return markId;
    }

    public boolean isInForce() {
        return inForce;
    }

    public Mark.Coordinates at() {
        return new Mark.Coordinates(
                northing, easting, elevation == null ? OptionalDouble.empty() : OptionalDouble.of(elevation));
    }

    public OptionalDouble stdDev() {
        return stdDev == null ? OptionalDouble.empty() : OptionalDouble.of(stdDev);
    }

    public String source() {
        return source;
    }

    public Instant enteredAt() {
        return enteredAt;
    }

    public String enteredBy() {
        return enteredBy;
    }

    public String reason() {
        return reason;
    }
}
