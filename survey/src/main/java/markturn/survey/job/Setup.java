package markturn.survey.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/**
 * One stay of the instrument at one place.
 *
 * @param station name of the mark it stands on
 * @param instrument name of the instrument
 * @param instrumentHeight absent only in a job that is plan only
 * @param settingUp what was noted while setting up
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
        SettingUp settingUp,
        List<Reading> readings) {
    public Setup {
        readings = List.copyOf(readings);
        if (orientation instanceof ByResection free) {
            orientation = free.sighting(readings);
        }
    }

    /** A setup of which the act of setting up was not noted. */
    public Setup(
            String name,
            String station,
            Method method,
            String instrument,
            Optional<MeasuredHeight> instrumentHeight,
            Optional<Tilt> tilt,
            Optional<Atmosphere> atmosphere,
            Orientation orientation,
            List<Reading> readings) {
        this(
                name,
                station,
                method,
                instrument,
                instrumentHeight,
                tilt,
                atmosphere,
                orientation,
                SettingUp.NOT_NOTED,
                readings);
    }

    /**
     * What was noted while setting up.
     *
     * @param plummet offset of the plummet from the mark, metres
     * @param centringStdDev of this setup's own support where it differs from the instrument's, as under forced centring, metres
     * @param at when the instrument was set up
     */
    public record SettingUp(OptionalDouble plummet, OptionalDouble centringStdDev, Optional<Instant> at) {
        public static final SettingUp NOT_NOTED =
                new SettingUp(OptionalDouble.empty(), OptionalDouble.empty(), Optional.empty());
    }

    /** How the station's place is known. */
    public enum Method {
        OCCUPIED,
        RESECTION
    }

    /** What is left of the levelling, radians, along and across the first backsight; whether a two-axis compensator took it out. */
    public record Tilt(double along, double across, boolean compensated) {}

    /** What turns reduced directions into azimuths. */
    public sealed interface Orientation {
        /** The mark whose direction is zero. */
        String zero();

        /** Every mark that orients. */
        List<String> sights();

        /** What of them does not take part. */
        default List<LeftOut> leaveOut() {
            return List.of();
        }

        /** The same with other marks left out; what is oriented otherwise than by marks stays as it is. */
        default Orientation without(List<LeftOut> others, boolean solveScale) {
            return this;
        }

        /** Whether that part of that mark takes part. */
        default boolean uses(String target, Part part) {
            return leaveOut().stream()
                    .noneMatch(l -> l.target().equals(target)
                            && (l.only().isEmpty() || l.only().get() == part));
        }
    }

    /** By known marks, the first of them zero even where its direction is left out. */
    public record BySights(List<String> sights, List<LeftOut> leaveOut) implements Orientation {
        public BySights {
            sights = List.copyOf(sights);
            leaveOut = List.copyOf(leaveOut);
        }

        /** All of them take part. */
        public BySights(List<String> sights) {
            this(sights, List.of());
        }

        @Override
        public Orientation without(List<LeftOut> others, boolean solveScale) {
            return new BySights(sights, others);
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

    /**
     * By an approximate direction to a mapped feature: good enough to begin with, and marked as what it is.
     *
     * @param northing of the feature as the map shows it, metres
     * @param easting of the feature, metres
     * @param stdDev of that position, metres
     */
    public record ByFeature(String sight, double northing, double easting, double stdDev) implements Orientation {
        @Override
        public String zero() {
            return sight;
        }

        @Override
        public List<String> sights() {
            return List.of(sight);
        }
    }

    /** What of a mark can be left out. */
    public enum Part {
        DIRECTION,
        DISTANCE,
        ELEVATION
    }

    /** A mark, or only one part of it, that is left out; {@code only} is empty for all of it. */
    public record LeftOut(String target, Optional<Part> only) {}

    /**
     * A free station: it stands anywhere, and the known marks it sights give place and orientation together.
     *
     * @param sights the marks sighted as backsights, in the order of the book; follows from the readings
     * @param solveScale whether the scale is solved for, as a diagnosis
     */
    public record ByResection(List<String> sights, List<LeftOut> leaveOut, boolean solveScale) implements Orientation {
        public ByResection {
            sights = List.copyOf(sights);
            leaveOut = List.copyOf(leaveOut);
        }

        /** Nothing sighted yet, nothing left out. */
        public ByResection(List<LeftOut> leaveOut, boolean solveScale) {
            this(List.of(), leaveOut, solveScale);
        }

        /** The first unstruck backsight booked; empty text before there is one. */
        @Override
        public String zero() {
            return sights.isEmpty() ? "" : sights.get(0);
        }

        @Override
        public Orientation without(List<LeftOut> others, boolean scaleToo) {
            return new ByResection(sights, others, scaleToo);
        }

        private ByResection sighting(List<Reading> readings) {
            List<String> sighted = readings.stream()
                    .filter(r -> r.stands() && r.role() == Reading.Role.BACKSIGHT)
                    .map(Reading::target)
                    .distinct()
                    .toList();
            return new ByResection(sighted, leaveOut, solveScale);
        }
    }

    /** Whether it stands free. */
    public boolean isFree() {
        return method == Method.RESECTION;
    }

    /** The same setup on another mark. */
    public Setup withStation(String other) {
        return changed(draft -> draft.station = other);
    }

    /** The same setup oriented otherwise. */
    public Setup withOrientation(Orientation other) {
        return changed(draft -> draft.orientation = other);
    }

    /** The same setup with other readings. */
    public Setup withReadings(List<Reading> others) {
        return changed(draft -> draft.readings = others);
    }

    /** The same setup with one reading more. */
    public Setup plus(Reading reading) {
        List<Reading> longer = new ArrayList<>(readings);
        longer.add(reading);
        return withReadings(longer);
    }

    /** Whether it is a setup of before with readings behind, and nothing else of it is different. */
    public boolean isGrownFrom(Setup before) {
        int common = before.readings.size();
        if (common > readings.size() || !withReadings(List.of()).equals(before.withReadings(List.of()))) {
            return false;
        }
        for (int i = 0; i < common; i++) {
            if (readings.get(i) != before.readings.get(i)) {
                return false;
            }
        }
        return true;
    }

    /** The same setup with its instrument height noted anew. */
    public Setup withInstrumentHeight(MeasuredHeight height) {
        return changed(draft -> draft.instrumentHeight = Optional.of(height));
    }

    /** The same setup, levelled so well. */
    public Setup withTilt(Tilt other) {
        return changed(draft -> draft.tilt = Optional.of(other));
    }

    /** The same setup in other air. */
    public Setup withAtmosphere(Atmosphere air) {
        return changed(draft -> draft.atmosphere = Optional.of(air));
    }

    /** The same setup with one of its readings changed. */
    public Setup withReading(int place, UnaryOperator<Reading> change) {
        List<Reading> changed = new ArrayList<>(readings);
        changed.set(place, change.apply(changed.get(place)));
        return withReadings(changed);
    }

    private Setup changed(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.setup();
    }

    /** A setup while one thing of it is changed: what changes is named once, the rest stays. */
    private static final class Draft {
        private final Setup before;
        private String station;
        private Optional<MeasuredHeight> instrumentHeight;
        private Optional<Tilt> tilt;
        private Optional<Atmosphere> atmosphere;
        private Orientation orientation;
        private List<Reading> readings;

        Draft(Setup before) {
            this.before = before;
            this.station = before.station;
            this.instrumentHeight = before.instrumentHeight;
            this.tilt = before.tilt;
            this.atmosphere = before.atmosphere;
            this.orientation = before.orientation;
            this.readings = before.readings;
        }

        Setup setup() {
            return new Setup(
                    before.name,
                    station,
                    before.method,
                    before.instrument,
                    instrumentHeight,
                    tilt,
                    atmosphere,
                    orientation,
                    before.settingUp,
                    readings);
        }
    }

    /** The names of the marks it refers to, each once: its station, what orients it, its targets. */
    public Set<String> refersTo() {
        Set<String> names = new LinkedHashSet<>();
        names.add(station);
        names.addAll(orientation.sights());
        readings.forEach(reading -> names.add(reading.target()));
        return names;
    }
}
