package markturn.survey.finding.standing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.angle.Angles;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/** What would stay unproved if the instrument were picked up now, and the sight that would cure each. */
public final class BeforePickingUp {
    private static final int MARKS_PROPOSED = 2;
    /** Minutes; what was left yesterday cannot be cured by a sight today. */
    private static final double A_DAY = 1440;

    private final Job job;
    private final Measured measured;
    private final MeasuredSetup setup;
    private final Words words;
    private final Set<String> sights;

    private BeforePickingUp(Job job, Measured measured, MeasuredSetup setup) {
        this.job = job;
        this.measured = measured;
        this.setup = setup;
        this.words = new Words(job.units());
        this.sights = sights(job, setup);
    }

    /**
     * One thing that is loose.
     *
     * @param cure what to do, in words
     * @param sight the mark to sight for it; empty where no single sight cures it
     */
    public record Loose(String what, String cure, Optional<String> sight) {}

    /**
     * The list for a setup.
     *
     * @param now the time, for the age of the last look back; empty leaves that out
     */
    public static List<Loose> of(Job job, Measured measured, String setup, Optional<Instant> now) {
        return new BeforePickingUp(job, measured, measured.setup(setup)).list(now);
    }

    private List<Loose> list(Optional<Instant> now) {
        List<Loose> loose = new ArrayList<>();
        orientation(loose);
        closing(loose, now);
        independent(loose);
        newControl(loose);
        couldClose(loose);
        return loose;
    }

    private void orientation(List<Loose> loose) {
        String zero = setup.setup().orientation().zero();
        if (setup.orientation().isEmpty()) {
            loose.add(new Loose(
                    "Nothing of this setup is oriented.", "Sight " + zero + " on both faces.", Optional.of(zero)));
            return;
        }
        setup.backsights().stream()
                .filter(b -> b.used()
                        && b.distanceDifference().isEmpty()
                        && b.distance().isEmpty())
                .findFirst()
                .ifPresent(b -> loose.add(new Loose(
                        "No distance to a backsight tests the marks.",
                        "Measure the distance to " + b.target() + ".",
                        Optional.of(b.target()))));
    }

    private void closing(List<Loose> loose, Optional<Instant> now) {
        if (!carries()) {
            return;
        }
        String zero = setup.setup().orientation().zero();
        long shots = shotsSinceLastLook();
        if (shots > 0) {
            loose.add(new Loose(
                    "%d %s booked since the last closing sight: a turned circle would not show."
                            .formatted(shots, shots == 1 ? "line was" : "lines were"),
                    "Closing sight: " + zero + " again.",
                    Optional.of(zero)));
        } else if (setup.looks().isEmpty()) {
            loose.add(new Loose(
                    "No closing sight has been taken outside the sets.",
                    "Closing sight: " + zero + " again, before picking up.",
                    Optional.of(zero)));
        } else if (now.isPresent()
                && ageOfLastLook(now.get()).orElse(0) > interval()
                && ageOfLastLook(now.get()).orElse(0) < A_DAY) {
            loose.add(new Loose(
                    "The last closing sight is %s minutes old."
                            .formatted(Words.number(ageOfLastLook(now.get()).getAsDouble(), 0)),
                    "Closing sight: " + zero + " again.",
                    Optional.of(zero)));
        }
    }

    private boolean carries() {
        return setup.booked().readings().stream()
                .anyMatch(b -> b.reading().role() == Reading.Role.FORESIGHT
                        || b.reading().role() == Reading.Role.DETAIL);
    }

    private long shotsSinceLastLook() {
        int last = looks(setup, sights).mapToInt(BookedReading::place).max().orElse(-1);
        return setup.booked().readings().stream().filter(b -> b.place() > last).count();
    }

    /** The readings to what orients a setup, by true names. */
    private static Stream<BookedReading> looks(MeasuredSetup setup, Set<String> sights) {
        return setup.shots().stream()
                .filter(shot -> sights.contains(shot.mark()))
                .flatMap(shot -> shot.fix().pointings().readings().stream());
    }

    private static Set<String> sights(Job job, MeasuredSetup setup) {
        return setup.setup().orientation().sights().stream().map(job::trueName).collect(Collectors.toSet());
    }

    private double interval() {
        return job.classOfWork().limit(Limit.CLOSING_INTERVAL);
    }

    /** Minutes since what orients the setup was last sighted; empty where no time is known. */
    private OptionalDouble ageOfLastLook(Instant now) {
        return ageOfLastLook(job, setup, now);
    }

    /** Minutes since what orients a setup was last sighted; empty where no time is known. */
    public static OptionalDouble ageOfLastLook(Job job, MeasuredSetup setup, Instant now) {
        return looks(setup, sights(job, setup))
                .flatMap(b -> b.reading().at().stream())
                .max(Comparator.naturalOrder())
                .map(at -> OptionalDouble.of(Duration.between(at, now).getSeconds() / 60.0))
                .orElse(OptionalDouble.empty());
    }

    /** A known mark that orients nothing here, once sighted, tests orientation and station together. */
    private void independent(List<Loose> loose) {
        boolean tested = measured.checks().stream()
                .anyMatch(c ->
                        c.from().equals(setup.name()) && c.northingDifference().isPresent() && !isSight(c.mark()));
        if (tested || setup.station().isEmpty() || setup.orientation().isEmpty()) {
            return;
        }
        Position from = setup.station().get();
        List<MeasuredMark> others = Nearest.of(
                measured.marks(),
                from,
                MARKS_PROPOSED,
                mark -> mark.mark().kind() == Mark.Kind.CONTROL
                        && !isSight(mark.name())
                        && !mark.name().equals(job.trueName(setup.setup().station())));
        if (!others.isEmpty()) {
            String where = others.stream().map(m -> where(from, m)).collect(Collectors.joining(", or "));
            loose.add(new Loose(
                    "No mark that was not used has tested this setup.",
                    "Sight " + where + ".",
                    Optional.of(others.get(0).name())));
        }
    }

    private boolean isSight(String mark) {
        return sights.contains(mark);
    }

    private String where(Position from, MeasuredMark mark) {
        Position at = mark.position().orElseThrow();
        double azimuth = Angles.onCircle(from.azimuthTo(at));
        return "%s (%s, %s)".formatted(mark.name(), words.about(azimuth), words.line(from.distanceTo(at)));
    }

    private void newControl(List<Loose> loose) {
        List<String> oneRay = measured.marks().newControl().stream()
                .filter(m -> m.from().filter(setup.name()::equals).isPresent())
                .filter(m -> measured.checks().stream()
                        .noneMatch(c -> c.mark().equals(m.name())
                                && c.northingDifference().isPresent()))
                .map(MeasuredMark::name)
                .toList();
        if (!oneRay.isEmpty()) {
            loose.add(new Loose(
                    String.join(", ", oneRay) + (oneRay.size() == 1 ? " is" : " are") + " seen from one setup only.",
                    "Sight " + (oneRay.size() == 1 ? "it" : "them")
                            + " again from the next setup; from here only a slip of reading would show.",
                    Optional.empty()));
        }
    }

    /** A carried station that no known mark has tested: what chance has made of it so far, and what could close from here. */
    private void couldClose(List<Loose> loose) {
        String station = job.trueName(setup.setup().station());
        boolean carried = job.mark(station).flatMap(Mark::given).isEmpty()
                && !setup.setup().isFree();
        if (!carried || setup.station().isEmpty()) {
            return;
        }
        Position from = setup.station().get();
        boolean closed = setup.shots().stream()
                .map(Shot::mark)
                .anyMatch(target -> job.mark(target).flatMap(Mark::given).isPresent());
        if (closed) {
            return;
        }
        Nearest.of(measured.marks(), from, 1, mark -> mark.mark().given().isPresent()).stream()
                .findFirst()
                .ifPresent(nearest -> loose.add(new Loose(
                        "Carried this far and not closed: %s is good to %s by chance alone (95 %%), and nothing shows a slip."
                                .formatted(
                                        station,
                                        words.difference(
                                                from.plan().ellipse().of95().semiMajor())),
                        "From here the traverse could close on %s; or go on, and close later."
                                .formatted(where(from, nearest)),
                        Optional.of(nearest.name()))));
    }
}
