package markturn.survey;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleConsumer;
import java.util.function.Predicate;
import markturn.survey.epoch.Epoch;
import markturn.survey.finding.Rules;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.judgement.Judgements;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.locate.Positions;
import markturn.survey.network.FreeNetwork;
import markturn.survey.network.NetworkRun;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Covariance;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.PlacedShots;
import markturn.survey.result.Position;
import markturn.survey.station.FreeStation;
import markturn.survey.station.Means;
import markturn.survey.station.OccupiedStation;
import markturn.survey.traverse.RouteProposal;
import markturn.survey.traverse.TraverseRun;

/** The computation of a job. It reads like the order of the work: each setup in turn, then what it carried, then the judgement. */
public final class Survey {
    private Survey() {}

    /**
     * Computes everything from the raw readings: a pure function.
     *
     * @param booked a job whose names are unique and all listed; readings that cannot be used leave empty results and findings, never an exception
     */
    public static SurveyResult compute(Job booked) {
        return compute(booked, new ComputationCache());
    }

    /**
     * The same, for a job that grows.
     *
     * @param memory what was computed of it before; holds this computation afterwards
     */
    public static SurveyResult compute(Job booked, ComputationCache memory) {
        return compute(booked, memory, share -> {});
    }

    /**
     * The same, for a job that may take long.
     *
     * @param progress is told the share of the present step that is done, 0 to 1; what it throws ends the work, and harms no later one
     */
    public static SurveyResult compute(Job booked, ComputationCache memory, DoubleConsumer progress) {
        Job job = inForce(booked);
        memory.begin(job);
        Map<String, Position> adopted = new LinkedHashMap<>();
        Map<String, String> runs = new HashMap<>();
        Pass pass = Pass.through(job, adopted, runs, memory, progress);
        List<MeasuredTraverse> traverses = new ArrayList<>();
        for (Traverse traverse : job.traverses()) {
            MeasuredTraverse run = TraverseRun.compute(
                    job, traverse, pass.setups(), pass.positions().known(), mark -> isFixed(job, runs, traverse, mark));
            traverses.add(run);
            if (traverse.adopt() && run.northing().isPresent()) {
                adopt(job, run, pass.positions().known(), adopted, runs);
                pass = Pass.through(job, adopted, runs, memory, progress);
            }
        }
        Optional<MeasuredNetwork> network = job.network().run()
                ? Optional.of(
                        NetworkRun.compute(job, pass.setups(), pass.positions().known(), progress))
                : Optional.empty();
        if (network.isPresent() && job.network().adopt()) {
            network.get().marks().stream()
                    .filter(mark -> !isGiven(job, mark.name()))
                    .forEach(mark -> {
                        adopted.put(mark.name(), mark.position());
                        runs.put(mark.name(), MeasuredNetwork.RUN);
                    });
            pass = Pass.through(job, adopted, runs, memory, progress);
        }
        Measured measured = new Measured(
                pass.setups(),
                pass.positions().marks(memory.measuredMarks()),
                pass.positions().checks(),
                List.copyOf(traverses),
                network,
                pass.positions().unplaced());
        List<Judgement> judgements = Judgements.of(job, measured, memory.judged());
        List<Finding> findings = Rules.judge(job, measured, judgements, memory.found());
        memory.end(measured);
        return new SurveyResult(booked, measured, judgements, findings);
    }

    /** Every setup in the file's order, and the positions they left. */
    private record Pass(List<MeasuredSetup> setups, Positions positions) {
        static Pass through(
                Job job,
                Map<String, Position> adopted,
                Map<String, String> runs,
                ComputationCache memory,
                DoubleConsumer progress) {
            Positions positions = new Positions(job, memory.given(), adopted, runs, memory.propagation());
            List<MeasuredSetup> setups = new ArrayList<>();
            for (Setup setup : job.setups()) {
                positions.construct(setup, setups);
                PlacedShots measured = memory.measured(job, setup, positions.known());
                positions.carry(measured);
                setups.add(measured.setup());
                progress.accept((double) setups.size() / job.setups().size());
            }
            positions.construct(setups);
            return new Pass(setups, positions);
        }
    }

    /** Whether a mark's coordinates are given, or fixed by an observation: a run that adopts leaves them what they are. */
    private static boolean isGiven(Job job, String mark) {
        return job.mark(mark).flatMap(Mark::given).isPresent()
                || job.standingFixes().stream()
                        .anyMatch(f -> f.use() == SatelliteFix.Use.OBSERVATION
                                && job.trueName(f.mark()).equals(mark));
    }

    /**
     * Whether a mark's coordinates are given or adopted: what a traverse may close on. What was adopted from that very traverse is not: it
     * would close on itself, and would no longer say what it was adopted for.
     */
    private static boolean isFixed(Job job, Map<String, String> runs, Traverse traverse, String mark) {
        return runs.containsKey(mark)
                || job.mark(mark).flatMap(Mark::given).isPresent()
                || job.adopted().stream()
                        .anyMatch(a ->
                                job.trueName(a.mark()).equals(mark) && !a.from().equals(traverse.name()));
    }

    private static boolean isAdopted(Job job, String mark) {
        return job.adopted().stream().anyMatch(a -> job.trueName(a.mark()).equals(mark));
    }

    /** The stations between start and end take their adjusted place; their precision stays what was carried, unless the rule gives one. */
    private static void adopt(
            Job job,
            MeasuredTraverse run,
            Map<String, Position> known,
            Map<String, Position> adopted,
            Map<String, String> runs) {
        for (int i = 1; i < run.stations().size() - 1; i++) {
            String mark = job.trueName(run.traverse().route().get(i));
            if (isAdopted(job, mark) || isGiven(job, mark)) {
                continue;
            }
            Position to = run.stations().get(i);
            Position carried = known.get(mark);
            boolean byRule = run.traverse().rule() != Traverse.Rule.LEAST_SQUARES && carried != null;
            adopted.put(
                    mark,
                    byRule
                            ? new Position(
                                    to.northing(),
                                    to.easting(),
                                    to.elevation(),
                                    carried.plan(),
                                    to.elevation().isPresent() ? carried.elevationVariance() : to.elevation(),
                                    carried.lineage())
                            : to);
            runs.put(mark, run.name());
        }
    }

    /**
     * One setup computed again with other marks taking part, everything before it as it stands: what a switch asks.
     *
     * @param computed the job as it is
     * @param setup name of a setup of it that marks orient
     * @param leaveOut what is left out instead
     * @param solveScale whether a free station's scale is solved for
     */
    public static MeasuredSetup whatIf(
            SurveyResult computed, String setup, List<Setup.LeftOut> leaveOut, boolean solveScale) {
        Job job = inForce(computed.job());
        Setup asked = job.setup(setup).orElseThrow();
        Setup with = asked.withOrientation(asked.orientation().without(leaveOut, solveScale));
        Map<String, Position> before = knownBefore(computed, setup);
        return with.isFree()
                ? FreeStation.measure(job, with, before, Means.of(job))
                : OccupiedStation.measure(job, with, before, Means.of(job));
    }

    /**
     * The network of a job as it stands, whether the job asks for it or not.
     *
     * @param progress is told the share that is done, 0 to 1; what it throws ends the work
     */
    public static MeasuredNetwork network(SurveyResult computed, DoubleConsumer progress) {
        Job job = inForce(computed.job());
        return NetworkRun.compute(job, computed.measured().setups(), positions(computed), progress);
    }

    /**
     * A job, or some of its setups, as one epoch of its marks.
     *
     * @param name as it is called among others
     * @param opened when it was measured, where its readings do not say
     * @param takesPart by the name of a setup
     */
    public static Epoch epoch(SurveyResult computed, String name, Instant opened, Predicate<String> takesPart) {
        Job job = inForce(computed.job());
        List<MeasuredSetup> setups = computed.measured().setups().stream()
                .filter(setup -> takesPart.test(setup.name()))
                .toList();
        Optional<FreeNetwork> network = FreeNetwork.compute(job, setups, positions(computed));
        List<Instant> at = setups.stream()
                .flatMap(setup -> setup.setup().readings().stream())
                .filter(Reading::stands)
                .flatMap(reading -> reading.at().stream())
                .sorted()
                .toList();
        Set<String> places = unmarked(job, setups);
        return new Epoch(
                name,
                at.isEmpty() ? opened : at.get(at.size() / 2),
                network.flatMap(FreeNetwork::plan).flatMap(figure -> figure.without(places)),
                network.flatMap(FreeNetwork::elevations).flatMap(figure -> figure.without(places)),
                network.map(FreeNetwork::test));
    }

    /** Where an instrument stood free, and nothing stands in the ground: the next epoch stands elsewhere. */
    private static Set<String> unmarked(Job job, List<MeasuredSetup> setups) {
        Set<String> places = new HashSet<>();
        for (MeasuredSetup setup : setups) {
            if (setup.setup().isFree()) {
                places.add(job.trueName(setup.setup().station()));
            }
        }
        setups.forEach(setup -> setup.abstracts().forEach(seen -> places.remove(job.trueName(seen.target()))));
        return places;
    }

    private static Map<String, Position> positions(SurveyResult computed) {
        Map<String, Position> known = new LinkedHashMap<>();
        computed.measured().marks().forEach(m -> m.position().ifPresent(at -> known.put(m.name(), at)));
        return known;
    }

    /** The route of a traverse that the setups suggest; empty where there is none. */
    public static List<String> proposedRoute(SurveyResult computed) {
        Job job = computed.job();
        return RouteProposal.stations(
                job,
                computed.measured().setups(),
                mark -> isAdopted(job, mark)
                        || job.mark(mark).flatMap(Mark::given).isPresent());
    }

    /**
     * What a free station's plan would be worth with one more mark at a place (metres); empty where it has no position yet.
     */
    public static Optional<Covariance> withOneMore(
            SurveyResult computed, String setup, double northing, double easting) {
        Job job = inForce(computed.job());
        return FreeStation.withOneMore(
                job, job.setup(setup).orElseThrow(), knownBefore(computed, setup), northing, easting);
    }

    private static Job inForce(Job booked) {
        double given = booked.earth().scaleFactor();
        return booked.withEarth(
                booked.earth().withScaleFactor(GridScale.inForce(booked).orElse(given)));
    }

    /** Positions that do not come from this setup or a later one. */
    private static Map<String, Position> knownBefore(SurveyResult computed, String setup) {
        List<String> names = computed.job().setups().stream().map(Setup::name).toList();
        int at = names.indexOf(setup);
        Map<String, Position> known = new HashMap<>();
        computed.measured().marks().stream()
                .filter(m -> m.position().isPresent()
                        && (m.from().isEmpty() || names.indexOf(m.from().get()) < at))
                .forEach(m -> known.put(m.name(), m.position().get()));
        return known;
    }
}
