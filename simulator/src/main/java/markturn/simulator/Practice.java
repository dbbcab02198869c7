package markturn.simulator;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Air;
import markturn.survey.reduce.Heights;

/**
 * Devices for practising a job in a seeded world. Everything follows from the seed, the job and how many pointings were made, so that
 * the same work gives the same readings, whoever asks and whenever.
 *
 * @param seed of the world's hidden errors
 * @param faults the slips that are switched on
 */
public record Practice(long seed, Set<Fault> faults) {
    private static final double POLE_TOO_HIGH = 0.100;
    private static final double OTHER_PRISM = 0.030;
    private static final double KNOCK = 0.060;
    private static final double BUMP = 48 * Angles.SECOND;
    private static final double MISREAD = 600 * Angles.SECOND;
    private static final double SECONDS_PER_POINTING = 40;
    private static final double ROVER_PLAN = 0.008;
    private static final double ROVER_UP = 0.015;

    public Practice {
        faults = Set.copyOf(faults);
    }

    /** The world of a job: Alder Weir, and whatever control the job adds to it, where the job says it is. */
    public World world(Job job) {
        World world = AlderWeirGround.world();
        for (Mark mark : job.marks()) {
            mark.given()
                    .filter(at -> !world.holds(mark.name()))
                    .ifPresent(at -> world.with(
                            mark.name(),
                            at.northing(),
                            at.easting(),
                            at.elevation().orElse(0)));
        }
        for (Setup setup : job.setups()) {
            if (setup.isFree() && !world.holds(job.trueName(setup.station()))) {
                // Somewhere on the gravel bar.
                SeededRandom where = hidden("free " + setup.station());
                world.with(
                        job.trueName(setup.station()),
                        2035 + 20 * where.nextDouble(),
                        4925 + 20 * where.nextDouble(),
                        39.2 + where.nextDouble() / 5);
            }
        }
        for (Mark mark : job.marks()) {
            if (mark.kind() == Mark.Kind.LOCATED && !world.holds(job.trueName(mark.name()))) {
                somewhere(world, job, mark);
            }
        }
        if (faults.contains(Fault.MARK_MOVED)) {
            List<String> control = job.marks().stream()
                    .filter(m -> m.given().isPresent())
                    .map(Mark::name)
                    .toList();
            if (!control.isEmpty()) {
                double direction = hidden("knock").nextDouble() * Angles.TURN;
                world.knock(
                        chosen(control, "knocked"), KNOCK * Math.cos(direction), KNOCK * Math.sin(direction), -0.004);
            }
        }
        return world;
    }

    /** Detail that nobody has drawn: points of one code lie a few paces apart along a bank of their own. */
    private void somewhere(World world, Job job, Mark mark) {
        SeededRandom bank = hidden("bank " + mark.code());
        double north = 2010 + 60 * bank.nextDouble();
        double east = 4955 + 60 * bank.nextDouble();
        double along = bank.nextDouble() * Angles.TURN;
        long before = job.marks().stream()
                .takeWhile(m -> m != mark)
                .filter(m -> m.code().equals(mark.code()))
                .count();
        SeededRandom step = hidden("step " + mark.name());
        world.with(
                mark.name(),
                north + 4 * before * Math.cos(along) + step.nextGaussian(),
                east + 4 * before * Math.sin(along) + step.nextGaussian(),
                39 + step.nextGaussian() / 5);
    }

    /** What of a target has to be known to sight it. */
    public record Aim(String target, String reflector, Optional<MeasuredHeight> height) {}

    /**
     * The total station of a setup, as it stands before its next pointing.
     *
     * @param aims what stands on the marks, as it is booked
     * @param circleOfFirst what the circle is turned to on the first of them; empty: as it falls
     * @param pointings how many have been made at this setup
     */
    public SimulatedStation station(
            Job job, Setup setup, List<Aim> aims, java.util.OptionalDouble circleOfFirst, int pointings) {
        World world = world(job);
        Instrument instrument = job.instrument(setup.instrument());
        SeededRandom noise = hidden(setup.name() + "/" + pointings);
        double height = Heights.ofInstrument(job, setup).orElse(1.5);
        SimulatedStation station = new SimulatedStation(
                world,
                job.trueName(setup.station()),
                height,
                circleZero(world, job, setup, aims, circleOfFirst),
                job.earth(),
                errors(instrument),
                conditions(job, setup),
                noise);
        station.waits(pointings * SECONDS_PER_POINTING);
        if (faults.contains(Fault.BUMPED_LEG) && pointings >= strikesAt(setup, "bump")) {
            station.drift(BUMP);
        }
        for (Aim aim : aims) {
            if (world.holds(job.trueName(aim.target()))) {
                stand(station, job, setup, aims, aim);
            }
        }
        return station;
    }

    private double circleZero(
            World world, Job job, Setup setup, List<Aim> aims, java.util.OptionalDouble circleOfFirst) {
        double asItFalls = hidden(setup.name() + "/circle").nextDouble() * Angles.TURN;
        if (circleOfFirst.isEmpty()
                || aims.isEmpty()
                || !world.holds(job.trueName(aims.get(0).target()))) {
            return asItFalls;
        }
        World.TruePlace from = world.at(job.trueName(setup.station()));
        World.TruePlace to = world.at(job.trueName(aims.get(0).target()));
        double azimuth = Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
        // A circle is turned to its start by hand: a few seconds are left.
        return azimuth - circleOfFirst.getAsDouble() + hidden("start").nextGaussian() * 5 * Angles.SECOND;
    }

    private void stand(SimulatedStation station, Job job, Setup setup, List<Aim> aims, Aim aim) {
        double constant = job.reflector(aim.reflector()).constant();
        double height = aim.height()
                .map(h -> Heights.vertical(h, job.reflector(aim.reflector()).notch()))
                .orElse(0.0);
        List<String> targets = aims.stream().map(Aim::target).toList();
        boolean higher = faults.contains(Fault.WRONG_POLE_HEIGHT)
                && aim.target().equals(chosen(targets, setup.name() + "/pole"));
        boolean other =
                faults.contains(Fault.WRONG_PRISM) && aim.target().equals(chosen(targets, setup.name() + "/prism"));
        station.stand(
                job.trueName(aim.target()),
                height + (higher ? POLE_TOO_HIGH : 0),
                constant + (other ? OTHER_PRISM : 0),
                constant);
    }

    /** Instruments differ: collimation, index and trunnion axis come from the seed, noise from the figures. */
    private InstrumentErrors errors(Instrument instrument) {
        SeededRandom hidden = hidden("instrument " + instrument.name());
        return new InstrumentErrors(
                hidden.nextGaussian() * 5 * Angles.SECOND,
                hidden.nextGaussian() * 3 * Angles.SECOND,
                hidden.nextGaussian() * 5 * Angles.SECOND,
                instrument.directionStdDev() * Math.sqrt(2),
                instrument.zenithStdDev() * Math.sqrt(2),
                instrument.distanceStdDev() / 2,
                instrument.distancePpm() / 2);
    }

    private Conditions conditions(Job job, Setup setup) {
        SeededRandom hidden = hidden(setup.name() + "/conditions");
        Instrument instrument = job.instrument(setup.instrument());
        double centring = setup.settingUp().centringStdDev().orElse(instrument.centringStdDev());
        return new Conditions(
                hidden.nextGaussian() * centring,
                hidden.nextGaussian() * centring,
                0.0003,
                hidden.nextGaussian() * 0.5 * Angles.SECOND,
                600,
                0.4,
                900,
                job.earth().refraction() + hidden.nextGaussian() * 0.02,
                Air.ppm(instrument, weather().read()));
    }

    /**
     * Makes the next pointing of a setup.
     *
     * @param automatic whether the station turns and searches by itself instead of being aimed by eye
     * @param distances how many times the distance is measured
     * @throws IllegalArgumentException where nothing of the target's name stands in this world
     */
    public TotalStation.Shown point(
            Job job,
            Setup setup,
            List<Aim> aims,
            java.util.OptionalDouble circleOfFirst,
            String target,
            Reading.Face face,
            int pointings,
            boolean automatic,
            int distances) {
        SimulatedStation station = station(job, setup, aims, circleOfFirst, pointings);
        String wanted = job.trueName(target);
        String sighted = faults.contains(Fault.WRONG_TARGET) && pointings == strikesAt(setup, "target")
                ? neighbour(job, aims, target)
                : wanted;
        if (!world(job).holds(wanted)) {
            throw new IllegalArgumentException("Nothing called " + target + " stands in the practice world: expected "
                    + String.join(", ", world(job).names()));
        }
        station.aim(sighted);
        if (face != station.face()) {
            station.plunge();
        }
        TotalStation.Shown seen = station.measure(distances);
        if (automatic) {
            // Sent to where the target was last seen, it finds what stands there.
            station.turnTo(seen.circle().radians(), seen.zenith().radians());
            station.search();
            seen = station.measure(distances);
        }
        boolean misread = faults.contains(Fault.MISREAD_DIGIT) && pointings == strikesAt(setup, "digit");
        return misread ? misread(seen) : seen;
    }

    private String neighbour(Job job, List<Aim> aims, String target) {
        return aims.stream()
                .map(Aim::target)
                .filter(other -> !other.equals(target))
                .map(job::trueName)
                .findFirst()
                .orElse(job.trueName(target));
    }

    private static TotalStation.Shown misread(TotalStation.Shown seen) {
        String written = markturn.survey.angle.AngleUnit.DMS.write(seen.circle().radians() + MISREAD, 1);
        return new TotalStation.Shown(
                new markturn.survey.job.Circle(markturn.survey.angle.AngleUnit.DMS.read(written), written),
                seen.zenith(),
                seen.slopes(),
                seen.applied(),
                seen.at());
    }

    /** The weather sensor of this world. */
    public WeatherSensor weather() {
        SeededRandom hidden = hidden("weather");
        double temperature = Math.round((14 + 6 * hidden.nextGaussian()) * 10) / 10.0;
        double pressure = Math.round(1009 + 8 * hidden.nextGaussian());
        return () -> new Atmosphere(temperature, pressure, 0);
    }

    /** The satellite rover of this world, with centimetres of noise; each further fix of a mark is another one. */
    public SatelliteRover rover(Job job) {
        World world = world(job);
        return (mark, use) -> {
            String name = job.trueName(mark);
            if (!world.holds(name)) {
                throw new IllegalArgumentException("Nothing called " + mark + " stands in the practice world: expected "
                        + String.join(", ", world.names()));
            }
            long before = job.fixes().stream()
                    .filter(f -> job.trueName(f.mark()).equals(name))
                    .count();
            SeededRandom hidden = hidden("rover " + name + before);
            World.TruePlace at = world.at(name)
                    .moved(
                            hidden.nextGaussian() * ROVER_PLAN,
                            hidden.nextGaussian() * ROVER_PLAN,
                            hidden.nextGaussian() * ROVER_UP);
            return new SatelliteFix(
                    mark,
                    new Mark.Coordinates(
                            rounded(at.northing()),
                            rounded(at.easting()),
                            java.util.OptionalDouble.of(rounded(at.elevation()))),
                    new Mark.Deviations(ROVER_PLAN, ROVER_PLAN, ROVER_UP),
                    use,
                    Reading.Origin.SIMULATED);
        };
    }

    private static double rounded(double metres) {
        return Math.round(metres * 1000) / 1000.0;
    }

    /** The pointing at which a slip of that kind happens: the third to the sixth. */
    private int strikesAt(Setup setup, String what) {
        return 2 + hidden(setup.name() + "/" + what).nextInt(4);
    }

    private String chosen(List<String> names, String what) {
        return names.get(hidden(what).nextInt(names.size()));
    }

    private SeededRandom hidden(String what) {
        return new SeededRandom(seed * 1_000_003L + what.hashCode());
    }

    /** Faults by the words of a form. */
    public static Set<Fault> faults(Set<String> keys) {
        Map<String, Fault> known = new java.util.HashMap<>();
        for (Fault fault : Fault.values()) {
            known.put(fault.key(), fault);
        }
        Set<Fault> chosen = new HashSet<>();
        keys.stream().filter(known::containsKey).map(known::get).forEach(chosen::add);
        return chosen;
    }
}
