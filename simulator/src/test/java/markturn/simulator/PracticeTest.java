package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import markturn.survey.Survey;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.turning.PointingOrder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The simulated station: clean work is quiet in every class, each slip is named, and the same seed gives the same work. */
class PracticeTest {
    private static final List<Practice.Aim> AIMS = List.of(
            new Practice.Aim("PILLAR 2", "Prism", Optional.of(MeasuredHeight.toAxis(1.5))),
            new Practice.Aim("POND 1", "Prism", Optional.of(MeasuredHeight.toAxis(1.48))),
            new Practice.Aim("PILLAR 3", "Prism", Optional.of(MeasuredHeight.toAxis(1.51))));

    /** A whole setup on pillar 1 turned by the station itself: sets, detail, a closing sight. */
    private static Job turned(Practice practice, ClassOfWork.Preset preset) {
        Job job = AlderWeir.blank().with(ClassOfWork.of(preset));
        job = job.plus(Mark.named("POND 1", Mark.Kind.NEW)).plus(Mark.named("CREST 1", Mark.Kind.LOCATED));
        job = job.plus(new Setup(
                "S1",
                "PILLAR 1",
                Setup.Method.OCCUPIED,
                "Station 1",
                Optional.of(MeasuredHeight.toAxis(1.602)),
                Optional.of(new Setup.Tilt(2 * Angles.SECOND, 2 * Angles.SECOND, true)),
                Optional.of(practice.weather().read()),
                new Setup.BySights(List.of("PILLAR 2")),
                List.of()));
        int sets = Math.max(2, (int) job.classOfWork().limit(Limit.SETS));
        PointingOrder order =
                new PointingOrder(AIMS.stream().map(Practice.Aim::target).toList(), sets);
        Optional<PointingOrder.Pointing> next = order.next(job.setups().get(0));
        while (next.isPresent()) {
            job = booked(
                    practice,
                    job,
                    next.get().target(),
                    next.get().face(),
                    next.get().set());
            next = order.next(job.setups().get(0));
        }
        job = booked(practice, job, "CREST 1", Face.LEFT, 0);
        job = booked(practice, job, "PILLAR 2", Face.LEFT, 0);
        return booked(practice, job, "PILLAR 2", Face.RIGHT, 0);
    }

    private static Job booked(Practice practice, Job job, String target, Face face, int set) {
        Setup setup = job.setups().get(0);
        List<Practice.Aim> aims = new ArrayList<>(AIMS);
        aims.add(new Practice.Aim("CREST 1", "Pole", Optional.of(MeasuredHeight.toAxis(2))));
        TotalStation.Shown shown = practice.point(
                job,
                setup,
                aims,
                OptionalDouble.of(0.1),
                target,
                face,
                setup.readings().size(),
                true,
                1);
        Role role = target.equals("CREST 1")
                ? Role.DETAIL
                : set == 0 || target.equals("PILLAR 3")
                        ? Role.CHECK
                        : target.equals("PILLAR 2") ? Role.BACKSIGHT : Role.FORESIGHT;
        Practice.Aim aim =
                aims.stream().filter(a -> a.target().equals(target)).findFirst().orElseThrow();
        return job.withSetup(
                "S1",
                s -> s.plus(new Reading(
                        target,
                        role,
                        set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                        face,
                        shown.circle(),
                        Optional.of(shown.zenith()),
                        OptionalDouble.of(shown.slopes().get(0)),
                        List.of(),
                        aim.reflector(),
                        aim.height(),
                        Optional.empty(),
                        Reading.Origin.SIMULATED,
                        Optional.of(shown.applied()),
                        Optional.empty(),
                        Optional.empty())));
    }

    @ParameterizedTest
    @EnumSource(ClassOfWork.Preset.class)
    void twoHundredCleanSetupsRaiseNextToNothing(ClassOfWork.Preset preset) {
        // Source: the promise of the class limits, at most 2 alarms of one kind in 100 setups. That new control rests
        // on one ray is so, and no alarm.
        Map<String, Integer> alarms = new TreeMap<>();
        for (int seed = 1; seed <= 200; seed++) {
            Survey.compute(turned(new Practice(seed, Set.of()), preset)).findings().stream()
                    .filter(f -> f.severity() != Finding.Severity.NOTE)
                    .map(finding -> finding.code().key())
                    .filter(code -> !code.equals("one-ray"))
                    .distinct()
                    .forEach(code -> alarms.merge(code, 1, Integer::sum));
        }
        assertThat(alarms)
                .as(preset.words())
                .allSatisfy((code, count) -> assertThat(count).as(code).isLessThanOrEqualTo(4));
    }

    @ParameterizedTest
    @EnumSource(Fault.class)
    void eachSlipIsNamed(Fault fault) {
        Map<Fault, List<String>> named = new EnumMap<>(Map.of(
                Fault.BUMPED_LEG, List.of("backsight-drift", "set-residual", "faces-differ", "collimation-spread"),
                Fault.WRONG_POLE_HEIGHT, List.of("backsight-elevation", "second-fix"),
                Fault.WRONG_PRISM, List.of("backsight-distance", "second-fix"),
                Fault.WRONG_TARGET, List.of("faces-differ", "wrong-target"),
                Fault.MARK_MOVED, List.of("backsight-distance", "second-fix"),
                Fault.MISREAD_DIGIT, List.of("faces-differ")));
        int seen = 0;
        int possible = 0;
        for (int seed = 1; seed <= 40; seed++) {
            Practice practice = new Practice(seed, Set.of(fault));
            if (!strikesWhatIsTested(practice, fault)) {
                continue;
            }
            possible++;
            List<String> codes = Survey.compute(turned(practice, ClassOfWork.Preset.ENGINEERING)).findings().stream()
                    .map(finding -> finding.code().key())
                    .toList();
            if (codes.stream().anyMatch(named.get(fault)::contains)) {
                seen++;
            }
        }
        assertThat(possible)
                .as("seeds in which the slip meets a mark that is tested")
                .isGreaterThan(5);
        assertThat(seen).isEqualTo(possible);
    }

    /**
     * A slip on the new marks POND 1 and CREST 1 cannot show from one setup, nor a knock of pillar 4, which is not sighted, nor one of pillar 2 or 3
     * across their lines by less than the second fix allows: those seeds prove nothing.
     */
    private static boolean strikesWhatIsTested(Practice practice, Fault fault) {
        Job job = turned(practice, ClassOfWork.Preset.ENGINEERING);
        World truth = practice.world(job);
        World before = AlderWeirGround.world();
        return switch (fault) {
            case WRONG_POLE_HEIGHT, WRONG_PRISM -> {
                Job clean = turned(new Practice(practice.seed(), Set.of()), ClassOfWork.Preset.ENGINEERING);
                yield untouched(clean, job, "POND 1") && untouched(clean, job, "CREST 1");
            }
            case MARK_MOVED -> {
                double along = moved(before, truth, "PILLAR 1", "PILLAR 2");
                yield Math.abs(along) > 0.02;
            }
            default -> true;
        };
    }

    private static boolean untouched(Job clean, Job slipped, String target) {
        return slopes(clean, target).equals(slopes(slipped, target));
    }

    private static List<List<Object>> slopes(Job job, String target) {
        return job.setups().get(0).readings().stream()
                .filter(r -> r.target().equals(target))
                .map(r -> List.<Object>of(r.slope(), r.zenith()))
                .toList();
    }

    private static double moved(World before, World truth, String from, String to) {
        return distance(truth, from, to) - distance(before, from, to);
    }

    private static double distance(World world, String from, String to) {
        return Math.hypot(
                world.at(to).northing() - world.at(from).northing(),
                world.at(to).easting() - world.at(from).easting());
    }

    @Test
    void theSameSeedGivesTheSameReadings() {
        Job once = turned(new Practice(7, Set.of()), ClassOfWork.Preset.PRECISE);
        Job again = turned(new Practice(7, Set.of()), ClassOfWork.Preset.PRECISE);
        assertThat(again.setups()).isEqualTo(once.setups());
        assertThat(turned(new Practice(8, Set.of()), ClassOfWork.Preset.PRECISE).setups())
                .isNotEqualTo(once.setups());
    }

    @Test
    void theStationTurnsPlungesAndSearchesLikeADevice() {
        World world = AlderWeirGround.world();
        SimulatedStation station = new SimulatedStation(
                world, "PILLAR 1", 1.6, 0, AlderWeir.blank().earth(), InstrumentErrors.none(), new SeededRandom(1));
        station.stand("PILLAR 2", 1.5, -0.03, -0.03);
        TotalStation device = station;
        // Sent a degree beside the mark it finds it; sent elsewhere it says so.
        double azimuth = Math.atan2(38.207, 156.412);
        device.turnTo(azimuth + Math.toRadians(1), Math.PI / 2);
        assertThat(device.search()).isTrue();
        TotalStation.Shown left = device.measure(3);
        assertThat(left.slopes()).hasSize(3);
        device.plunge();
        TotalStation.Shown right = device.measure(1);
        // Source: geometry, the faces of an instrument without error differ by half a turn.
        assertThat(Math.toDegrees(
                        Angles.onCircle(right.circle().radians() - left.circle().radians())))
                .isCloseTo(180, org.assertj.core.api.Assertions.within(1e-4));
        device.turnTo(azimuth + Math.toRadians(40), Math.PI / 2);
        assertThat(device.search()).isFalse();
    }

    @Test
    void theRoverFixesWhatTheWorldHolds() {
        Job job = AlderWeir.blank();
        SatelliteRover rover = new Practice(3, Set.of()).rover(job);
        var fix = rover.fix("PILLAR 3", markturn.survey.job.SatelliteFix.Use.CHECK);
        // Within 3.3 of its own deviations of where the mark is.
        assertThat(fix.position().northing()).isCloseTo(2121.884, org.assertj.core.api.Assertions.within(0.027));
        assertThat(job.plus(fix).isPractice()).isTrue();
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> rover.fix("NOWHERE", markturn.survey.job.SatelliteFix.Use.CHECK))
                .hasMessageContaining("NOWHERE");
    }
}
