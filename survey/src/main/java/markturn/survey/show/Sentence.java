package markturn.survey.show;

/**
 * Sentences with something put in. The language's own formatting asks for a locale and is far larger than what a sentence needs; this runs
 * in a browser too.
 */
public final class Sentence {
    private Sentence() {}

    /**
     * The sentence with what is put in.
     *
     * @param pattern text in which each {@code %s} or {@code %d} stands for the next of what is put in, as it writes itself
     * @throws IllegalArgumentException where there is less or more to put in than the pattern has places for
     */
    public static String of(String pattern, Object... putIn) {
        StringBuilder sentence = new StringBuilder(pattern.length() + 32);
        int next = 0;
        for (int at = 0; at < pattern.length(); at++) {
            if (isPlace(pattern, at)) {
                if (next == putIn.length) {
                    throw new IllegalArgumentException("Nothing left to put into: " + pattern);
                }
                sentence.append(putIn[next++]);
                at++;
            } else {
                sentence.append(pattern.charAt(at));
            }
        }
        if (next < putIn.length) {
            throw new IllegalArgumentException("No place for " + putIn[next] + " in: " + pattern);
        }
        return sentence.toString();
    }

    /** How many there are of something: {@code 1 mark}, {@code 2 marks}; of what takes no plain plural both words are said. */
    public static String count(long number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }

    private static boolean isPlace(String pattern, int at) {
        return pattern.charAt(at) == '%'
                && at + 1 < pattern.length()
                && (pattern.charAt(at + 1) == 's' || pattern.charAt(at + 1) == 'd');
    }
}
