package markturn.survey.finding.figure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.survey.result.SingleFault;
import markturn.survey.result.Suspect;

/** What, wrong alone, would let a traverse close, in the field's words: where, how much, how well, what it looks like, what proves it. */
public final class Suspects {
    private final Job job;
    private final Measured measured;
    private final Words words;
    private final ErrorPatterns hints;

    private Suspects(Job job, Measured measured) {
        this.job = job;
        this.measured = measured;
        this.words = new Words(job.units());
        this.hints = new ErrorPatterns(job, measured);
    }

    /**
     * A suspect as it is said.
     *
     * @param what the thing that would be wrong
     * @param size by how much
     * @param explains the share of the misfit that would go with it, in percent
     * @param left the variance factor that would be left
     * @param enough whether that is no more than chance leaves: it alone explains the misfit
     * @param hint what its size looks like; empty where it looks like nothing
     * @param proof what observing it again would show
     * @param from a station it is at, or where its line begins; empty where it is at no place
     * @param to where its line ends; empty where it is no line
     */
    public record SuspectWords(
            String what,
            String size,
            String explains,
            String left,
            boolean enough,
            String hint,
            String proof,
            String from,
            String to) {}

    /** Those of a traverse, in plan and then in elevation, each list the best first. */
    public static List<SuspectWords> explained(Job job, Measured measured, MeasuredTraverse traverse) {
        Suspects suspects = new Suspects(job, measured);
        return Stream.concat(traverse.suspects().stream(), traverse.levelSuspects().stream())
                .map(suspects::said)
                .toList();
    }

    private SuspectWords said(Suspect of) {
        SingleFault.What what = of.what();
        String station = job.setup(what.setup()).map(Setup::station).orElse("");
        List<String> ends = ends(what, station);
        boolean angular = what.kind().angular();
        String size = angular ? words.size(of.size()) : words.difference(of.size());
        return new SuspectWords(
                named(what, station),
                (of.size() < 0 ? "-" : "+") + size,
                Words.number(Math.min(of.explains(), 0.9999) * 100, 2) + " %",
                Words.number(of.left(), 2),
                of.enough(),
                hints.of(of),
                proof(what, station, size),
                ends.isEmpty() ? "" : ends.get(0),
                ends.size() < 2 ? "" : ends.get(1));
    }

    private List<String> ends(SingleFault.What what, String station) {
        if (what.kind() == SingleFault.Kind.LEG) {
            return List.of(what.mark().split(" – "));
        }
        return what.setup().isEmpty()
                ? List.of()
                : what.mark().isEmpty() ? List.of(station) : List.of(station, what.mark());
    }

    private static String named(SingleFault.What what, String station) {
        String at = "%s (%s)".formatted(station, what.setup());
        return switch (what.kind()) {
            case ANGLE -> "the angle at " + at;
            case LEG -> "the length %s, both ways alike".formatted(what.mark());
            case CONSTANT ->
                what.isWithoutReflector()
                        ? "the instrument's constant without reflector, in every such length"
                        : "the constant of %s, in every length".formatted(what.mark());
            case INSTRUMENT_HEIGHT -> "the instrument height at " + at;
            case HEIGHT_DIFFERENCE -> "the target height or the zenith angle from %s to %s".formatted(at, what.mark());
            default -> "the %s from %s to %s".formatted(what.kind().words(), at, what.mark());
        };
    }

    private static String proof(SingleFault.What what, String station, String size) {
        return switch (what.kind()) {
            case ANGLE, DIRECTION ->
                "Turn it again from %s: if it changes by %s it was this; if it repeats, it was not."
                        .formatted(station, size);
            case LEG, DISTANCE ->
                "Measure it again, with another reflector: if it changes by %s it was this; if it repeats, it was not."
                        .formatted(size);
            case CONSTANT -> "Measure one length with a tape or another reflector: it shows the constant at once.";
            default ->
                "Tape the height again where it still stands, or sight the mark again with another height: a change of %s decides it."
                        .formatted(size);
        };
    }

    /**
     * How far from each known mark the carried end lies, the nearest first: where the last sight may have gone instead.
     *
     * @param distance metres, from the carried end
     * @param booked whether the figure was booked to end there
     */
    public record Elsewhere(String mark, double distance, boolean booked) {}

    /** The known mark on which a traverse that does not close would close within its limit; empty where there is none. */
    public static Optional<Elsewhere> endElsewhere(Job job, Measured measured, MeasuredTraverse traverse) {
        return elsewhere(job, measured, traverse).stream()
                .findFirst()
                .filter(e -> !e.booked() && e.distance() <= TraverseLimits.linear(job, traverse));
    }

    /** For a traverse that does not close. */
    public static List<Elsewhere> elsewhere(Job job, Measured measured, MeasuredTraverse traverse) {
        List<Elsewhere> all = new ArrayList<>();
        if (traverse.northing().isEmpty()) {
            return all;
        }
        List<String> route = traverse.traverse().route();
        String end = job.trueName(route.get(route.size() - 1));
        String stoodOn = job.trueName(route.get(route.size() - 2));
        Position known = measured.mark(end).flatMap(MeasuredMark::position).orElse(null);
        if (known == null) {
            return all;
        }
        double north = known.northing() + traverse.northing().getAsDouble();
        double east = known.easting() + traverse.easting().getAsDouble();
        measured.marks().stream()
                .filter(m -> m.mark().given().isPresent() && m.position().isPresent())
                .filter(m -> !m.name().equals(stoodOn))
                .forEach(m -> all.add(new Elsewhere(
                        m.name(),
                        Math.hypot(
                                m.position().get().northing() - north,
                                m.position().get().easting() - east),
                        m.name().equals(end))));
        all.sort(java.util.Comparator.comparingDouble(Elsewhere::distance));
        return all;
    }
}
