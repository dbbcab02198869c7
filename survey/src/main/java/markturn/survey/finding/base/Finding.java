package markturn.survey.finding.base;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import markturn.survey.job.Units;

/**
 * One judgement on the work.
 *
 * @param setup name, or empty
 * @param target name of target or mark, or empty
 * @param set the set it is about, from 1; empty where it is about none, or several
 * @param text what was seen, against what, and what to do next
 * @param value radians, metres, minutes or a number by {@code measure}
 * @param limit same unit
 * @param answer how it was answered, if it was and the answer still holds
 * @param reopened an answer was given, but the value has changed since
 */
public record Finding(
        FindingCode code,
        Severity severity,
        String setup,
        String target,
        OptionalInt set,
        String text,
        Measure measure,
        OptionalDouble value,
        OptionalDouble limit,
        Optional<Answer> answer,
        boolean reopened) {

    /** How badly. A stop must be answered before coordinates can be adopted. */
    public enum Severity {
        NOTE,
        WARN,
        STOP
    }

    /** What value and limit are counted in. */
    public enum Measure {
        ARC,
        LENGTH,
        PLAIN;

        /** One of the job's unit for this, in radians, metres or 1. */
        public double unit(Units units) {
            return switch (this) {
                case ARC -> units.angle().small();
                case LENGTH -> units.length().metres();
                case PLAIN -> 1;
            };
        }
    }

    /** Who accepted it, and why. */
    public record Answer(String by, String reason) {}

    /** A finding without numbers. */
    public static Finding of(FindingCode code, Severity severity, String setup, String target, String text) {
        return new Finding(
                code,
                severity,
                setup,
                target,
                OptionalInt.empty(),
                text,
                Measure.PLAIN,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                false);
    }

    /** The same with its numbers. */
    public Finding with(Measure what, double seen, double against) {
        return new Finding(
                code,
                severity,
                setup,
                target,
                set,
                text,
                what,
                OptionalDouble.of(seen),
                OptionalDouble.of(against),
                answer,
                reopened);
    }

    /** The same of one set. */
    public Finding inSet(int number) {
        return new Finding(
                code, severity, setup, target, OptionalInt.of(number), text, measure, value, limit, answer, reopened);
    }

    /** The same in other words. */
    public Finding saying(String words) {
        return new Finding(code, severity, setup, target, set, words, measure, value, limit, answer, reopened);
    }

    /** The same as a note, folded under the one that explains it. */
    public Finding explainedBy(Finding cause) {
        return new Finding(
                code,
                Severity.NOTE,
                setup,
                target,
                set,
                "Follows from the stop above on %s: %s".formatted(cause.target(), text),
                measure,
                value,
                limit,
                answer,
                reopened);
    }

    /** The same answered. */
    public Finding answered(Answer by) {
        return new Finding(code, severity, setup, target, set, text, measure, value, limit, Optional.of(by), false);
    }

    /** The same opened again after an answer that no longer holds. */
    public Finding openedAgain() {
        return new Finding(code, severity, setup, target, set, text, measure, value, limit, Optional.empty(), true);
    }

    /** Whether it is a stop that nobody has answered. */
    public boolean isOpenStop() {
        return severity == Severity.STOP && answer.isEmpty();
    }
}
