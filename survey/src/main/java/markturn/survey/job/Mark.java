package markturn.survey.job;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A physical point with a name.
 *
 * @param given its coordinates where they are given; always for control, unless {@code sameAs}
 * @param source where given coordinates come from; may be empty
 * @param found its state on the ground; may be empty
 * @param code of detail; may be empty
 * @param sameAs the mark this is another name for
 * @param joining how it joins a line of its code
 * @param by how its place follows from other marks, where nothing was held at it
 */
public record Mark(
        String name,
        Kind kind,
        Optional<Coordinates> given,
        Optional<Deviations> stdDev,
        String source,
        Optional<Found> found,
        String code,
        Optional<String> sameAs,
        Optional<Joining> joining,
        Optional<Construction> by) {
    /** A mark that joins no line and was sighted itself. */
    public Mark(
            String name,
            Kind kind,
            Optional<Coordinates> given,
            Optional<Deviations> stdDev,
            String source,
            Optional<Found> found,
            String code,
            Optional<String> sameAs) {
        this(name, kind, given, stdDev, source, found, code, sameAs, Optional.empty(), Optional.empty());
    }

    /** What a mark is for. */
    public enum Kind {
        CONTROL,
        NEW,
        LOCATED
    }

    /** How a mark was found on the ground. */
    public enum Found {
        UNDISTURBED("undisturbed"),
        LEANING("leaning"),
        LOOSE("loose"),
        NOT_FOUND("not found");

        private final String key;

        Found(String key) {
            this.key = key;
        }

        /** The word in files and on screen. */
        public String key() {
            return key;
        }
    }

    /** Northing, easting and perhaps elevation, metres. */
    public record Coordinates(double northing, double easting, OptionalDouble elevation) {
        /** Places lie within this, metres: no grid of the globe reaches farther. Common practice, no source. */
        public static final double FARTHEST = 1e8;
    }

    /** Standard deviations of coordinates, metres, one sigma. */
    public record Deviations(double northing, double easting, double elevation) {}

    /** A mark without coordinates. */
    public static Mark named(String name, Kind kind) {
        return new Mark(name, kind, Optional.empty(), Optional.empty(), "", Optional.empty(), "", Optional.empty());
    }

    /** A control mark. */
    public static Mark control(String name, double northing, double easting, OptionalDouble elevation, String source) {
        return new Mark(
                name,
                Kind.CONTROL,
                Optional.of(new Coordinates(northing, easting, elevation)),
                Optional.empty(),
                source,
                Optional.empty(),
                "",
                Optional.empty());
    }

    /** The same as another name of a mark, or as one of its own. */
    public Mark withSameAs(Optional<String> of) {
        return new Mark(name, kind, given, stdDev, source, found, code, of, joining, by);
    }

    /** With given coordinates that are observed as well as this, or held. */
    public Mark withStdDev(Optional<Deviations> of) {
        return new Mark(name, kind, given, of, source, found, code, sameAs, joining, by);
    }

    /** The same, found in that state on the ground. */
    public Mark withFound(Optional<Found> state) {
        return new Mark(name, kind, given, stdDev, source, state, code, sameAs, joining, by);
    }

    /** The same with coordinates that are given. */
    public Mark withGiven(Coordinates at, String from) {
        return new Mark(name, kind, Optional.of(at), stdDev, from, found, code, sameAs, joining, by);
    }

    /** The same without given coordinates: a mark that is to be fixed. */
    public Mark withoutGiven() {
        return new Mark(name, Kind.NEW, Optional.empty(), Optional.empty(), source, found, code, sameAs, joining, by);
    }

    /** The same under another code. */
    public Mark withCode(String other) {
        return new Mark(name, kind, given, stdDev, source, found, other, sameAs, joining, by);
    }

    /** The same, joined to a line of its code, or to none. */
    public Mark withJoining(Optional<Joining> how) {
        return new Mark(name, kind, given, stdDev, source, found, code, sameAs, how, by);
    }

    /** The same, placed by a construction. */
    public Mark withConstruction(Construction how) {
        return new Mark(name, kind, given, stdDev, source, found, code, sameAs, joining, Optional.of(how));
    }
}
