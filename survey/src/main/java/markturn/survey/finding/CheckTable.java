package markturn.survey.finding;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
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
    private final List<Judgement> judgements;

    private CheckTable(Job job, Measured measured, List<Judgement> judgements) {
        this.job = job;
        this.measured = measured;
        this.judgements = judgements;
    }

    /** How a check came out. */
    public enum Verdict {
        WITHIN("not contradicted"),
        OUT("differs"),
        EMPTY("no position");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        /** The verdict in words. */
        public String words() {
            return words;
        }
    }

    /**
     * One check.
     *
     * @param first the setup that gave the position, or {@code given}
     * @param planLimit metres; the larger of the class limit and what both precisions reach by chance
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
            Verdict verdict,
            OptionalDouble planLimit,
            OptionalDouble elevationLimit,
            OptionalDouble planMissed,
            OptionalDouble elevationMissed,
            String blind,
            Optional<Decision.SecondSight> decided,
            String decidedAt,
            boolean decidable) {}

    /** The table, what differs first; sights back on what orients a setup test its circle and stand with the setup. */
    public static List<Row> of(Job job, Measured measured, List<Judgement> judgements) {
        CheckTable table = new CheckTable(job, measured, judgements);
        return measured.checks().stream()
                .filter(check -> !table.isSightBack(check))
                .map(table::row)
                .sorted(java.util.Comparator.comparing(row -> row.verdict() != Verdict.OUT))
                .toList();
    }

    private boolean isSightBack(Check check) {
        return job.setup(check.from())
                .filter(s -> s.orientation().sights().stream()
                        .anyMatch(sight -> job.trueName(sight).equals(check.mark())))
                .isPresent();
    }

    private Row row(Check check) {
        OptionalDouble plan = limit(Limit.SECOND_FIX_POSITION, check, check.plan());
        OptionalDouble up = limit(Limit.SECOND_FIX_ELEVATION, check, check.elevationDifference());
        boolean out = isBeyond(check.plan(), plan) || isBeyond(check.elevationDifference(), up);
        Optional<MeasuredMark> mark = measured.mark(check.mark());
        String first = mark.flatMap(MeasuredMark::from).orElse(GIVEN);
        return new Row(
                check,
                first,
                check.plan().isEmpty() ? Verdict.EMPTY : out ? Verdict.OUT : Verdict.WITHIN,
                plan,
                up,
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

    private static boolean isBeyond(OptionalDouble value, OptionalDouble limit) {
        return value.isPresent() && limit.isPresent() && Math.abs(value.getAsDouble()) > limit.getAsDouble();
    }

    private static OptionalDouble times(OptionalDouble stdDev) {
        return stdDev.isPresent() ? OptionalDouble.of(Observation.DETECTABLE_FACTOR * stdDev.getAsDouble()) : stdDev;
    }

    private OptionalDouble limit(Limit quantity, Check check, OptionalDouble value) {
        return judgements.stream()
                .filter(j -> j.quantity() == quantity
                        && j.target().equals(check.mark())
                        && (j.setup().equals(check.from()) || j.setup().isEmpty())
                        && value.isPresent()
                        && Math.abs(Math.abs(j.value()) - Math.abs(value.getAsDouble())) < 1e-12)
                .mapToDouble(Judgement::limit)
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
        long out = rows.stream().filter(r -> r.verdict() == Verdict.OUT).count();
        long own = rows.stream().filter(r -> r.check().from().equals(r.first())).count();
        if (rows.isEmpty()) {
            return "Nothing has been sighted a second time: no located point and no new mark is tested.";
        }
        String first = out == 0
                ? "%d %s, none contradicts what it tested."
                        .formatted(rows.size(), rows.size() == 1 ? "check" : "checks")
                : "%d of %d %s differ by more than both precisions allow."
                        .formatted(out, rows.size(), rows.size() == 1 ? "check" : "checks");
        return own == 0
                ? first
                : first + " %d from the very setup that gave the position: they test only the pointing.".formatted(own);
    }
}
