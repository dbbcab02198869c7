package markturn.simulator;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Code;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Joining.Act;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;

/**
 * The demo: a mill weir with a fish pass on an invented river. Good work, and instructive troubles: pillar 4 was knocked by a digger, one
 * set at the second station is out, the legs settled at the third. Every number is made up; the seed is fixed.
 */
public final class AlderWeir {
    private static final long SEED = 20260504;
    private static final String PRISM = "Prism";
    private static final String POLE = "Pole";

    private final World world = AlderWeirGround.world();
    private final SeededRandom random = new SeededRandom(SEED);
    private final Instrument instrument = new Instrument(
            "Station 1",
            1.5 * Angles.SECOND,
            1.5 * Angles.SECOND,
            0.001,
            1.5,
            0.0005,
            0.001,
            OptionalDouble.of(0.658),
            new Atmosphere(15, 1013.25, 0),
            Optional.of(new Notch(0.05, 0.16)));

    private Instant clock = Instant.parse("2026-05-04T07:10:00Z");

    private AlderWeir() {}

    /** The job as it lies in the book on the evening of its first day. */
    public static Job job() {
        return new AlderWeir().book();
    }

    /** A job at Alder Weir in which nothing has been observed: its control, an instrument and reflectors. */
    public static Job blank() {
        return new AlderWeir().opened(AlderWeirGround.control(), List.of(), List.of());
    }

    private Job opened(List<Mark> marks, List<Setup> setups, List<Decision> decisions) {
        Job job = Job.opened(
                        "Alder Weir",
                        "Mill weir and fish pass, River Alder",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                        false,
                        Earth.USUAL)
                .plus(instrument)
                .plus(new Reflector(PRISM, -0.0300, 0.0005, 0.001, Optional.of(new Notch(0.04, 0.09))))
                .plus(new Reflector(POLE, -0.0300, 0.002, 0.002, Optional.empty()))
                .plus(Reflector.NONE)
                .withMarks(marks)
                .withSetups(setups);
        for (Decision decision : decisions) {
            job = job.plus(decision);
        }
        for (Code code : AlderWeirGround.CODES) {
            job = job.with(code);
        }
        return job;
    }

    private Job book() {
        List<Mark> marks = new ArrayList<>(AlderWeirGround.control());
        world.knock("PILLAR 4", 0.043, 0.043, -0.006);
        marks.add(Mark.named("BAR 1", Mark.Kind.NEW));
        marks.add(Mark.named("POND 1", Mark.Kind.NEW));
        marks.add(Mark.named("POND 2", Mark.Kind.NEW));
        Map.of("CREST", 3, "PASS", 1, "SLUICE", 2, "LEAT", 2).entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(code -> {
                    for (int i = 1; i <= code.getValue(); i++) {
                        marks.add(AlderWeirGround.located(code.getKey() + " " + i, code.getKey(), i, Act.GO_ON));
                    }
                });
        for (int i = 1; i <= 4; i++) {
            marks.add(AlderWeirGround.located("10" + i, "HUT", i, i < 4 ? Act.GO_ON : Act.CLOSE));
        }
        for (int i = 1; i <= 3; i++) {
            marks.add(AlderWeirGround.located("30" + i, "WALL", i, Act.GO_ON));
            marks.add(AlderWeirGround.located("200" + i, "TREE", i, Act.GO_ON));
        }
        List<Setup> setups = List.of(pillarOne(), pondOne(), pondTwo(), gravelBar(), pillarThree());
        Job booked = opened(marks, setups, List.of());
        booked = booked.plus(new Decision(
                Optional.of(Instant.parse("2026-05-04T08:21:00Z")),
                "Ida Marsh",
                Decision.ACCEPT,
                Proof.stateOf(booked, setups.get(0)),
                "",
                Optional.empty(),
                Optional.empty()));
        booked = booked.with(new Traverse(
                "Pond", List.of("PILLAR 1", "POND 1", "POND 2", "PILLAR 2"), Traverse.Rule.COMPASS, false));
        return booked.plus(pillarFourAnswered(booked));
    }

    /** The reviewer's answer to the knocked pillar, on the value as it was found. */
    private static Decision pillarFourAnswered(Job booked) {
        double found = Survey.compute(booked).findings().stream()
                .filter(f -> f.code() == FindingCode.SECOND_FIX && f.target().equals("PILLAR 4"))
                .findFirst()
                .orElseThrow()
                .value()
                .orElseThrow();
        return new Decision(
                Optional.of(Instant.parse("2026-05-04T15:05:00Z")),
                "Ida Marsh",
                Decision.ANSWER,
                Map.of("code", "second-fix", "setup", "S1", "target", "PILLAR 4", "value", found),
                "A digger knocked it on 3 May: nothing is to rest on it until it is fixed again",
                Optional.empty(),
                Optional.empty());
    }

    private Setup pillarOne() {
        SimulatedStation station = station("PILLAR 1", 1.602, 13.7466);
        List<Reading> readings = new ArrayList<>();
        for (int set = 1; set <= 2; set++) {
            round(station, readings, set, "PILLAR 2", 1.500, "POND 1", 1.480);
        }
        detail(station, readings, "CREST 1", "CREST 2", "CREST 3", "PASS 1", "SLUICE 1");
        check(station, readings, "PILLAR 3", PRISM, 1.510);
        check(station, readings, "PILLAR 4", PRISM, 1.495);
        check(station, readings, "PILLAR 2", PRISM, 1.500);
        return setup("S1", "PILLAR 1", 1.602, "PILLAR 2", readings);
    }

    private Setup pondOne() {
        pause(7);
        List<Reading> readings = new ArrayList<>(firstAttempt());
        SimulatedStation station = station("POND 1", 1.571, 300);
        round(station, readings, 1, "PILLAR 1", 1.530, "POND 2", 1.462);
        station.drift(9 * Angles.SECOND);
        List<Reading> second = new ArrayList<>();
        round(station, second, 2, "PILLAR 1", 1.530, "POND 2", 1.462);
        for (Reading reading : second) {
            // The foresight was read while a passing lorry shook the legs.
            readings.add(reading.target().equals("POND 2") ? shifted(reading, 21 * Angles.SECOND) : reading);
        }
        round(station, readings, 3, "PILLAR 1", 1.530, "POND 2", 1.462);
        detail(station, readings, "SLUICE 1", "SLUICE 2", "LEAT 1");
        hutWallAndTrees(readings);
        check(station, readings, "PILLAR 1", PRISM, 1.530);
        return setup("S2", "POND 1", 1.571, "PILLAR 1", readings);
    }

    /** Detail around the sluice keeper's hut, with noise of its own, so that the rest of the day stays as it is. */
    private void hutWallAndTrees(List<Reading> to) {
        SimulatedStation station = new SimulatedStation(
                world,
                "POND 1",
                1.571,
                Math.toRadians(300),
                Earth.USUAL,
                InstrumentErrors.of(instrument),
                new SeededRandom(SEED + 2));
        station.drift(9 * Angles.SECOND);
        detail(station, to, "101", "102", "103", "104", "301", "302", "303", "2001", "2002", "2003");
    }

    /** The set that did not let the figure close: a degree misread at the foresight. Struck out and turned again, it stays in the record. */
    private List<Reading> firstAttempt() {
        SimulatedStation station = new SimulatedStation(
                world, "POND 1", 1.571, 1.2, Earth.USUAL, InstrumentErrors.of(instrument), new SeededRandom(SEED + 1));
        List<Reading> turned = new ArrayList<>();
        round(station, turned, 1, "PILLAR 1", 1.530, "POND 2", 1.462);
        return turned.stream()
                .map(r -> r.target().equals("POND 2") ? shifted(r, Math.toRadians(1)) : r)
                .map(r -> r.struckOut("first attempt: the figure missed by metres; turned again"))
                .toList();
    }

    private Setup pondTwo() {
        pause(15);
        SimulatedStation station = station("POND 2", 1.618, 5);
        List<Reading> readings = new ArrayList<>();
        for (int set = 1; set <= 2; set++) {
            round(station, readings, set, "POND 1", 1.455, "PILLAR 2", 1.500);
        }
        detail(station, readings, "LEAT 1", "LEAT 2");
        station.drift(-26 * Angles.SECOND);
        check(station, readings, "POND 1", PRISM, 1.455);
        return setup("S3", "POND 2", 1.618, "POND 1", readings);
    }

    /** Free on the gravel bar, between the pillars: the knocked one shows. */
    private Setup gravelBar() {
        pause(25);
        SimulatedStation station = station("BAR 1", 1.556, 17);
        List<Reading> readings = new ArrayList<>();
        List<String> pillars = List.of("PILLAR 1", "PILLAR 2", "PILLAR 3", "PILLAR 4");
        for (int set = 1; set <= 2; set++) {
            for (String pillar : pillars) {
                readings.add(booked(station.point(pillar, Role.BACKSIGHT, set, Face.LEFT, PRISM, 1.500)));
            }
            for (int i = pillars.size() - 1; i >= 0; i--) {
                readings.add(booked(station.point(pillars.get(i), Role.BACKSIGHT, set, Face.RIGHT, PRISM, 1.500)));
            }
        }
        detail(station, readings, "CREST 3", "PASS 1");
        check(station, readings, "PILLAR 1", PRISM, 1.500);
        Setup occupied = setup("R1", "BAR 1", 1.556, "PILLAR 1", readings);
        return new Setup(
                occupied.name(),
                occupied.station(),
                Setup.Method.RESECTION,
                occupied.instrument(),
                occupied.instrumentHeight(),
                occupied.tilt(),
                occupied.atmosphere(),
                new Setup.ByResection(List.of(), false),
                readings);
    }

    private Setup pillarThree() {
        pause(20);
        SimulatedStation station = station("PILLAR 3", 1.588, 44);
        List<Reading> readings = new ArrayList<>();
        round(station, readings, 1, "PILLAR 1", 1.524, "PILLAR 2", 1.500);
        readings.add(booked(station.point("PILLAR 1", Role.BACKSIGHT, 2, Face.LEFT, PRISM, 1.524)));
        return setup("S4", "PILLAR 3", 1.588, "PILLAR 1", readings);
    }

    private SimulatedStation station(String mark, double height, double circleZeroDegrees) {
        return new SimulatedStation(
                world,
                mark,
                height,
                Math.toRadians(circleZeroDegrees),
                Earth.USUAL,
                InstrumentErrors.of(instrument),
                random);
    }

    private Setup setup(String name, String station, double height, String backsight, List<Reading> readings) {
        return new Setup(
                name,
                station,
                Setup.Method.OCCUPIED,
                instrument.name(),
                Optional.of(MeasuredHeight.toAxis(height)),
                Optional.of(new Setup.Tilt(3 * Angles.SECOND, -2 * Angles.SECOND, true)),
                Optional.of(new Atmosphere(14, 1009, 0)),
                new Setup.BySights(List.of(backsight)),
                readings);
    }

    /** Back-fore on face left, then fore-back on face right. */
    private void round(
            SimulatedStation station,
            List<Reading> to,
            int set,
            String back,
            double backHeight,
            String fore,
            double foreHeight) {
        Role foreRole = fore.startsWith("PILLAR") ? Role.CHECK : Role.FORESIGHT;
        to.add(booked(station.point(back, Role.BACKSIGHT, set, Face.LEFT, PRISM, backHeight)));
        to.add(booked(station.point(fore, foreRole, set, Face.LEFT, PRISM, foreHeight)));
        to.add(booked(station.point(fore, foreRole, set, Face.RIGHT, PRISM, foreHeight)));
        to.add(booked(station.point(back, Role.BACKSIGHT, set, Face.RIGHT, PRISM, backHeight)));
    }

    private void detail(SimulatedStation station, List<Reading> to, String... points) {
        for (String point : points) {
            to.add(booked(station.point(point, Role.DETAIL, 0, Face.LEFT, POLE, 2.000)));
        }
    }

    private void check(SimulatedStation station, List<Reading> to, String mark, String reflector, double height) {
        to.add(booked(station.point(mark, Role.CHECK, 0, Face.LEFT, reflector, height)));
        to.add(booked(station.point(mark, Role.CHECK, 0, Face.RIGHT, reflector, height)));
    }

    private Reading booked(Reading reading) {
        clock = clock.plusSeconds(75);
        return reading.withAt(clock);
    }

    private void pause(int minutes) {
        clock = clock.plusSeconds(60L * minutes);
    }

    private static Reading shifted(Reading reading, double radians) {
        String written = AngleUnit.DMS.write(reading.circle().radians() + radians, 1);
        return reading.withCircle(new Circle(AngleUnit.DMS.read(written), written));
    }
}
