package markturn.survey.job;

import java.util.Locale;

/**
 * How a point joins a line of its code.
 *
 * @param line number of the line within its code, from 1
 */
public record Joining(int line, Act act) {
    /** What the point does to its line. */
    public enum Act {
        /** The line begins here; what was drawn under its number before ends. */
        BEGIN("begin"),
        /** Joined to the point before. */
        GO_ON("go-on"),
        /** Joined to the point before, and from here back to where the line began. */
        CLOSE("close");

        private final String key;

        Act(String key) {
            this.key = key;
        }

        /** The word in files. */
        public String key() {
            return key;
        }

        /** The word on screen. */
        public String words() {
            return key.replace('-', ' ').toLowerCase(Locale.ROOT);
        }
    }
}
