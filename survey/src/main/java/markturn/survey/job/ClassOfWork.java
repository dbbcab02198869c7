package markturn.survey.job;

import java.util.Map;

/**
 * The class a job is held to: a preset column of limits and what the job overrides in it.
 *
 * @param overrides radians, metres, minutes or plain numbers, as {@link Limit} says
 */
public record ClassOfWork(Preset preset, Map<Limit, Double> overrides) {
    public ClassOfWork {
        overrides = Map.copyOf(overrides);
    }

    /** The four columns. */
    public enum Preset {
        PRECISE("precise", "precise control"),
        ENGINEERING("engineering", "boundary, engineering"),
        DETAIL("detail", "topographic detail"),
        RECORD("record", "site record");

        private final String key;
        private final String words;

        Preset(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** The word in files. */
        public String key() {
            return key;
        }

        /** The words on screen. */
        public String words() {
            return words;
        }
    }

    /** That preset as it stands. */
    public static ClassOfWork of(Preset preset) {
        return new ClassOfWork(preset, Map.of());
    }

    /** Whether somebody typed that limit: a client's or an authority's, to be judged exactly as it is. */
    public boolean isTyped(Limit limit) {
        return overrides.containsKey(limit);
    }

    /** What judges a quantity of which chance reaches so much: the limit as typed, else the larger of the class's and chance. */
    public double judged(Limit limit, double chance) {
        return isTyped(limit) ? limit(limit) : Math.max(limit(limit), chance);
    }

    /** The limit in force: radians, metres, minutes or a plain number. */
    public double limit(Limit limit) {
        return overrides.getOrDefault(limit, limit.preset(preset));
    }
}
