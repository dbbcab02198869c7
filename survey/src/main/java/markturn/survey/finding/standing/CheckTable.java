package markturn.survey.finding.standing;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.judgement.Judgement.Verdict;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.result.Check;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Observation;

/** All checks of a job, each with a verdict against what both precisions together allow, and with what it could not have shown. */
public final class CheckTable {
    private static final String GIVEN = "given";

    private final Job job;
    private final Measured measured;
    /** By mark: of thousands of judgements each row looks at its own mark's only. */
    private final Map<String, List<Judgement>> judgements;

    private CheckTable(Job job, Measured measured, List<Judgement> judgements) {
        this.job = job;
        this.measured = measured;
        this.judgements = judgements.stream()
                .filter(j -> j.quantity() == Limit.SECOND_FIX_POSITION || j.quantity() == Limit.SECOND_FIX_ELEVATION)
                .collect(Collectors.groupingBy(Judgement::target));
    }

    /**
     * One check.
     *
     * @param first the setup that gave the position, or {@code given}
     * @param verdict the worse of plan and elevation; empty where one of the sights gave no position
     * @param planLimit metres, as it is judged
     * @param elevationLimit metres; empty without elevations
     * @param planMissed the smallest shift in the plan that would have shown four times in five, metres
     * @param elevationMissed the same up or down
     * @param blind what it cannot see at all, in words
     * @param decided what was decided about it
     * @param decidedAt the setup whose sight that decision is about; empty without one
     * @param decidable whether it may be meaned or replaced: only a located point, on which nothing rests
     */
    public record Row(
            Check check,
            String first,
            Optional<Verdict> verdict,
            OptionalDouble planLimit,
            OptionalDouble elevationLimit,
            OptionalDouble planMissed,
            OptionalDouble elevationMissed,
            String blind,
            Optional<Decision.SecondSight> decided,
            String decidedAt,
            boolean decidable) {
        /** Whether it is still to be decided which of two sights counts. */
        public boolean isOpen() {
            return decidable && decided.isEmpty() && verdict.isPresent();
        }

        /** Whether the first sight no longer counts alone. */
        public boolean isChanged() {
            return decidable
                    && decided.filter(d -> d != Decision.SecondSight.KEEP).isPresent();
        }

        /** The verdict in words. */
        public String words() {
            return verdict.map(Verdict::words).orElse("no position");
        }

        /** Whether it is over its limit. */
        public boolean isOut() {
            return verdict.filter(Verdict.OVER_LIMIT::equals).isPresent();
        }
    }

    /** The table, what differs first; sights back on what orients a setup test its circle and stand with the setup. */
    public static List<Row> of(Job job, Measured measured, List<Judgement> judgements) {
        CheckTable table = new CheckTable(job, measured, judgements);
        return measured.checks().stream()
                .filter(check -> !table.isSightBack(check))
                .map(table::row)
                .sorted(Comparator.comparing(row -> !row.isOut()))
                .toList();
    }

    private boolean isSightBack(Check check) {
        return job.setup(check.from())
                .filter(s -> s.orientation().sights().stream()
                        .anyMatch(sight -> job.trueName(sight).equals(check.mark())))
                .isPresent();
    }

    private Row row(Check check) {
        Optional<Judgement> plan = judgement(Limit.SECOND_FIX_POSITION, check, check.plan());
        Optional<Judgement> up = judgement(Limit.SECOND_FIX_ELEVATION, check, check.elevationDifference());
        Optional<MeasuredMark> mark = measured.mark(check.mark());
        String first = mark.flatMap(MeasuredMark::from).orElse(GIVEN);
        return new Row(
                check,
                first,
                Stream.concat(plan.stream(), up.stream())
                        .map(Judgement::verdict)
                        .max(Comparator.naturalOrder()),
                limit(plan),
                limit(up),
                times(check.positionStdDev()),
                times(check.elevationStdDev()),
                blind(check, first),
                decided(check).flatMap(Decision.SecondSight::of),
                decided(check).map(d -> d.concerning("setup")).orElse(""),
                mark.filter(m -> m.mark().kind() == Mark.Kind.LOCATED
                                && m.mark().given().isEmpty()
                                && job.setup(check.from()).isPresent())
                        .isPresent());
    }

    private static OptionalDouble times(OptionalDouble stdDev) {
        return stdDev.isPresent() ? OptionalDouble.of(Observation.DETECTABLE_FACTOR * stdDev.getAsDouble()) : stdDev;
    }

    private static OptionalDouble limit(Optional<Judgement> of) {
        return of.map(j -> OptionalDouble.of(j.limit())).orElse(OptionalDouble.empty());
    }

    private Optional<Judgement> judgement(Limit quantity, Check check, OptionalDouble value) {
        return judgements.getOrDefault(check.mark(), List.of()).stream()
                .filter(j -> j.quantity() == quantity
                        && (j.setup().equals(check.from()) || j.setup().isEmpty())
                        && value.isPresent()
                        && Math.abs(Math.abs(j.value()) - Math.abs(value.getAsDouble())) < 1e-12)
                .findFirst();
    }

    private String blind(Check check, String first) {
        if (check.from().equals(first)) {
            return "From the same setup: it cannot see a wrong station, orientation or instrument height.";
        }
        if (first.equals(GIVEN)) {
            return "Against given coordinates: it tests them together with what orients the setup.";
        }
        if (job.setup(check.from()).isEmpty() || job.setup(first).isEmpty() && !first.equals(MeasuredSetup.SEVERAL)) {
            return "From %s: independent of every setup; it cannot see less than its own noise."
                    .formatted(
                            check.from().equals(MeasuredMark.SATELLITE_FIX) || first.equals(MeasuredMark.SATELLITE_FIX)
                                    ? "satellites"
                                    : "a list");
        }
        Optional<String> same = sharedStation(check.from(), first);
        if (same.isPresent()) {
            return "Both setups stand on %s: an error of that mark would not show.".formatted(same.get());
        }
        Optional<String> backsight = sharedSight(check.from(), first);
        return backsight
                .map(b -> "Both setups are oriented on %s: a shift of it would show only in part.".formatted(b))
                .orElse(
                        check.plan().isEmpty()
                                ? "One of the sights gave no position."
                                : "From another station: independent but for the control beneath both.");
    }

    private Optional<String> sharedStation(String one, String other) {
        Optional<String> station = job.setup(one).map(s -> job.trueName(s.station()));
        return station.filter(
                s -> job.setup(other).map(o -> job.trueName(o.station())).equals(station));
    }

    private Optional<String> sharedSight(String one, String other) {
        List<String> sights = job.setup(other).map(s -> s.orientation().sights()).orElse(List.of()).stream()
                .map(job::trueName)
                .toList();
        return job.setup(one).map(s -> s.orientation().sights()).orElse(List.of()).stream()
                .map(job::trueName)
                .filter(sights::contains)
                .findFirst();
    }

    private Optional<Decision> decided(Check check) {
        return job.decisions().stream()
                .filter(d -> job.trueName(d.concerning("mark")).equals(check.mark())
                        && (d.concerning("setup").equals(check.from())
                                || measured.mark(check.mark())
                                        .flatMap(MeasuredMark::from)
                                        .filter(d.concerning("setup")::equals)
                                        .isPresent()))
                .filter(d -> Decision.SecondSight.of(d).isPresent())
                .reduce((earlier, later) -> later);
    }

    /** The whole table in a sentence. */
    public static String sentence(List<Row> rows) {
        long out = rows.stream().filter(Row::isOut).count();
        long beyond = rows.stream()
                .filter(r -> r.verdict().filter(Verdict.BEYOND_CHANCE::equals).isPresent())
                .count();
        long own = rows.stream().filter(r -> r.check().from().equals(r.first())).count();
        if (rows.isEmpty()) {
            return "Nothing has been sighted a second time: no located point and no new mark is tested.";
        }
        String first = out == 0
                ? "%d %s, none over its limit%s."
                        .formatted(
                                rows.size(),
                                rows.size() == 1 ? "check" : "checks",
                                beyond == 0 ? "" : "; %d beyond what chance explains".formatted(beyond))
                : "%d of %d %s %s over %s limit."
                        .formatted(
                                out,
                                rows.size(),
                                rows.size() == 1 ? "check" : "checks",
                                out == 1 ? "is" : "are",
                                out == 1 ? "its" : "their");
        return own == 0
                ? first
                : first + " %d from the very setup that gave the position: they test only the pointing.".formatted(own);
    }
}
