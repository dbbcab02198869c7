package markturn.survey.job;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * One word of a job's code list: what a located point is, which numbers it takes, and how it is drawn.
 *
 * @param words what it stands for; may be empty
 * @param numbers the range its points are numbered in; empty: behind the code itself
 * @param targetHeight the usual height of the pole for it, metres
 * @param line whether its points join to lines
 * @param sign how a point of it is drawn
 * @param stroke how a line of it is drawn
 */
public record Code(
        String name,
        String words,
        Optional<Numbers> numbers,
        OptionalDouble targetHeight,
        boolean line,
        Sign sign,
        Stroke stroke) {
    /** Numbers from first to last, both taken. */
    public record Numbers(int first, int last) {
        /** Whether two ranges share a number. */
        public boolean overlaps(Numbers other) {
            return first <= other.last && other.first <= last;
        }
    }

    private static final java.util.regex.Pattern ENDS_IN_NUMBER = java.util.regex.Pattern.compile("(.*?)(\\d{1,8})");

    /** Signs that differ in shape, so that no colour is needed; triangle, circle and dot belong to control, stations and plain detail. */
    public enum Sign {
        DOT,
        CROSS,
        PLUS,
        SQUARE,
        DIAMOND,
        STAR,
        BAR
    }

    /** Strokes that differ in their breaks. */
    public enum Stroke {
        SOLID,
        DASHED,
        DOTTED
    }

    /** A code as it begins: a point drawn as a dot, without range. */
    public static Code plain(String name) {
        return new Code(name, "", Optional.empty(), OptionalDouble.empty(), false, Sign.DOT, Stroke.SOLID);
    }

    /**
     * The next name that is free in a job; empty where the range is used up.
     *
     * @param job any job; names of its marks are never given again
     */
    public Optional<String> nextFree(Job job) {
        OptionalInt highest = highestUsed(job);
        if (numbers.isEmpty()) {
            return Optional.of(name + " " + (highest.orElse(0) + 1));
        }
        int next = highest.isPresent() ? highest.getAsInt() + 1 : numbers.get().first();
        while (next <= numbers.get().last() && job.mark(String.valueOf(next)).isPresent()) {
            next++;
        }
        return next <= numbers.get().last() ? Optional.of(String.valueOf(next)) : Optional.empty();
    }

    /**
     * The name that follows one typed by hand, where no code gives names: its number counted on, keeping leading zeros, or 2 behind it.
     *
     * @param last a name of the job
     */
    public static String after(Job job, String last) {
        java.util.regex.Matcher parts = ENDS_IN_NUMBER.matcher(last);
        String stem = parts.matches() ? parts.group(1) : last + " ";
        String digits = parts.matches() ? parts.group(2) : "1";
        int number = Integer.parseInt(digits);
        String next;
        do {
            number++;
            next = stem + ("%0" + digits.length() + "d").formatted(number);
        } while (job.mark(next).isPresent());
        return next;
    }

    /** The highest number already given under this code. */
    private OptionalInt highestUsed(Job job) {
        String before = numbers.isPresent() ? "" : name + " ";
        return job.marks().stream()
                .map(Mark::name)
                .filter(called -> called.startsWith(before) && called.length() > before.length())
                .map(called -> called.substring(before.length()))
                .filter(number -> number.length() <= 9 && number.chars().allMatch(Character::isDigit))
                .mapToInt(Integer::parseInt)
                .filter(number -> numbers.isEmpty()
                        || number >= numbers.get().first()
                                && number <= numbers.get().last())
                .max();
    }
}
