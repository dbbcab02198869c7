package markturn.survey.plan;

import java.util.List;
import java.util.Optional;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.turning.PointingOrder;

/**
 * A setup as it is to be made: everything but what is measured there. Heights are never planned.
 *
 * @param name of the setup, by which it is known once it stands
 * @param station the mark it stands on; of a free one a name of its own
 * @param method how it stands
 * @param sets to be turned, at least 1
 * @param aims in the order of the round
 * @param place where it is meant to stand, metres, where that is not its mark; empty where nobody has said
 */
public record PlannedSetup(
        String name,
        String station,
        Method method,
        String instrument,
        int sets,
        PointingOrder.School school,
        List<Aim> aims,
        Optional<Mark.Coordinates> place) {
    /** How a setup stands. */
    public enum Method {
        /** On a mark with coordinates. */
        OCCUPIED("occupied", "on"),
        /** Anywhere: the marks it sights fix it. */
        RESECTION("resection", "free station"),
        /** On a point without coordinates, to turn angles and carry nothing. */
        ANGLES("angles", "angles only at");

        private final String key;
        private final String words;

        Method(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** As forms and entries call it. */
        public String key() {
            return key;
        }

        public String words() {
            return words;
        }

        /** That of a key; the usual one where there is none. */
        public static Method of(String key) {
            for (Method one : values()) {
                if (one.key.equals(key)) {
                    return one;
                }
            }
            return OCCUPIED;
        }
    }

    public PlannedSetup {
        aims = List.copyOf(aims);
    }

    /** One with no place of its own. */
    public PlannedSetup(
            String name,
            String station,
            Method method,
            String instrument,
            int sets,
            PointingOrder.School school,
            List<Aim> aims) {
        this(name, station, method, instrument, sets, school, aims, Optional.empty());
    }

    /** Whether nothing is centred beneath the instrument. */
    public boolean isFree() {
        return method == Method.RESECTION;
    }

    /** The same in so many sets. */
    public PlannedSetup in(int other) {
        return new PlannedSetup(name, station, method, instrument, other, school, aims, place);
    }

    /** The same at another place. */
    public PlannedSetup at(Mark.Coordinates other) {
        return new PlannedSetup(name, station, method, instrument, sets, school, aims, Optional.of(other));
    }

    /** The same with other targets. */
    public PlannedSetup sighting(List<Aim> others) {
        return new PlannedSetup(name, station, method, instrument, sets, school, others, place);
    }

    /** A target of it. */
    public record Aim(String target, Reading.Role role, String reflector) {}
}
