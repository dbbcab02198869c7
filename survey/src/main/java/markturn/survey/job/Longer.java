package markturn.survey.job;

import java.util.ArrayList;
import java.util.List;

/** Lists that grow by one element. */
public final class Longer {
    private Longer() {}

    /** A list that does not change, with one element more behind. */
    public static <T> List<T> by(List<T> all, T more) {
        List<T> longer = new ArrayList<>(all.size() + 1);
        longer.addAll(all);
        longer.add(more);
        // Of one kind with all other lists that do not change: whoever copies it gets it, and looks through it as fast.
        return List.copyOf(longer);
    }
}
