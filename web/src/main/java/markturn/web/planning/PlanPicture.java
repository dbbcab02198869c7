package markturn.web.planning;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import markturn.survey.plan.Underlay;
import markturn.web.frame.Pictures;

/** A picture beneath the plans of a job, and how it lies, metres. Never changed: another one takes its place. */
@Entity
@Table(name = "plan_picture")
public class PlanPicture {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long number;

    @Column(columnDefinition = "char(36)")
    private String jobId;

    @Column(columnDefinition = "mediumblob")
    private byte[] picture;

    private int wide;
    private int high;
    private double north;
    private double northAcross;
    private double northDown;
    private double east;
    private double eastAcross;
    private double eastDown;
    private Instant laidAt;
    private String laidBy;

    protected PlanPicture() {}

    PlanPicture(String jobId, Pictures.Drawn drawn, Underlay underlay, Instant laidAt, String laidBy) {
        this.jobId = jobId;
        this.picture = drawn.jpeg();
        this.wide = drawn.wide();
        this.high = drawn.high();
        this.north = underlay.north()[0];
        this.northAcross = underlay.north()[1];
        this.northDown = underlay.north()[2];
        this.east = underlay.east()[0];
        this.eastAcross = underlay.east()[1];
        this.eastDown = underlay.east()[2];
        this.laidAt = laidAt;
        this.laidBy = laidBy;
    }

    long number() {
        return number;
    }

    byte[] picture() {
        return picture.clone();
    }

    int wide() {
        return wide;
    }

    int high() {
        return high;
    }

    Underlay underlay() {
        return new Underlay(new double[] {north, northAcross, northDown}, new double[] {east, eastAcross, eastDown});
    }
}
