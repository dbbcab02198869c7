package markturn.simulator;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeMap;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.ClassOfWork.Preset;
import markturn.survey.job.Instrument;
import markturn.survey.job.Network;
import markturn.survey.job.Traverse;
import markturn.survey.result.MeasuredMark;

/**
 * What the program claims, tried at length on jobs of known truth: how often ellipses and bands hold it, how often clean work is found
 * fault with, and how often a slip is named, laid to another, or not seen. Prints tables; docs/promises.md keeps them.
 */
public final class Promises {
    /** Findings that are made by chance alone where nothing is wrong; others say what was left undone. */
    static final Set<String> BY_CHANCE = Set.of(
            "faces-differ",
            "set-residual",
            "half-set-closure",
            "collimation-spread",
            "index-spread",
            "distance-spread",
            "height-twice",
            "wrong-target",
            "reflector-constant",
            "height-measured-to",
            "backsight-distance",
            "backsight-elevation",
            "backsight-other-mark",
            "backsight-drift",
            "mark-disagrees",
            "marks-disagree",
            "groups-agree",
            "names-swapped",
            "scale-suspect",
            "elevation-round-error",
            "both-ways-differ",
            "second-fix",
            "misclosure-angle",
            "misclosure-linear",
            "misclosure-elevation",
            "blunder-suspect",
            "network-test",
            "network-residual");

    private static final double[] SECONDS = {0.5, 1, 2, 5, 10};
    /** A share of fewer positions scatters too far to be held against 95 %: jobs that try one mark are made the more often. */
    private static final int POSITIONS = 5;

    private Promises() {}

    /** Makes a job of a shape. */
    interface Shape {
        Campaigns.Tried of(long seed, Preset work, Instrument instrument);
    }

    /** A shape of work by its name. */
    record Named(String name, Shape shape) {}

    static final List<Named> SHAPES = List.of(
            new Named("chain of 1", (s, w, i) -> Campaigns.chain(s, 1, w, i)),
            new Named("chain of 3", (s, w, i) -> Campaigns.chain(s, 3, w, i)),
            new Named("chain of 8", (s, w, i) -> Campaigns.chain(s, 8, w, i)),
            new Named("chain of 20", (s, w, i) -> Campaigns.chain(s, 20, w, i)),
            new Named("loop of 5", (s, w, i) -> Campaigns.loop(s, 5, w, i, Traverse.Rule.LEAST_SQUARES)),
            new Named("free, 2 marks", (s, w, i) -> Campaigns.free(s, 2, w, i)),
            new Named("free, 4 marks", (s, w, i) -> Campaigns.free(s, 4, w, i)),
            new Named("network of 9", (s, w, i) -> Campaigns.network(s, 3, w, i)),
            new Named("network of 25", (s, w, i) -> Campaigns.network(s, 5, w, i)));

    /** How clean work fares: what is promised, and how often chance alone is found fault with. */
    static final class Clean {
        final Coverage coverage = new Coverage();
        int jobs;
        int setups;
        int faultySetups;
        int faultyJobs;
        final TreeMap<String, Integer> codes = new TreeMap<>();

        void take(Campaigns.Tried tried) {
            SurveyResult result = Survey.compute(
                    tried.network()
                            ? tried.campaign().job().with(new Network(true, false))
                            : tried.campaign().job());
            if (tried.network()) {
                result.measured()
                        .network()
                        .ifPresent(n -> n.marks()
                                .forEach(m -> coverage.take(
                                        m.position(), tried.world().at(m.name()))));
            } else {
                tried.marks()
                        .forEach(mark -> result.measured()
                                .mark(mark)
                                .flatMap(MeasuredMark::position)
                                .ifPresent(at -> coverage.take(at, tried.world().at(mark))));
            }
            List<Finding> wrong = result.findings().stream()
                    .filter(f -> f.severity() != Finding.Severity.NOTE
                            && BY_CHANCE.contains(f.code().key()))
                    .toList();
            wrong.forEach(f -> codes.merge(f.code().key(), 1, Integer::sum));
            jobs++;
            setups += result.measured().setups().size();
            faultySetups += (int) wrong.stream().map(Finding::setup).distinct().count();
            faultyJobs += wrong.isEmpty() ? 0 : 1;
        }

        @Override
        public String toString() {
            return String.format(
                    Locale.ROOT,
                    "%s | setups %.2f %%, jobs %.2f %% %s",
                    coverage,
                    100.0 * faultySetups / setups,
                    100.0 * faultyJobs / jobs,
                    codes.isEmpty() ? "" : codes);
        }
    }

    /**
     * Tries them.
     *
     * @param arguments how many jobs of each kind; 200 without
     */
    public static void main(String[] arguments) {
        int trials = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200;
        System.out.println("Clean work: shares that hold, and chance found fault with");
        Clean all = new Clean();
        for (Named named : SHAPES) {
            for (Preset work : Preset.values()) {
                Clean clean = new Clean();
                int jobs = trials;
                for (int done = 0; done < jobs; done++) {
                    double seconds = SECONDS[done % SECONDS.length];
                    long seed = done / SECONDS.length + (long) (1_000_000 * seconds);
                    Campaigns.Tried tried = named.shape().of(seed, work, Campaigns.instrument(seconds));
                    jobs = Math.max(jobs, POSITIONS * trials / tried.marks().size());
                    clean.take(tried);
                    all.take(tried);
                }
                System.out.printf(
                        "  %-14s %-12s %s%n", named.name(), work.name().toLowerCase(Locale.ROOT), clean);
            }
        }
        System.out.println("  all: " + all);
        System.out.println("Slips: named rightly, not told from others, another blamed, nothing said");
        for (Slips.Slip slip : Slips.ALL) {
            for (int times : new int[] {2, 4, 8}) {
                System.out.println("  " + Slips.tried(slip, times, trials));
            }
        }
    }
}
