package markturn.fieldbook;

import java.util.List;
import markturn.survey.job.Reading;
import markturn.survey.turning.PointingOrder;

/**
 * A setup as it is to be made: everything but what is measured there. Heights are never planned.
 *
 * @param name of the setup, by which it is known once it stands
 * @param method how it stands
 * @param sets to be turned
 * @param aims in the order of the round
 */
public record PlannedSetup(
        String name,
        String station,
        Method method,
        String instrument,
        int sets,
        PointingOrder.School school,
        List<Aim> aims) {
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

        static Method of(String key) {
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

    /** A target of it. */
    public record Aim(String target, Reading.Role role, String reflector) {}
}
