package markturn.survey.job;

import java.util.Objects;

/**
 * A circle reading: its value beside what was written. There are two with every reading, and as texts they were a quarter of
 * what a job weighs: so the writing is packed, four bits for each letter of {@link #LETTERS}, up to sixteen. What does not fit is kept as
 * text.
 */
public final class Circle {
    /** What angles are written with; the place of a letter is its code. The first stands for none: 0 ends the writing. */
    private static final String LETTERS = "?0123456789 .-+";

    private static final int BITS = 4;
    private static final int MOST = Long.SIZE / BITS;

    private final double radians;
    private final long packed;
    /** Null where it is packed. */
    private final String text;

    /**
     * A reading.
     *
     * @param radians in [0, 2 pi)
     * @param written as files hold it in the job's angle unit, with every digit that was booked
     */
    public Circle(double radians, String written) {
        long letters = packed(written);
        this.radians = radians;
        this.packed = letters;
        this.text = letters == 0 ? written : null;
    }

    /** The letters, the first lowest; 0 where there are none, too many, or others. */
    private static long packed(String written) {
        if (written.length() > MOST) {
            return 0;
        }
        long letters = 0;
        for (int i = written.length() - 1; i >= 0; i--) {
            int code = LETTERS.indexOf(written.charAt(i));
            if (code < 1) {
                return 0;
            }
            letters = letters << BITS | code;
        }
        return letters;
    }

    public double radians() {
        return radians;
    }

    /** As it was written. */
    public String written() {
        if (text != null) {
            return text;
        }
        StringBuilder written = new StringBuilder(MOST);
        for (long rest = packed; rest != 0; rest >>>= BITS) {
            written.append(LETTERS.charAt((int) (rest & 0xF)));
        }
        return written.toString();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Circle circle
                && Double.compare(radians, circle.radians) == 0
                && packed == circle.packed
                && Objects.equals(text, circle.text);
    }

    @Override
    public int hashCode() {
        return Objects.hash(radians, packed, text);
    }

    @Override
    public String toString() {
        return written();
    }
}
