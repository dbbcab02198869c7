package markturn.web.fieldbook;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import markturn.survey.finding.base.Basis;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.result.Position;
import markturn.survey.show.Display;

/**
 * What stands adopted from a run, beside what the run gives now.
 *
 * @param run its name
 * @param changed what of the setups is otherwise than when it was adopted, in words; empty where nothing is, or nobody knows
 * @param closed how the run closed when it was adopted, in words; empty where a file brought the coordinates without them
 */
public record StandingAdoption(String run, Optional<Decision> decision, String closed, List<Row> rows, String changed) {
    /** That it is adopted, by whom and when, as far as known. */
    public String title(Display show) {
        String by = decision.map(d -> " by " + d.by()).orElse("");
        return "Adopted" + by
                + decision.flatMap(Decision::at)
                        .map(at -> ", " + show.dayAndTime(at))
                        .orElse("");
    }

    /** Tells what is adopted from anything else that might be: what is withdrawn is what was shown. */
    public String shown() {
        return Shown.of(rows.stream().map(row -> row.adopted().toString()).collect(Collectors.joining("\n")));
    }

    /** One mark: adopted, and as the run gives it now. */
    public record Row(Adopted adopted, Optional<Position> now) {
        /** The run now less what was adopted, metres; so the next two. */
        public OptionalDouble northing() {
            return OptionalDouble.of(
                    now.orElseThrow().northing() - adopted.position().northing());
        }

        public OptionalDouble easting() {
            return OptionalDouble.of(
                    now.orElseThrow().easting() - adopted.position().easting());
        }

        /** Empty where either has none. */
        public OptionalDouble elevation() {
            OptionalDouble there = now.orElseThrow().elevation();
            OptionalDouble then = adopted.position().elevation();
            return there.isPresent() && then.isPresent()
                    ? OptionalDouble.of(there.getAsDouble() - then.getAsDouble())
                    : OptionalDouble.empty();
        }
    }

    /**
     * What stands adopted from a run; empty where nothing does.
     *
     * @param now positions that the run gives now, by true name
     */
    public static Optional<StandingAdoption> of(Job job, String run, Map<String, Position> now) {
        Map<String, Adopted> standing = new LinkedHashMap<>();
        job.adopted().stream().filter(a -> a.from().equals(run)).forEach(a -> standing.put(job.trueName(a.mark()), a));
        if (standing.isEmpty()) {
            return Optional.empty();
        }
        List<Row> rows = new ArrayList<>();
        standing.forEach((mark, adopted) -> rows.add(new Row(adopted, Optional.ofNullable(now.get(mark)))));
        Optional<Decision> decision = job.decisions().stream()
                .filter(d -> d.what().equals(Decision.ADOPT)
                        && (d.concerning("traverse").equals(run)
                                || d.concerning("run").equals(run)))
                .reduce((earlier, later) -> later);
        return Optional.of(new StandingAdoption(
                run,
                decision,
                decision.map(d -> d.concerning(Decision.CLOSED)).orElse(""),
                rows,
                decision.flatMap(Basis::of)
                        .map(then -> then.changed(Basis.of(job)))
                        .orElse("")));
    }
}
