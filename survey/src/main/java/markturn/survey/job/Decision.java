package markturn.survey.job;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What somebody decided. Only ever added to.
 *
 * @param what {@code accept}, {@code reopen}, {@code answer}, {@code correct-drift}, {@code renote}, {@code leave-out}, or another word
 * @param on what it concerns, by key: {@code setup}, {@code target}, {@code mark}, {@code code}, {@code value}
 * @param before the note before, where one was changed; plain values (text, number, list, map), not looked into by the computation
 * @param after the note after
 */
public record Decision(
        Optional<Instant> at,
        String by,
        String what,
        Map<String, Object> on,
        String reason,
        Optional<Object> before,
        Optional<Object> after) {
    public static final String ACCEPT = "accept";
    public static final String REOPEN = "reopen";
    public static final String ANSWER = "answer";
    /** The drift that the closing sight of a setup shows is taken out by time. */
    public static final String CORRECT_DRIFT = "correct-drift";
    /** Coordinates take their place by decision. */
    public static final String ADOPT = "adopt";
    /** Given coordinates are corrected, or withdrawn; before and after say how. */
    public static final String CORRECT_CONTROL = "correct-control";
    /** A setup at which nothing was booked is taken back. */
    public static final String REMOVE_SETUP = "remove-setup";

    /** Somebody becomes a member of the job, or gets another part in it; {@code on} says who, and {@code how}. */
    public static final String LET_IN = "let-in";
    /** Somebody is a member of the job no longer. */
    public static final String TAKE_OUT = "take-out";
    /** The job is called otherwise, or lies elsewhere; before and after say how. */
    public static final String RENAME = "rename-job";
    /** The job is laid away: it leaves the list of what is worked on, and stays whole. */
    public static final String ARCHIVE = "archive";
    /** An archived job is worked on again. */
    public static final String BRING_BACK = "bring-back";
    /** Which marks are meant to be stable, where epochs are compared. */
    public static final String CHOOSE_REFERENCE = "choose-reference";
    /** A target is turned no longer in the sets of a setup. */
    public static final String LEAVE_TARGET = "leave-target";
    /** What was adopted from a run is taken back. */
    public static final String WITHDRAW = "withdraw-adoption";
    /** Key of {@link #on}: how the run that is adopted from closed then, in words. */
    public static final String CLOSED = "closed";
    /** Marks, or parts of them, are left out of a resection. */
    public static final String LEAVE_OUT = "leave-out";

    /** A list of another system was brought into the job's: by which marks, and how well they fitted. */
    public static final String TRANSFORM = "transform";
    /** A note was changed afterwards; before and after say how. */
    public static final String RENOTE = "renote";

    /** What stands after a decision of somebody who had observed what is decided. */
    public static final String SELF_REVIEWED = "self-reviewed";
    /** A located point was fixed a second time; {@code on} names mark, setup and how. */
    public static final String SECOND_SIGHT = "second-sight";

    /** What is done with a second sight of a located point. */
    public enum SecondSight {
        /** The first position stays; the second tests it. */
        KEEP,
        /** Both count, weighted by their variances. */
        MEAN,
        /** The second takes the place; the first tests it. */
        REPLACE;

        /** The word in files and on screen. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** What that decision says; empty where it is about something else. */
        public static Optional<SecondSight> of(Decision decision) {
            if (!decision.what().equals(SECOND_SIGHT)) {
                return Optional.empty();
            }
            String how = decision.concerning("how");
            for (SecondSight one : values()) {
                if (one.key().equals(how)) {
                    return Optional.of(one);
                }
            }
            return Optional.empty();
        }
    }

    /** Key of {@link #on}: who brought the decision in with a file; it was made elsewhere and signs nothing off here. */
    public static final String BROUGHT_IN_BY = "broughtInBy";

    /** Whether a file stated it: shown as such, and without effect on what is proved, answered or adopted. */
    public boolean isStated() {
        return !concerning(BROUGHT_IN_BY).isEmpty();
    }

    /** Whose decision it is, in words: of somebody here, or as a file states it. */
    public String whose() {
        return isStated()
                ? "stated in the file by %s, brought in by %s"
                        .formatted(by.isEmpty() ? "nobody named" : by, concerning(BROUGHT_IN_BY))
                : by;
    }

    /** The same as a file states it, brought in by somebody here. */
    public Decision stated(String broughtInBy) {
        Map<String, Object> with = new LinkedHashMap<>(on);
        with.putIfAbsent(BROUGHT_IN_BY, broughtInBy);
        return new Decision(at, by, what, with, reason, before, after);
    }

    /** The text that stands under that key of {@link #on}; empty where none does. */
    public String concerning(String key) {
        return on.get(key) instanceof String text ? text : "";
    }
}
