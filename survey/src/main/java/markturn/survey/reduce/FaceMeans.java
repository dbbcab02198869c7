package markturn.survey.reduce;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.survey.angle.Angles;
import markturn.survey.job.Longer;
import markturn.survey.job.Reading;

/**
 * What one target shows in one set: repeated pointings meaned on each face, then the mean of the faces. A single face stands as it is:
 * neither collimation nor index is ever applied to it.
 *
 * @param left circle on face left, mean of its pointings
 * @param right circle on face right as read
 * @param zenithLeft as read on face left
 * @param zenithRight as read on face right
 * @param slope corrected slope distance, mean of the faces that have one
 */
public record FaceMeans(
        OptionalDouble left,
        OptionalDouble right,
        OptionalDouble zenithLeft,
        OptionalDouble zenithRight,
        OptionalDouble slope) {

    /** Means of standing readings of one target in one set, at least one. */
    static FaceMeans of(List<BookedReading> readings) {
        List<BookedReading> left = face(readings, Reading.Face.LEFT);
        List<BookedReading> right = face(readings, Reading.Face.RIGHT);
        OptionalDouble slopeLeft = average(left, BookedReading::slope);
        OptionalDouble slopeRight = average(right, BookedReading::slope);
        OptionalDouble slope = slopeLeft.isPresent() && slopeRight.isPresent()
                ? OptionalDouble.of((slopeLeft.getAsDouble() + slopeRight.getAsDouble()) / 2)
                : slopeLeft.isPresent() ? slopeLeft : slopeRight;
        return new FaceMeans(
                circle(left),
                circle(right),
                average(left, FaceMeans::zenith),
                average(right, FaceMeans::zenith),
                slope);
    }

    /** Single sights and pairs, which nearly all are, without a list of their own: their means are made whenever they are asked for. */
    private static List<BookedReading> face(List<BookedReading> readings, Reading.Face face) {
        List<BookedReading> on = List.of();
        for (BookedReading reading : readings) {
            if (reading.reading().face() == face) {
                on = on.isEmpty() ? List.of(reading) : Longer.by(on, reading);
            }
        }
        return on;
    }

    private static OptionalDouble circle(List<BookedReading> readings) {
        if (readings.isEmpty()) {
            return OptionalDouble.empty();
        }
        return readings.size() == 1
                ? OptionalDouble.of(
                        Angles.onCircle(readings.get(0).reading().circle().radians()))
                : OptionalDouble.of(Angles.mean(readings.stream()
                        .map(r -> r.reading().circle().radians())
                        .toList()));
    }

    private static OptionalDouble zenith(BookedReading booked) {
        Reading reading = booked.reading();
        return reading.zenith().isPresent()
                ? OptionalDouble.of(Faces.zenithAsRead(
                        reading.face(), reading.zenith().get().radians()))
                : OptionalDouble.empty();
    }

    private static OptionalDouble average(List<BookedReading> readings, Function<BookedReading, OptionalDouble> what) {
        if (readings.size() <= 1) {
            return readings.isEmpty() ? OptionalDouble.empty() : what.apply(readings.get(0));
        }
        return readings.stream()
                .map(what)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .average();
    }

    /** Whether the circle was read on both faces. */
    public boolean bothFaces() {
        return left.isPresent() && right.isPresent();
    }

    /** The circle on one face brought to face left; empty where that face was not read. */
    public OptionalDouble onFace(Reading.Face face) {
        if (face == Reading.Face.LEFT) {
            return left;
        }
        return right.isPresent() ? OptionalDouble.of(Faces.rightAsLeft(right.getAsDouble())) : OptionalDouble.empty();
    }

    /** The direction on the circle, mean of the faces read, in [0, 2 pi). */
    public double direction() {
        if (bothFaces()) {
            return Faces.direction(left.getAsDouble(), right.getAsDouble());
        }
        return left.isPresent() ? left.getAsDouble() : Faces.rightAsLeft(right.getAsDouble());
    }

    /** Collimation as this pair shows it; empty for a single face. */
    public OptionalDouble collimation() {
        return bothFaces()
                ? OptionalDouble.of(Faces.collimation(left.getAsDouble(), right.getAsDouble()))
                : OptionalDouble.empty();
    }

    /** Whether the zenith was read on both faces. */
    public boolean bothZeniths() {
        return zenithLeft.isPresent() && zenithRight.isPresent();
    }

    /** Zenith angle, mean of the faces read; empty where none was. */
    public OptionalDouble zenith() {
        if (bothZeniths()) {
            return OptionalDouble.of(Faces.zenith(zenithLeft.getAsDouble(), zenithRight.getAsDouble()));
        }
        if (zenithLeft.isPresent()) {
            return zenithLeft;
        }
        return zenithRight.isPresent()
                ? OptionalDouble.of(Angles.TURN - zenithRight.getAsDouble())
                : OptionalDouble.empty();
    }

    /** Vertical index as this pair shows it; empty for a single face. */
    public OptionalDouble index() {
        return bothZeniths()
                ? OptionalDouble.of(Faces.index(zenithLeft.getAsDouble(), zenithRight.getAsDouble()))
                : OptionalDouble.empty();
    }
}
