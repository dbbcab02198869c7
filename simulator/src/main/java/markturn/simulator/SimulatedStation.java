package markturn.simulator;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
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
public final class SimulatedStation {
    private static final int SOLVE_STEPS = 8;

    private final World world;
    private final World.Place axis;
    private final Earth earth;
    private final InstrumentErrors errors;
    private final Random random;
    private double circleZero;

    /**
     * Sets up over a mark.
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
            Random random) {
        this.world = world;
        this.axis = world.at(mark).moved(0, 0, height);
        this.earth = earth;
        this.errors = errors;
        this.random = random;
        this.circleZero = circleZero;
    }

    /** Turns the circle under the instrument, as a settling leg does, radians. */
    public void drift(double radians) {
        circleZero += radians;
    }

    /**
     * Points at a mark and measures.
     *
     * @param set number of the set; 0 for a single shot
     * @param height of the target over the mark, metres
     */
    public Reading point(String mark, Reading.Role role, int set, Reading.Face face, String reflector, double height) {
        World.Place target = world.at(mark).moved(0, 0, height);
        double north = target.northing() - axis.northing();
        double east = target.easting() - axis.easting();
        double[] ray = ray(Math.hypot(north, east) / earth.scaleFactor(), target.elevation() - axis.elevation());
        double zenith = Math.atan2(ray[0], ray[1]);
        double slope = Math.hypot(ray[0], ray[1]);
        double azimuth = Math.atan2(east, north);
        double sideways = errors.collimation() / Math.sin(zenith) + errors.trunnionAxis() / Math.tan(zenith);
        boolean left = face == Reading.Face.LEFT;
        double circle = azimuth - circleZero + (left ? sideways : Math.PI - sideways) + noise(errors.circleNoise());
        double vertical = (left ? zenith : Angles.TURN - zenith) + errors.index() + noise(errors.zenithNoise());
        double distance = slope + noise(Math.hypot(errors.distanceNoise(), errors.distanceNoisePpm() * 1e-6 * slope));
        return new Reading(
                mark,
                role,
                set == 0 ? OptionalInt.empty() : OptionalInt.of(set),
                face,
                shown(circle),
                Optional.of(shown(vertical)),
                OptionalDouble.of(Math.round(distance * 10000) / 10000.0),
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

    /** Horizontal and vertical parts of the slope whose reduction gives this distance and rise. */
    private double[] ray(double horizontal, double rise) {
        if (!earth.curvature()) {
            return new double[] {horizontal, rise};
        }
        double across = horizontal;
        double up = rise;
        for (int step = 0; step < SOLVE_STEPS; step++) {
            up = rise - (1 - earth.refraction()) * across * across / (2 * earth.radius());
            across = horizontal + (1 - earth.refraction() / 2) * up * across / earth.radius();
        }
        return new double[] {across, up};
    }
}
