package markturn.survey.angle;

/**
 * The quick way to the number that a text of digits stands for, as a job of ten thousands of readings is opened by it. It knows the usual
 * texts only; whatever else is written goes the slow way, which also says what is wrong.
 */
final class PlainDigits {
    /** With so many digits in all nothing overflows. */
    private static final int MOST_DIGITS = 15;

    /** Up to here whole numbers stand in a double as they are, so that one division rounds once. */
    private static final long MOST_WHOLE = 1L << 53;

    private PlainDigits() {}

    /**
     * The nearest double to what is written.
     *
     * @param text digits with at most one point, before it at most three; with {@code dms} three such groups between hyphens, minutes and
     *     seconds of at most two digits and below 60, a point in the last one only
     * @return in the unit of the first group; -1 where the text is anything else, or has more digits than a double holds
     */
    static double amount(String text, boolean dms) {
        long whole = 0;
        long group = 0;
        int digits = 0;
        int inGroup = 0;
        int hyphens = 0;
        int decimals = -1;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9') {
                group = group * 10 + (c - '0');
                digits++;
                inGroup++;
                decimals = decimals < 0 ? -1 : decimals + 1;
            } else if (c == '-' && dms && hyphens < 2 && decimals < 0 && isGroup(group, inGroup, hyphens)) {
                whole = whole * 60 + group;
                group = 0;
                inGroup = 0;
                hyphens++;
            } else if (c == '.' && decimals < 0 && isGroup(group, inGroup, hyphens)) {
                decimals = 0;
                whole = whole * 60 + group;
                group = 0;
            } else {
                return -1;
            }
            if (digits > MOST_DIGITS) {
                return -1;
            }
        }
        if (decimals == 0 || hyphens != (dms ? 2 : 0)) {
            return -1;
        }
        if (decimals < 0) {
            return isGroup(group, inGroup, hyphens) ? (whole * 60 + group) / (dms ? 3600.0 : 1.0) : -1;
        }
        long power = 1;
        for (int i = 0; i < decimals; i++) {
            power *= 10;
        }
        long smallest = whole * power + group;
        return smallest > MOST_WHOLE ? -1 : (double) smallest / (double) (power * (dms ? 3600 : 1));
    }

    private static boolean isGroup(long group, int digits, int hyphens) {
        return digits > 0 && (hyphens == 0 ? digits <= 3 : digits <= 2 && group < 60);
    }
}
