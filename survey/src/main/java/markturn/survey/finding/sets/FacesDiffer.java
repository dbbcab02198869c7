package markturn.survey.finding.sets;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.finding.judgement.FacePairs;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Instrument;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.Faces;
import markturn.survey.result.MeasuredSetup;

/** A face-left, face-right pair that misses 180° (or 360° of zenith) by far more than the others: a misread digit, a wrong face, a wrong target. */
final class FacesDiffer implements SetupRule {

    /** Digits people misread, as excess over 180°, and how it is said. Common practice, no source. */
    private static final Map<Double, String> DIGITS = digits();

    private static Map<Double, String> digits() {
        Map<Double, String> digits = new LinkedHashMap<>();
        digits.put(Math.toRadians(1 / 60.0), "a 1' digit");
        digits.put(Math.toRadians(5 / 60.0), "a 5' digit");
        digits.put(Math.toRadians(10 / 60.0), "a 10' digit");
        digits.put(Math.toRadians(1), "a 1° digit");
        digits.put(Math.toRadians(10), "a 10° digit");
        digits.put(Math.toRadians(100), "a 100° digit");
        digits.put(Math.PI / 200, "a 1 gon digit");
        digits.put(Math.PI / 2000, "a 0.1 gon digit");
        digits.put(Math.PI / 20000, "a 0.01 gon digit");
        return digits;
    }

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        List<Finding> found = new ArrayList<>();
        Instrument instrument = evidence.settings().instrument(setup.setup().instrument());
        FacePairs.collimations(setup, instrument).stream()
                .filter(FacePairs.Pair::isGross)
                .forEach(pair -> found.add(circles(evidence, setup, pair)));
        FacePairs.indexes(setup, instrument).stream()
                .filter(FacePairs.Pair::isGross)
                .forEach(pair -> found.add(zeniths(evidence, setup, pair)));
        setup.booked().readings().stream()
                .map(BookedReading::reading)
                .filter(FacesDiffer::zenithContradictsFace)
                .forEach(r -> found.add(wrongFace(setup, r)));
        return found.stream();
    }

    private static boolean zenithContradictsFace(Reading reading) {
        return reading.zenith().isPresent()
                && Faces.contradicts(reading.face(), reading.zenith().get().radians());
    }

    private static Finding wrongFace(MeasuredSetup setup, Reading reading) {
        String booked = reading.face().name();
        String read = reading.face().other().name();
        return Finding.of(
                FindingCode.FACES_DIFFER,
                Severity.STOP,
                setup.name(),
                reading.target(),
                "%s is booked as face %s, but its zenith angle belongs to face %s. Strike it out and point on face %s."
                        .formatted(reading.target(), booked, read, booked));
    }

    private static Finding circles(SetupEvidence evidence, MeasuredSetup setup, FacePairs.Pair pair) {
        Words words = evidence.words();
        double excess = pair.excess();
        FaceMeans means = pair.fix().pointings().means().bySet().get(pair.set());
        double difference = means.right().getAsDouble() - means.left().getAsDouble();
        String usual = words.angle(Math.PI - 2 * (pair.value() - pair.fromTypical()));
        return Finding.of(
                        FindingCode.FACES_DIFFER,
                        Severity.STOP,
                        setup.name(),
                        pair.fix().target(),
                        "Set %d, %s: faces differ by %s; the others by %s. %s"
                                .formatted(
                                        pair.set(),
                                        pair.fix().target(),
                                        words.angle(difference),
                                        usual,
                                        likeliest(pair, setup, means)))
                .inSet(pair.set())
                .with(Measure.ARC, excess, pair.limit());
    }

    private static Finding zeniths(SetupEvidence evidence, MeasuredSetup setup, FacePairs.Pair pair) {
        double excess = pair.excess();
        String digit = digit(pair)
                .map(d -> "Likeliest: " + d + ". Look at the display and point again.")
                .orElse("Look at the pole and the target height, and point again on both faces.");
        return Finding.of(
                        FindingCode.FACES_DIFFER,
                        Severity.STOP,
                        setup.name(),
                        pair.fix().target(),
                        "Set %d, %s: the zenith angles of both faces miss 360° by %s more than the others. %s"
                                .formatted(
                                        pair.set(),
                                        pair.fix().target(),
                                        evidence.words().small(excess),
                                        digit))
                .inSet(pair.set())
                .with(Measure.ARC, excess, pair.limit());
    }

    private static String likeliest(FacePairs.Pair pair, MeasuredSetup setup, FaceMeans means) {
        if (Math.abs(Angles.shortWay(pair.excess() - Math.PI)) < Math.toRadians(1)) {
            return "Likeliest: both were read on the same face. Plunge and point again on the other face.";
        }
        Optional<String> digit = digit(pair);
        if (digit.isPresent()) {
            return "Likeliest: " + digit.get() + ". Look at the display.";
        }
        double right = Angles.onCircle(means.right().getAsDouble() - Math.PI);
        return setup.booked().fixes().stream()
                .filter(f -> f.pointings().means().bySet().values().stream()
                        .anyMatch(other -> other != means
                                && other.bothFaces()
                                && Math.abs(Angles.shortWay(other.direction() - right)) < Math.toRadians(0.1)))
                .findFirst()
                .map(f -> "Face right lies on " + f.target() + ". Point again on face right.")
                .orElse("Likeliest: another target. Point again on both faces.");
    }

    private static Optional<String> digit(FacePairs.Pair pair) {
        return DIGITS.entrySet().stream()
                .filter(d -> pair.fits(d.getKey()))
                .map(Map.Entry::getValue)
                .findFirst();
    }
}
