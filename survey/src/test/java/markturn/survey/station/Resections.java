package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;

/** Made-up geometries for tests of the resection: true places, and sights with or without noise. */
final class Resections {
    static final Instrument INSTRUMENT = new Instrument(
            "I1",
            2 * Angles.SECOND,
            2 * Angles.SECOND,
            0.002,
            2,
            0.001,
            0.001,
            OptionalDouble.empty(),
            Atmosphere.USUAL_REFERENCE,
            Optional.empty());
    static final Weights WEIGHTS = new Weights(INSTRUMENT, 0, Earth.USUAL);
    private static final Reflector PRISM = new Reflector("R1", 0, 0.001, 0.001, Optional.empty());

    private Resections() {}

    /** What would be measured from a station at the origin with that orientation to a mark, over two sets. */
    static Sight sight(String name, double north, double east, double orientation, boolean distance, Random noise) {
        double length = Math.hypot(north, east);
        Sight exact = new Sight(
                name,
                name,
                north,
                east,
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.of(Angles.onCircle(Math.atan2(east, north) - orientation)),
                2,
                distance ? OptionalDouble.of(length) : OptionalDouble.empty(),
                2,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                PRISM,
                true,
                distance,
                false);
        if (noise == null) {
            return exact;
        }
        double turned = noise.nextGaussian() * exact.directionStdDev(WEIGHTS, length);
        double longer = distance ? noise.nextGaussian() * exact.distanceStdDev(WEIGHTS) : 0;
        return measured(exact, turned, longer);
    }

    /** The same sight with an error in direction (radians) and distance (metres). */
    static Sight measured(Sight exact, double turned, double longer) {
        return new Sight(
                exact.target(),
                exact.mark(),
                exact.northing(),
                exact.easting(),
                exact.elevation(),
                exact.deviations(),
                OptionalDouble.of(Angles.onCircle(exact.direction().getAsDouble() + turned)),
                exact.directionCount(),
                exact.distance().isPresent()
                        ? OptionalDouble.of(exact.distance().getAsDouble() + longer)
                        : exact.distance(),
                exact.distanceCount(),
                exact.rise(),
                exact.riseVariance(),
                exact.reflector(),
                exact.useDirection(),
                exact.useDistance(),
                exact.useElevation());
    }

    /** Four marks well spread around the station, 80 to 150 m away. */
    static List<Sight> spread(Random noise, double orientation) {
        List<Sight> sights = new ArrayList<>();
        double[] azimuths = {0.3, 1.9, 3.4, 5.1};
        double[] lengths = {120, 95, 150, 80};
        for (int i = 0; i < azimuths.length; i++) {
            double north = lengths[i] * Math.cos(azimuths[i]);
            double east = lengths[i] * Math.sin(azimuths[i]);
            sights.add(sight("M" + i, north, east, orientation, true, noise));
        }
        return sights;
    }
}
