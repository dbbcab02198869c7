package markturn.web.instrument;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.OptionalDouble;
import markturn.survey.instrument.InstrumentShown;
import markturn.survey.instrument.Pooled;
import markturn.survey.job.Instrument;

/** What a setup showed of its instrument, as a row: remade with the summary of its job. Radians and metres. */
@Entity
@Table(name = "setup_figures")
public class SetupFigures {
    @EmbeddedId
    private Key key;

    private String serial;
    private Instant at;
    private Double temperature;
    private int pairs;
    private double collimation;
    private double collimationStdDev;
    private double collimationSpread;

    @Column(name = "vertical_index")
    private double index;

    private double indexStdDev;
    private double indexSpread;
    private Double trunnion;
    private Double trunnionStdDev;
    private double directionSquares;
    private int directionDegrees;
    private double zenithSquares;
    private int zenithDegrees;
    private double distanceSquares;
    private int distanceDegrees;
    private boolean wholeTest;

    protected SetupFigures() {}

    SetupFigures(String jobId, String serial, Instant at, InstrumentShown shown, boolean wholeTest) {
        this.key = new Key(jobId, shown.setup());
        this.serial = serial;
        this.at = at;
        this.temperature = boxed(shown.temperature());
        this.pairs = shown.pairs();
        this.collimation = shown.collimation();
        this.collimationStdDev = shown.collimationStdDev();
        this.collimationSpread = shown.collimationSpread();
        this.index = shown.index();
        this.indexStdDev = shown.indexStdDev();
        this.indexSpread = shown.indexSpread();
        this.trunnion = boxed(shown.trunnion());
        this.trunnionStdDev = boxed(shown.trunnionStdDev());
        this.directionSquares = shown.directions().squares();
        this.directionDegrees = shown.directions().degrees();
        this.zenithSquares = shown.zeniths().squares();
        this.zenithDegrees = shown.zeniths().degrees();
        this.distanceSquares = shown.distances().squares();
        this.distanceDegrees = shown.distances().degrees();
        this.wholeTest = wholeTest;
    }

    /** Which setup of which job. */
    @Embeddable
    record Key(
            @Column(name = "job_id", columnDefinition = "char(36)")
            String jobId,

            String setup) implements Serializable {}

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    String jobId() {
        return key.jobId();
    }

    String setup() {
        return key.setup();
    }

    String serial() {
        return serial;
    }

    Instant at() {
        return at;
    }

    OptionalDouble temperature() {
        return temperature == null ? OptionalDouble.empty() : OptionalDouble.of(temperature);
    }

    int pairs() {
        return pairs;
    }

    double collimationSpread() {
        return collimationSpread;
    }

    double indexSpread() {
        return indexSpread;
    }

    OptionalDouble trunnion() {
        return trunnion == null ? OptionalDouble.empty() : OptionalDouble.of(trunnion);
    }

    boolean isWholeTest() {
        return wholeTest;
    }

    Pooled directions() {
        return new Pooled(directionSquares, directionDegrees);
    }

    Pooled zeniths() {
        return new Pooled(zenithSquares, zenithDegrees);
    }

    Pooled distances() {
        return new Pooled(distanceSquares, distanceDegrees);
    }

    Instrument.Remembered remembered() {
        return new Instrument.Remembered(at, collimation, collimationStdDev, index, indexStdDev);
    }
}
