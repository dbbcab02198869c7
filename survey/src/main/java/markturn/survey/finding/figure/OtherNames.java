package markturn.survey.finding.figure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;

/** New marks that stand where a fixed one stands: perhaps that mark, booked under another name. Only a person can say so. */
public final class OtherNames {
    /** Positions farther apart than this many standard deviations are two places. Source: common practice, no source. */
    private static final double SIGMAS = 3;

    private OtherNames() {}

    /**
     * A likeness of two marks.
     *
     * @param mark the new one
     * @param from the setup, or the satellites, that carried it
     * @param fixed the one with coordinates given or adopted
     * @param distance between them in plan, metres
     * @param limit three standard deviations of that distance, metres
     */
    public record Likeness(String mark, String from, String fixed, double distance, double limit) {}

    /** Each new mark with the nearest fixed one that its position cannot be told from, in the job's order. */
    public static List<Likeness> of(Measured measured) {
        List<MeasuredMark> carried = measured.marks().newControl().stream()
                .filter(m -> m.position().isPresent())
                .filter(m -> m.from().isPresent() && m.adjustedBy().isEmpty())
                .toList();
        if (carried.isEmpty()) {
            return List.of();
        }
        Map<String, Likeness> nearest = likeAdopted(carried, measured);
        carried.forEach(mark -> likeGiven(mark, measured, nearest));
        return carried.stream()
                .flatMap(m -> Optional.ofNullable(nearest.get(m.name())).stream())
                .toList();
    }

    /** Those like a mark that is fixed by more than its given coordinates. */
    private static Map<String, Likeness> likeAdopted(List<MeasuredMark> carried, Measured measured) {
        List<MeasuredMark> fixed = measured.marks().fixed();
        double farthest = SIGMAS * Math.sqrt(widest(carried) + widest(fixed));
        NavigableMap<Double, List<MeasuredMark>> strips = new TreeMap<>();
        carried.forEach(m ->
                strips.computeIfAbsent(northing(m), at -> new ArrayList<>()).add(m));
        Map<String, Likeness> nearest = new HashMap<>();
        for (MeasuredMark known : fixed) {
            strips.subMap(northing(known) - farthest, true, northing(known) + farthest, true).values().stream()
                    .flatMap(List::stream)
                    .forEach(m -> take(between(m, known), nearest));
        }
        return nearest;
    }

    /** The nearest mark with given coordinates; they are held, so that a mark's own deviations say how far to look. */
    private static void likeGiven(MeasuredMark mark, Measured measured, Map<String, Likeness> nearest) {
        Position at = mark.position().orElseThrow();
        double farthest = SIGMAS * Math.sqrt(at.plan().nn() + at.plan().ee());
        measured.marks().givenAround(at.northing(), at.easting(), farthest, (given, radius) -> {
            MeasuredMark known = measured.mark(given.name()).orElseThrow();
            return isFixed(known) && take(between(mark, known), nearest)
                    ? Math.min(radius, nearest.get(mark.name()).distance())
                    : radius;
        });
    }

    private static boolean isFixed(MeasuredMark mark) {
        return mark.position().isPresent()
                && (mark.adjustedBy().isPresent() || mark.from().isEmpty());
    }

    /** Whether it is within its limit; the nearer one is kept. */
    private static boolean take(Likeness likeness, Map<String, Likeness> nearest) {
        if (likeness.distance() > likeness.limit()) {
            return false;
        }
        nearest.merge(likeness.mark(), likeness, (one, other) -> other.distance() < one.distance() ? other : one);
        return true;
    }

    /** The largest variance of any of them along any azimuth, square metres. */
    private static double widest(List<MeasuredMark> marks) {
        return marks.stream()
                .mapToDouble(m -> m.position().orElseThrow().plan().nn()
                        + m.position().orElseThrow().plan().ee())
                .max()
                .orElse(0);
    }

    private static double northing(MeasuredMark mark) {
        return mark.position().orElseThrow().northing();
    }

    private static Likeness between(MeasuredMark carried, MeasuredMark fixed) {
        Position one = carried.position().orElseThrow();
        Position other = fixed.position().orElseThrow();
        double variance = one.plan().plus(other.plan()).along(other.azimuthTo(one));
        return new Likeness(
                carried.name(),
                carried.from().orElseThrow(),
                fixed.name(),
                other.distanceTo(one),
                SIGMAS * Math.sqrt(variance));
    }

    /** What the job says of a mark's names so far: those that are another's. */
    public static Stream<Mark> said(Job job) {
        return job.marks().stream().filter(m -> m.sameAs().isPresent());
    }
}
