package markturn.survey.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One stay of the instrument at one place.
 *
 * @param station name of the mark it stands on
 * @param instrument name of the instrument
 * @param instrumentHeight absent only in a job that is plan only
 */
public record Setup(
        String name,
        String station,
        Method method,
        String instrument,
        Optional<MeasuredHeight> instrumentHeight,
        Optional<Tilt> tilt,
        Optional<Atmosphere> atmosphere,
        Orientation orientation,
        List<Reading> readings) {
    public Setup {
        readings = List.copyOf(readings);
    }

    /** How the station's place is known. */
    public enum Method {
        OCCUPIED
    }

    /** What is left of the levelling, radians, along and across the first backsight; whether a two-axis compensator took it out. */
    public record Tilt(double along, double across, boolean compensated) {}

    /** What turns reduced directions into azimuths. */
    public sealed interface Orientation {
        /** The mark whose direction is zero. */
        String zero();

        /** Every mark that orients. */
        List<String> sights();
    }

    /** By known marks, the first of them zero. */
    public record BySights(List<String> sights) implements Orientation {
        public BySights {
            sights = List.copyOf(sights);
        }

        @Override
        public String zero() {
            return sights.get(0);
        }
    }

    /** By an azimuth that is given to one sight, which needs no coordinates. */
    public record ByAzimuth(Circle azimuth, String sight) implements Orientation {
        @Override
        public String zero() {
            return sight;
        }

        @Override
        public List<String> sights() {
            return List.of(sight);
        }
    }

    /** The same setup with other readings. */
    public Setup withReadings(List<Reading> others) {
        return new Setup(name, station, method, instrument, instrumentHeight, tilt, atmosphere, orientation, others);
    }

    /** The same setup with one reading more. */
    public Setup plus(Reading reading) {
        List<Reading> longer = new ArrayList<>(readings);
        longer.add(reading);
        return withReadings(longer);
    }

    /** The same setup with its instrument height noted anew. */
    public Setup withInstrumentHeight(MeasuredHeight height) {
        return new Setup(
                name, station, method, instrument, Optional.of(height), tilt, atmosphere, orientation, readings);
    }
}
