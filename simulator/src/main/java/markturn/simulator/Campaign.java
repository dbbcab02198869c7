package markturn.simulator;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.function.UnaryOperator;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;

/**
 * Whole jobs observed with exactly the errors that an instrument's figures claim, and with slips where they are asked for, in a world
 * whose truth is known: what is claimed of the results is held against it. Seeded. Each setup has one error of centring and of instrument
 * height, each target in a setup one of centring and of height, each sight its own refraction; noise of a face is √2 that of a set.
 */
public final class Campaign {
    private static final double AXIS = 1.6;
    /** Seeds that follow each other would begin alike: the fraction of the golden ratio scatters them. */
    private static final long SCATTER = 0x9E3779B97F4A7C15L;

    private static final double REFRACTION_SPREAD = 0.05;

    private final World world;
    private final Instrument instrument;
    private final Reflector reflector;
    private final int sets;
    private final Random random;
    private final Map<String, Mark.Coordinates> control = new HashMap<>();
    private final List<Misread> misread = new ArrayList<>();
    private double constantLeftOn;
    private Optional<Instant> time = Optional.empty();
    private Job job;

    private record Misread(String setup, String target, int set, Reading.Face face, double circle) {}

    /** A target of a setup as it really stands: beside its mark, and higher or lower than booked, metres. */
    private record Standing(double north, double east, double up) {}

    /**
     * Opens a job.
     *
     * @param world where the marks truly are
     * @param sets to be turned in each setup
     */
    public Campaign(
            long seed, World world, ClassOfWork.Preset work, Instrument instrument, Reflector reflector, int sets) {
        this.random = new Random(SCATTER * (seed + 1));
        this.world = world;
        this.instrument = instrument;
        this.reflector = reflector;
        this.sets = sets;
        this.job = Job.opened(
                        "campaign",
                        "",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(work),
                        false,
                        new Earth(6371000, 0.13, true, 1))
                .plus(instrument)
                .plus(reflector)
                .plus(Reflector.NONE);
    }

    /** Lists a mark with the coordinates it has in the world now; what moves it later is not known. */
    public Campaign control(String name) {
        World.TruePlace at = world.at(name);
        control.put(name, new Mark.Coordinates(at.northing(), at.easting(), OptionalDouble.of(at.elevation())));
        job = job.plus(Mark.control(name, at.northing(), at.easting(), OptionalDouble.of(at.elevation()), ""));
        return this;
    }

    /** Lists control that is itself off by as much as its deviations say, metres. */
    public Campaign observedControl(String name, double plan, double up) {
        World.TruePlace at = world.at(name);
        double north = at.northing() + noise(plan);
        double east = at.easting() + noise(plan);
        job = job.plus(Mark.control(name, north, east, OptionalDouble.of(at.elevation() + noise(up)), "")
                .withStdDev(Optional.of(new Mark.Deviations(plan, plan, up))));
        return this;
    }

    /** Lists a mark that is to be found. */
    public Campaign wanted(String name) {
        job = job.plus(Mark.named(name, Mark.Kind.NEW));
        return this;
    }

    /** A circle reading booked wrong by an angle (radians); asked for before its setup. */
    public Campaign misread(String setup, String target, int set, Reading.Face face, double circle) {
        misread.add(new Misread(setup, target, set, face, circle));
        return this;
    }

    /** From now on the instrument adds this to every distance, metres. */
    public Campaign leavesOn(double constant) {
        constantLeftOn = constant;
        return this;
    }

    /** From now on it is read at that time. */
    public Campaign on(Instant instant) {
        time = Optional.of(instant);
        return this;
    }

    /** A setup on a mark, oriented by backsights; foresights and checks are turned in the same sets. */
    public Campaign occupy(String setup, String station, List<String> back, List<String> fore, List<String> check) {
        return observe(setup, station, false, back, fore, check);
    }

    /** A setup anywhere that is fixed by its backsights; the place of the instrument is that of the station in the world. */
    public Campaign free(String setup, String station, List<String> back, List<String> fore) {
        return observe(setup, station, true, back, fore, List.of());
    }

    private Campaign observe(
            String setup, String station, boolean free, List<String> back, List<String> fore, List<String> check) {
        World.TruePlace on = world.at(station);
        double centring = free ? 0 : instrument.centringStdDev();
        World.TruePlace axis = on.moved(noise(centring), noise(centring), AXIS + noise(instrument.heightStdDev()));
        double zero = Angles.TURN * random.nextDouble();
        Map<String, Reading.Role> targets = new LinkedHashMap<>();
        back.forEach(target -> targets.put(target, Reading.Role.BACKSIGHT));
        fore.forEach(target -> targets.putIfAbsent(target, Reading.Role.FORESIGHT));
        Map<String, Standing> standing = new HashMap<>();
        Map<String, Double> refraction = new HashMap<>();
        targets.keySet().forEach(target -> {
            standing.put(
                    target,
                    new Standing(
                            noise(reflector.centringStdDev()),
                            noise(reflector.centringStdDev()),
                            noise(reflector.heightStdDev())));
            refraction.put(target, job.earth().refraction() + noise(REFRACTION_SPREAD));
        });
        List<Reading> readings = new ArrayList<>();
        for (int set = 1; set <= sets; set++) {
            for (Reading.Face face : Reading.Face.values()) {
                for (Map.Entry<String, Reading.Role> target : targets.entrySet()) {
                    readings.add(read(
                            setup,
                            axis,
                            zero,
                            target.getKey(),
                            standing.get(target.getKey()),
                            refraction.get(target.getKey()),
                            target.getValue(),
                            set,
                            face));
                }
            }
        }
        for (String target : check) {
            for (Reading.Face face : Reading.Face.values()) {
                readings.add(read(
                        setup,
                        axis,
                        zero,
                        target,
                        standing.getOrDefault(target, new Standing(0, 0, 0)),
                        refraction.getOrDefault(target, job.earth().refraction()),
                        Reading.Role.CHECK,
                        0,
                        face));
            }
        }
        job = job.plus(new Setup(
                setup,
                station,
                free ? Setup.Method.RESECTION : Setup.Method.OCCUPIED,
                instrument.name(),
                Optional.of(MeasuredHeight.toAxis(AXIS)),
                Optional.of(new Setup.Tilt(0, 0, true)),
                Optional.empty(),
                free ? new Setup.ByResection(List.of(), false) : new Setup.BySights(back),
                readings));
        return this;
    }

    private Reading read(
            String setup,
            World.TruePlace axis,
            double zero,
            String target,
            Standing standing,
            double refraction,
            Reading.Role role,
            int set,
            Reading.Face face) {
        World.TruePlace at = world.at(target).moved(standing.north(), standing.east(), AXIS + standing.up());
        double north = at.northing() - axis.northing();
        double east = at.easting() - axis.easting();
        Earth air = new Earth(job.earth().radius(), refraction, true, 1);
        double[] line = LineOfSight.parts(air, Math.hypot(north, east), at.elevation() - axis.elevation());
        boolean left = face == Reading.Face.LEFT;
        double circle = Math.atan2(east, north)
                - zero
                + (left ? 0 : Math.PI)
                + noise(Math.sqrt(2) * instrument.directionStdDev());
        for (Misread slip : misread) {
            boolean here = slip.setup().equals(setup)
                    && slip.target().equals(target)
                    && slip.set() == set
                    && slip.face() == face;
            circle += here ? slip.circle() : 0;
        }
        double zenith = Math.atan2(line[0], line[1]);
        double vertical = (left ? zenith : Angles.TURN - zenith) + noise(Math.sqrt(2) * instrument.zenithStdDev());
        double slope = Math.hypot(line[0], line[1]);
        double ranging = Math.hypot(instrument.distanceStdDev(), instrument.distancePpm() * 1e-6 * slope);
        OptionalDouble measured =
                left ? OptionalDouble.of(slope + constantLeftOn + noise(ranging)) : OptionalDouble.empty();
        return new Reading(
                target,
                role,
                set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                face,
                shown(circle),
                Optional.of(shown(vertical)),
                measured,
                List.of(),
                reflector.name(),
                Optional.of(MeasuredHeight.toAxis(AXIS)),
                time,
                Reading.Origin.SIMULATED,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private double noise(double sigma) {
        return sigma * random.nextGaussian();
    }

    private static Circle shown(double radians) {
        String written = AngleUnit.DMS.write(Angles.onCircle(radians), 2);
        return new Circle(AngleUnit.DMS.read(written), written);
    }

    /** The job as booked so far. */
    public Job job() {
        return job;
    }

    /** The same with something noted otherwise. */
    public Campaign with(UnaryOperator<Job> change) {
        job = change.apply(job);
        return this;
    }
}
