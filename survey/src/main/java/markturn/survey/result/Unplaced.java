package markturn.survey.result;

import java.util.List;

/**
 * A mark that was sighted and has no position for want of another sight.
 *
 * @param setups from which it was sighted, by direction or by distance alone
 */
public record Unplaced(String mark, Why why, List<String> setups) {
    /** What is missing. */
    public enum Why {
        /** One setup sighted it. */
        ONE_SETUP,
        /** Two places fit alike. */
        TWO_PLACES,
        /** The sights meet nowhere. */
        NOWHERE
    }
}
