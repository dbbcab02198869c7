package markturn.survey.job;

import java.util.Locale;
import java.util.Optional;

/** Names that a person reads as one: they differ by case, by spaces and strokes, or by signs that look alike. */
public final class LikeNames {
    private static final char FIRST_WIDE = '\uFF01';
    private static final char LAST_WIDE = '\uFF5E';
    private static final String ACCENTED = "àáâãäåçèéêëìíîïñòóôõöøùúûüýÿčďěňřšťůž";
    private static final String PLAIN = "aaaaaaceeeeiiiinoooooouuuuyycdenrstuz";

    private LikeNames() {}

    /**
     * The mark of a job that a name could be meant for although it is written otherwise; empty where there is none, or where the very name
     * is known.
     */
    public static Optional<String> twin(Job job, String name) {
        if (job.mark(name).isPresent()) {
            return Optional.empty();
        }
        String look = look(name);
        return job.marks().stream()
                .map(Mark::name)
                .filter(other -> look(other).equals(look))
                .findFirst();
    }

    /** What is left of a name when it is looked at quickly: o and 0, l, i and 1 are one; accents, spaces, dots and strokes are not seen. */
    static String look(String name) {
        StringBuilder look = new StringBuilder();
        String lower = name.toLowerCase(Locale.ROOT);
        for (int at = 0; at < lower.length(); at++) {
            char sign = narrow(lower.charAt(at));
            int accented = ACCENTED.indexOf(sign);
            sign = accented < 0 ? sign : PLAIN.charAt(accented);
            if (sign == 'o') {
                look.append('0');
            } else if ("il|".indexOf(sign) >= 0) {
                look.append('1');
            } else if (!isOverlooked(sign)) {
                look.append(sign);
            }
        }
        return look.toString();
    }

    /** Accents that stand behind their letter are a block of Unicode of their own. */
    private static boolean isOverlooked(char sign) {
        return sign <= ' '
                || sign == '\u00A0'
                || "._-/".indexOf(sign) >= 0
                || sign >= '\u2010' && sign <= '\u2015'
                || sign >= '\u0300' && sign <= '\u036F';
    }

    /** The wide forms of letters and digits that some keyboards write, as narrow ones: Unicode's block of full-width forms. */
    private static char narrow(char sign) {
        return sign >= FIRST_WIDE && sign <= LAST_WIDE ? Character.toLowerCase((char) (sign - FIRST_WIDE + '!')) : sign;
    }
}
