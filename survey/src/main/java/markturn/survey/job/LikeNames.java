package markturn.survey.job;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Optional;

/** Names that a person reads as one: they differ by case, by spaces and strokes, or by signs that look alike. */
public final class LikeNames {
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

    /** What is left of a name when it is looked at quickly: o and 0, l, i and 1 are one, spaces, dots and strokes are not seen. */
    static String look(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[\\s._\\-‐-―/]", "")
                .replace('o', '0')
                .replaceAll("[il|]", "1");
    }
}
