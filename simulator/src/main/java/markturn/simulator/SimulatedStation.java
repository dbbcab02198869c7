package markturn.simulator;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.Earth;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;

/**
 * An instrument set up in a world. It reads what such an instrument would show: circles to a tenth of a second, distances to a tenth of
 * a millimetre. Seeded, so that the same pointings in the same order give the same readings.
 */
public final class SimulatedStation implements TotalStation {
    /** How far from the line of sight a reflector is found. */
    private static final double FIELD_OF_VIEW = Math.toRadians(2);

    private static final double SECONDS_PER_POINTING = 40;

    private final World world;
    private final World.TruePlace axis;
    private final Earth earth;
    private final InstrumentErrors errors;
    private final Conditions conditions;
    private final SeededRandom random;
    private final List<Standing> standing = new ArrayList<>();
    private double circleZero;
    private double elapsed;
    private Instant clock = Instant.EPOCH;
    private Reading.Face face = Reading.Face.LEFT;
    private Optional<Standing> aimed = Optional.empty();
    private double circleAimed;

    /** A target that stands on a mark: what is really there. */
    private record Standing(
            String mark, double height, double trueConstant, double keyedIn, double north, double east) {}

    /**
     * Sets up over a mark in ideal conditions.
     *
     * @param height of the axis over the mark, metres
     * @param circleZero azimuth at which the circle reads zero, radians
     */
    public SimulatedStation(
            World world,
            String mark,
            double height,
            double circleZero,
            Earth earth,
            InstrumentErrors errors,
            SeededRandom random) {
        this(world, mark, height, circleZero, earth, errors, Conditions.ideal(earth.refraction()), random);
    }

    /** Sets up over a mark in given conditions. */
    public SimulatedStation(
            World world,
            String mark,
            double height,
            double circleZero,
            Earth earth,
            InstrumentErrors errors,
            Conditions conditions,
            SeededRandom random) {
        this.world = world;
        this.axis = world.at(mark).moved(conditions.offsetNorth(), conditions.offsetEast(), height);
        this.earth = new Earth(
                earth.radius(), conditions.refraction(), earth.curvature(), earth.scaleFactor(), earth.projection());
        this.errors = errors;
        this.conditions = conditions;
        this.random = random;
        this.circleZero = circleZero;
    }

    /** Turns the circle under the instrument, as a knocked leg does, radians. */
    public void drift(double radians) {
        circleZero += radians;
    }

    /** Lets time pass: the legs settle, the instrument warms up. */
    public void waits(double seconds) {
        elapsed += seconds;
    }

    /** Sets the clock that stamps the readings. */
    public void clock(Instant now) {
        clock = now;
    }

    /**
     * Puts a target on a mark.
     *
     * @param height of what is sighted over the mark, metres
     * @param trueConstant of what stands there, metres
     * @param keyedIn the constant the instrument applies, metres
     */
    public void stand(String mark, double height, double trueConstant, double keyedIn) {
        standing.removeIf(s -> s.mark().equals(mark));
        SeededRandom beside = new SeededRandom(mark.hashCode() * 31L + Double.hashCode(conditions.offsetNorth()));
        standing.add(new Standing(
                mark,
                height,
                trueConstant,
                keyedIn,
                beside.nextGaussian() * conditions.targetCentring(),
                beside.nextGaussian() * conditions.targetCentring()));
    }

    @Override
    public void aim(String target) {
        aimed = Optional.of(standing.stream()
                .filter(s -> s.mark().equals(target))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no target stands on " + target)));
    }

    @Override
    public void turnTo(double circle, double zenith) {
        circleAimed = face == Reading.Face.LEFT ? circle : Angles.onCircle(circle - Math.PI);
        aimed = Optional.empty();
    }

    @Override
    public boolean search() {
        aimed = standing.stream()
                .filter(s -> Math.abs(offLine(s)) < FIELD_OF_VIEW)
                .min(Comparator.comparingDouble(s -> Math.abs(offLine(s))));
        return aimed.isPresent();
    }

    private double offLine(Standing target) {
        World.TruePlace at = place(target);
        double azimuth = Math.atan2(at.easting() - axis.easting(), at.northing() - axis.northing());
        return Angles.shortWay(azimuth - circleZero - circleAimed);
    }

    @Override
    public void plunge() {
        face = face.other();
    }

    @Override
    public Reading.Face face() {
        return face;
    }

    private World.TruePlace place(Standing target) {
        return world.at(target.mark()).moved(target.north(), target.east(), target.height());
    }

    @Override
    public Shown measure(int distances) {
        Standing target = aimed.orElseThrow(() -> new IllegalStateException("the telescope points at nothing"));
        elapsed += SECONDS_PER_POINTING;
        World.TruePlace at = place(target);
        double north = at.northing() - axis.northing();
        double east = at.easting() - axis.easting();
        double[] ray = LineOfSight.parts(
                earth, Math.hypot(north, east) / earth.scaleFactor(), at.elevation() - axis.elevation());
        double zenith = Math.atan2(ray[0], ray[1]);
        double slope = Math.hypot(ray[0], ray[1]);
        double sideways = errors.collimation() / Math.sin(zenith) + errors.trunnionAxis() / Math.tan(zenith);
        boolean left = face == Reading.Face.LEFT;
        double circle = Math.atan2(east, north)
                - circleZero
                - conditions.settling() * (1 - Math.exp(-elapsed / conditions.settlingTime()))
                + (left ? sideways : Math.PI - sideways)
                + noise(errors.circleNoise());
        double vertical = (left ? zenith : Angles.TURN - zenith) + errors.index() + noise(errors.zenithNoise());
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < distances; i++) {
            slopes.add(distance(slope, target));
        }
        return new Shown(
                shown(circle),
                shown(vertical),
                slopes,
                new Reading.Applied(OptionalDouble.of(target.keyedIn()), OptionalDouble.of(0)),
                clock);
    }

    private double distance(double slope, Standing target) {
        double ppm = conditions.warmUpPpm() * Math.exp(-elapsed / conditions.warmUpTime()) - conditions.ppm();
        double shown = slope * (1 + ppm * 1e-6) - target.trueConstant() + target.keyedIn();
        double noisy = shown + noise(Math.hypot(errors.distanceNoise(), errors.distanceNoisePpm() * 1e-6 * slope));
        return Math.round(noisy * 10000) / 10000.0;
    }

    /**
     * Points at a mark and measures, as one act.
     *
     * @param set number of the set; 0 for a single shot
     * @param height of the target over the mark, metres
     */
    public Reading point(
            String mark, Reading.Role role, int set, Reading.Face onFace, String reflector, double height) {
        stand(mark, height, 0, 0);
        aim(mark);
        if (onFace != face) {
            plunge();
        }
        Shown shown = measure(1);
        return new Reading(
                mark,
                role,
                set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                onFace,
                shown.circle(),
                Optional.of(shown.zenith()),
                OptionalDouble.of(shown.slopes().get(0)),
                List.of(),
                reflector,
                Optional.of(MeasuredHeight.toAxis(height)),
                Optional.empty(),
                Reading.Origin.SIMULATED,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private double noise(double sigma) {
        return random.nextGaussian() * sigma;
    }

    private static Circle shown(double radians) {
        String written = AngleUnit.DMS.write(radians, 1);
        return new Circle(AngleUnit.DMS.read(written), written);
    }
}
