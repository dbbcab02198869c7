package markturn.survey.station;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.locate.PolarShots;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.Distances;
import markturn.survey.reduce.Heights;
import markturn.survey.reduce.Pointings;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredSetup.LeftOut;
import markturn.survey.result.MeasuredSetup.MarkTest;
import markturn.survey.result.Position;
import markturn.survey.result.Resected;
import markturn.survey.result.Shot;

/**
 * A setup that stands anywhere: place and orientation from the marks with coordinates that it sights as backsights. Once fixed it is used
 * like any other.
 */
public final class FreeStation {
    private final Job job;
    private final Setup setup;
    private final Map<String, Position> known;
    private final ReducedSetup reduced;
    private final Weights weights;
    private final Setup.ByResection by;
    private final List<Sight> sights;

    private final Propagation propagation;

    private final LineCorrections lines;
    private final List<ReducedFix> fixes;

    private FreeStation(
            Job job, Setup setup, Map<String, Position> known, Propagation propagation, LineCorrections lines) {
        this.propagation = propagation;
        this.lines = lines;
        this.job = job;
        this.setup = setup;
        this.known = known;
        this.reduced = ReducedSetup.of(job, setup);
        this.fixes = reduced.fixes().stream().map(fix -> lines.apply(job, fix)).toList();
        this.weights = Weights.of(job, setup);
        this.by = (Setup.ByResection) setup.orientation();
        this.sights = sights();
    }

    /**
     * Computes a setup.
     *
     * @param known positions by true name, as they are when this setup comes up
     */
    public static MeasuredSetup measure(Job job, Setup setup, Map<String, Position> known, Means means) {
        MeasuredSetup plain = new FreeStation(job, setup, known, means.propagation(), LineCorrections.NONE).measured();
        return means.lines()
                .map(lines -> LineCorrections.of(job, lines, plain, known))
                .map(lines -> new FreeStation(job, setup, known, means.propagation(), lines).measured())
                .orElse(plain);
    }

    /**
     * What the plan of a free station would be worth with one more mark, sighted like the others.
     *
     * @param northing of that mark, or of any place, metres
     * @param easting of it, metres
     * @return empty where there is no position yet
     */
    public static Optional<Covariance> withOneMore(
            Job job, Setup setup, Map<String, Position> known, double northing, double easting) {
        return new FreeStation(job, setup, known, new Propagation(), LineCorrections.NONE)
                .withOneMore(northing, easting);
    }

    private Optional<Covariance> withOneMore(double northing, double easting) {
        return Resection.solve(sights, weights, extra()).solution().flatMap(solution -> {
            Sight like =
                    sights.stream().filter(Sight::givesDistance).findFirst().orElse(sights.get(0));
            double north = northing - solution.north();
            double east = easting - solution.east();
            List<Sight> more = new ArrayList<>(sights);
            more.add(new Sight(
                    "",
                    "",
                    northing,
                    easting,
                    OptionalDouble.empty(),
                    Optional.empty(),
                    OptionalDouble.of(Angles.onCircle(Math.atan2(east, north) - solution.orientation())),
                    like.directionCount(),
                    OptionalDouble.of(Math.hypot(north, east) / solution.scale()),
                    Math.max(1, like.distanceCount()),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    like.reflector(),
                    true,
                    true,
                    false));
            return Resection.near(solution, more, weights, extra()).map(FreeStation::plan);
        });
    }

    private static Covariance plan(ResectionSolution solution) {
        var adjustment = solution.adjustment();
        return new Covariance(
                adjustment.covariance(Resection.NORTHING, Resection.NORTHING),
                adjustment.covariance(Resection.EASTING, Resection.EASTING),
                adjustment.covariance(Resection.NORTHING, Resection.EASTING));
    }

    private List<Sight> sights() {
        Map<String, Sight> byMark = new LinkedHashMap<>();
        for (String target : by.sights()) {
            String mark = job.trueName(target);
            Position at = known.get(mark);
            if (at != null && !mark.equals(job.trueName(setup.station()))) {
                byMark.putIfAbsent(mark, sight(target, mark, at));
            }
        }
        return List.copyOf(byMark.values());
    }

    private Sight sight(String target, String mark, Position at) {
        Pointings pointings = reduced.booked().backsight(target);
        var directions = pointings.means().reducedTo(reduced.booked().zeros()).turned(lines.turn(mark));
        List<ReducedFix> backsights = fixes.stream()
                .filter(f -> f.fix().role() == Reading.Role.BACKSIGHT
                        && job.trueName(f.fix().target()).equals(mark))
                .toList();
        Optional<ReducedFix> measured =
                backsights.stream().filter(f -> f.horizontal().isPresent()).findFirst();
        OptionalDouble none = OptionalDouble.empty();
        OptionalDouble rise = measured.map(ReducedFix::elevationDifference).orElse(none);
        return new Sight(
                target,
                mark,
                at.northing(),
                at.easting(),
                at.elevation(),
                deviations(mark),
                directions.mean(),
                directions.count(),
                measured.map(ReducedFix::horizontal).orElse(none),
                measured.map(ReducedFix::distanceCount).orElse(0.0),
                rise,
                rise.isPresent() ? OptionalDouble.of(riseVariance(measured.orElseThrow())) : none,
                job.sighted(pointings.readings().get(0).reading()),
                by.uses(target, Setup.Part.DIRECTION),
                by.uses(target, Setup.Part.DISTANCE),
                by.uses(target, Setup.Part.ELEVATION));
    }

    /** Those of control that carries them; a mark that satellites gave its coordinates is observed with theirs. */
    private Optional<Mark.Deviations> deviations(String mark) {
        Optional<Mark> listed = job.mark(mark);
        boolean given = listed.flatMap(Mark::given).isPresent()
                || job.adopted().stream().anyMatch(a -> job.trueName(a.mark()).equals(mark));
        return given
                ? listed.flatMap(Mark::stdDev)
                : job.standingFixes().stream()
                        .filter(f -> f.use() == SatelliteFix.Use.OBSERVATION
                                && job.trueName(f.mark()).equals(mark))
                        .findFirst()
                        .map(SatelliteFix::stdDev);
    }

    private double riseVariance(ReducedFix fix) {
        return weights.heightDifference(
                fix.zenithCount(),
                fix.distanceCount(),
                job.sighted(fix.fix().pointings().readings().get(0).reading()),
                fix.horizontal().getAsDouble(),
                fix.zenith().getAsDouble());
    }

    private MeasuredSetup measured() {
        Resection.Outcome outcome = Resection.solve(sights, weights, extra());
        Optional<Levelled> levelled = Levelled.of(sights);
        Optional<ResectionSolution> solution = outcome.solution();
        List<Optional<ResectionSolution>> without =
                solution.map(s -> Scrutiny.withoutEach(sights, weights, s)).orElse(List.of());
        Optional<Pose> pose = solution.map(s -> FreePose.pose(
                setup.name(),
                s,
                levelled,
                known,
                OccupiedPose.targets(job, setup, fixes, Optional.empty(), known),
                propagation));
        Optional<Position> station = solution.map(s -> position(s, levelled, pose.orElseThrow()));
        OptionalDouble none = OptionalDouble.empty();
        OptionalDouble orientation =
                solution.map(s -> OptionalDouble.of(s.orientation())).orElse(none);
        OptionalDouble variance = pose.map(p -> OptionalDouble.of(p.orientationVariance(propagation)))
                .orElse(none);
        PolarShots polar = new PolarShots(job, weights, station, orientation, pose, propagation);
        List<Shot> shots = fixes.stream().map(polar::shot).toList();
        return new MeasuredSetup(
                setup,
                reduced.booked(),
                station,
                setup.instrumentHeight().isPresent() ? Heights.ofInstrument(job, setup) : none,
                orientation,
                variance,
                Distances.ppm(job, setup).orElse(0),
                solution.map(s -> OptionalInt.of(s.adjustment().redundancy())).orElse(OptionalInt.empty()),
                solution.map(FreeStation::varianceFactor).orElse(none),
                SetAbstracts.of(reduced.booked(), fixes, shots),
                new BacksightComparison(job, setup, weights, station, known, propagation).rows(shots, this::isUsed),
                solution.map(s -> new FreeObservations(sights, weights).all(s, levelled))
                        .orElse(List.of()),
                solution.map(this::tests).orElse(List.of()),
                solution.map(s -> leaveOneOut(s, without)).orElse(List.of()),
                reduced.closingSight(),
                reduced.looks(),
                Optional.of(solution.map(
                                s -> new Scrutiny(sights, weights, s, without, levelled, job.classOfWork()).resected())
                        .orElseGet(() -> undetermined(outcome.why()))),
                by.solveScale() && solution.isPresent()
                        ? OptionalDouble.of((solution.get().scale() - 1) * 1e6)
                        : none,
                pose,
                shots);
    }

    private Resection.Extra extra() {
        return by.solveScale() ? Resection.Extra.SCALE : Resection.Extra.NOTHING;
    }

    private Resected undetermined(String why) {
        return new Resected(
                Optional.of(why),
                OptionalDouble.empty(),
                0,
                sights.stream().map(Scrutiny::unplaced).toList(),
                List.of(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                sights.size() > 2 ? new ExchangedNames(sights, weights).found() : List.of());
    }

    private boolean isUsed(String target) {
        return sights.stream()
                .anyMatch(s -> s.mark().equals(job.trueName(target))
                        && (s.givesDirection() || s.givesDistance() || s.givesElevation()));
    }

    private Position position(ResectionSolution solution, Optional<Levelled> levelled, Pose pose) {
        double ofHeight = setup.instrumentHeight().isPresent()
                ? Math.pow(weights.instrument().heightStdDev(), 2)
                : 0;
        OptionalDouble none = OptionalDouble.empty();
        boolean levels = levelled.isPresent() && !job.planOnly();
        Lineage plan = Lineage.of(
                setup.name() + " station plan",
                2,
                List.of(new Lineage.Part(pose.plan(), new double[] {1, 0, 0, 0, 1, 0})),
                new double[4]);
        Lineage level = Lineage.of(
                setup.name() + " station level",
                1,
                List.of(new Lineage.Part(pose.axis(), new double[] {1})),
                new double[] {ofHeight});
        return new Position(
                solution.north(),
                solution.east(),
                levels ? OptionalDouble.of(levelled.get().elevation()) : none,
                Covariance.of(propagation.variance(plan)),
                levels ? OptionalDouble.of(propagation.variance(level)[0]) : none,
                new Position.MadeLineages(Optional.of(plan), levels ? Optional.of(level) : Optional.empty()));
    }

    private static OptionalDouble varianceFactor(ResectionSolution solution) {
        int redundancy = solution.adjustment().redundancy();
        return redundancy == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(solution.adjustment().squares() / redundancy);
    }

    private List<MarkTest> tests(ResectionSolution solution) {
        List<MarkTest> tests = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            Reliability reliability = new Reliability(solution, i);
            tests.add(new MarkTest(
                    sights.get(i).target(),
                    reliability.statistic(),
                    reliability.detectable(),
                    sights.get(i).givesDirection() || sights.get(i).givesDistance()));
        }
        return tests;
    }

    private List<LeftOut> leaveOneOut(ResectionSolution solution, List<Optional<ResectionSolution>> withoutEach) {
        List<LeftOut> list = new ArrayList<>();
        for (int i = 0; i < sights.size(); i++) {
            if (sights.get(i).givesDirection() || sights.get(i).givesDistance()) {
                list.add(without(sights.get(i).target(), solution, withoutEach.get(i)));
            }
        }
        return list;
    }

    private static LeftOut without(String target, ResectionSolution with, Optional<ResectionSolution> solved) {
        OptionalDouble none = OptionalDouble.empty();
        if (solved.isEmpty() || solved.get().adjustment().redundancy() < 1) {
            return new LeftOut(target, none, none, none, none);
        }
        ResectionSolution without = solved.get();
        return new LeftOut(
                target,
                OptionalDouble.of(without.north() - with.north()),
                OptionalDouble.of(without.east() - with.east()),
                OptionalDouble.of(Angles.shortWay(without.orientation() - with.orientation())),
                varianceFactor(without));
    }
}
