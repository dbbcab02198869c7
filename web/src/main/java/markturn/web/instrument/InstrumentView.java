package markturn.web.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.survey.angle.AngleUnit;
import markturn.survey.instrument.Jump;
import markturn.survey.instrument.Pooled;
import markturn.survey.instrument.SetTest;
import markturn.survey.job.Instrument;
import markturn.survey.job.Instrument.Remembered;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.survey.show.Display;

/** What the page of an instrument shows of its history: a verdict, drawings, its own figures, setup by setup. In metres and seconds. */
final class InstrumentView {
    static final Units UNITS = new Units(LengthUnit.METRE, AngleUnit.DMS);

    private final List<SetupFigures> history;
    private final Map<Integer, List<Jump>> jumps;
    private final Instrument profile;
    private final Function<SetupFigures, String> where;
    private final Display show = new Display(UNITS);

    /** @param where the job and setup of some figures, as whoever looks may know it */
    InstrumentView(List<SetupFigures> history, Instrument profile, Function<SetupFigures, String> where) {
        this.history = history;
        this.jumps = InstrumentMemory.jumps(history);
        this.profile = profile;
        this.where = where;
    }

    /** A standard deviation of its own beside the profile's. */
    public record Own(String what, String profile, String own, String interval, int degrees, boolean beyond) {}

    /** A setup of its history. */
    public record Shown(
            String where,
            String at,
            String temperature,
            int pairs,
            String collimation,
            String index,
            String trunnion,
            List<String> jumps,
            String test) {}

    List<HistoryDrawing> drawings() {
        List<SetupFigures> inSets =
                history.stream().filter(f -> f.directions().degrees() > 0).toList();
        return List.of(
                HistoryDrawing.of(
                        "Collimation",
                        history,
                        f -> f.remembered().collimation(),
                        f -> f.remembered().collimationStdDev(),
                        places(false),
                        show,
                        where),
                HistoryDrawing.of(
                        "Vertical index",
                        history,
                        f -> f.remembered().index(),
                        f -> f.remembered().indexStdDev(),
                        places(true),
                        show,
                        where),
                HistoryDrawing.of(
                        "Spread of the collimation",
                        history,
                        SetupFigures::collimationSpread,
                        f -> 0,
                        Set.of(),
                        show,
                        where),
                HistoryDrawing.of(
                        "Standard deviation of a direction, from the sets of a setup",
                        inSets,
                        f -> f.directions().stdDev().orElse(0),
                        f -> f.directions().stdDev().orElse(0)
                                / Math.sqrt(2.0 * f.directions().degrees()),
                        Set.of(),
                        show,
                        where));
    }

    private Set<Integer> places(boolean index) {
        return jumps.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(j -> j.index() == index))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    String verdict() {
        if (history.isEmpty()) {
            return "Nothing was read on both faces with it yet.";
        }
        Remembered last = history.get(history.size() - 1).remembered();
        String now = "Collimation %s%s, index %s%s at the last setup, %s."
                .formatted(
                        show.smallAmount(last.collimation()),
                        show.smallSign(),
                        show.smallAmount(last.index()),
                        show.smallSign(),
                        show.dayAndTime(last.at()));
        Optional<Integer> latest = jumps.keySet().stream().max(Comparator.naturalOrder());
        boolean atLast = latest.filter(place -> place == history.size() - 1).isPresent();
        return latest.map(place -> jumps.get(place).get(0))
                .map(jump -> now + (atLast ? " It jumped there, after " : " It jumped once, after ")
                        + show.dayAndTime(jump.lastGood()) + ": test it before you rely on one face.")
                .orElse(now + " No jump among " + show.count(history.size(), "setup", "setups") + ".");
    }

    List<Own> own() {
        double small = UNITS.angle().small();
        return List.of(
                own(
                        "direction, one set, " + show.smallSign(),
                        pooled(history, SetupFigures::directions),
                        profile.directionStdDev(),
                        small),
                own(
                        "zenith angle, one set, " + show.smallSign(),
                        pooled(history, SetupFigures::zeniths),
                        profile.zenithStdDev(),
                        small),
                own(
                        "distance over sets, mm",
                        pooled(history, SetupFigures::distances),
                        profile.distanceStdDev(),
                        0.001));
    }

    /** All setups together. */
    static Pooled pooled(List<SetupFigures> history, Function<SetupFigures, Pooled> what) {
        Pooled all = Pooled.NONE;
        for (SetupFigures each : history) {
            all = all.plus(what.apply(each));
        }
        return all;
    }

    private static Own own(String what, Pooled pooled, double profile, double unit) {
        Display show = new Display(UNITS);
        return pooled.degrees() < 1
                ? new Own(what, show.number(profile / unit, 1), "–", "–", 0, false)
                : new Own(
                        what,
                        show.number(profile / unit, 1),
                        show.number(pooled.stdDev().getAsDouble() / unit, 1),
                        show.number(pooled.least() / unit, 1) + " to " + show.number(pooled.most() / unit, 1),
                        pooled.degrees(),
                        pooled.least() > profile);
    }

    List<Shown> shown() {
        List<Shown> rows = new ArrayList<>();
        for (int i = history.size() - 1; i >= 0; i--) {
            SetupFigures each = history.get(i);
            Remembered shown = each.remembered();
            rows.add(new Shown(
                    where.apply(each),
                    show.dayAndTime(each.at()),
                    each.temperature().isPresent()
                            ? show.number(each.temperature().getAsDouble(), 0)
                            : "",
                    each.pairs(),
                    show.smallAmount(shown.collimation()) + " ± " + show.smallAmount(shown.collimationStdDev()),
                    show.smallAmount(shown.index()) + " ± " + show.smallAmount(shown.indexStdDev()),
                    each.trunnion().isPresent()
                            ? show.smallAmount(each.trunnion().getAsDouble())
                            : "",
                    jumps.getOrDefault(i, List.of()).stream()
                            .map(j -> j.index() ? "index jumped" : "collimation jumped")
                            .toList(),
                    each.isWholeTest() ? statement(each.directions(), profile.directionStdDev(), show) : ""));
        }
        return rows;
    }

    /** What a test says in a line. */
    static String statement(Pooled pooled, double stated, Display show) {
        double limit = SetTest.limit(stated, pooled.degrees());
        double found = pooled.stdDev().orElse(0);
        return "s = %s%s of %d degrees of freedom; may reach %s%s: %s"
                .formatted(
                        show.smallAmount(found),
                        show.smallSign(),
                        pooled.degrees(),
                        show.smallAmount(limit),
                        show.smallSign(),
                        found <= limit ? "as good as stated" : "worse than stated");
    }
}
