package markturn.fieldbook;

import java.util.List;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Earth;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;

/**
 * A note beside a reading or a setup, as it is to be: what was read stays as it was read.
 *
 * <p>Lengths in metres. Those of lines are of all of them alike; lines are keys of readings.
 */
public sealed interface Note {
    /** What is noted, as it is written. */
    String key();

    /** The readings it stands beside; empty where it stands beside none. */
    default List<String> lines() {
        return List.of();
    }

    /** Whether another is of the same thing, so that one of them would replace the other. */
    default boolean isOfSameAs(Note other) {
        return key().equals(other.key())
                && (lines().isEmpty() || lines().stream().anyMatch(other.lines()::contains));
    }

    record InstrumentHeight(String setup, MeasuredHeight after) implements Note {
        @Override
        public String key() {
            return "instrumentHeight";
        }

        @Override
        public boolean isOfSameAs(Note other) {
            return other instanceof InstrumentHeight that && setup.equals(that.setup);
        }
    }

    record Air(String setup, Atmosphere after) implements Note {
        @Override
        public String key() {
            return "atmosphere";
        }

        @Override
        public boolean isOfSameAs(Note other) {
            return other instanceof Air that && setup.equals(that.setup);
        }
    }

    record ReflectorConstant(String reflector, double after) implements Note {
        @Override
        public String key() {
            return "reflectorConstant";
        }

        @Override
        public boolean isOfSameAs(Note other) {
            return other instanceof ReflectorConstant that && reflector.equals(that.reflector);
        }
    }

    record EarthAssumed(Earth after) implements Note {
        @Override
        public String key() {
            return "earth";
        }
    }

    record TargetHeight(List<String> lines, MeasuredHeight after) implements Note {
        @Override
        public String key() {
            return "targetHeight";
        }
    }

    record SightReflector(List<String> lines, String after) implements Note {
        @Override
        public String key() {
            return "reflector";
        }
    }

    record SightTarget(List<String> lines, String after) implements Note {
        @Override
        public String key() {
            return "target";
        }
    }

    record SightRole(List<String> lines, Reading.Role after) implements Note {
        @Override
        public String key() {
            return "role";
        }
    }

    record KeyedConstant(List<String> lines, double after) implements Note {
        @Override
        public String key() {
            return "applied";
        }
    }

    record KeyedPpm(List<String> lines, double after) implements Note {
        @Override
        public String key() {
            return "appliedPpm";
        }
    }
}
