package markturn.survey.job;

import java.util.List;

/**
 * A chain of setups that is closed and adjusted.
 *
 * @param route its stations in order, at least two; the last may be another name of a mark
 * @param adopt whether its adjusted coordinates take the place of the carried ones
 */
public record Traverse(String name, List<String> route, Rule rule, boolean adopt) {
    public Traverse {
        route = List.copyOf(route);
    }

    /** How the misclosure is spread. */
    public enum Rule {
        COMPASS("compass", "compass rule"),
        TRANSIT("transit", "transit rule"),
        LEAST_SQUARES("least-squares", "least squares");

        private final String key;
        private final String words;

        Rule(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** The word in files. */
        public String key() {
            return key;
        }

        public String words() {
            return words;
        }
    }
}
