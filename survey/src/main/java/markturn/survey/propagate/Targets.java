package markturn.survey.propagate;

import java.util.Collection;
import java.util.Set;

/**
 * The targets that stood around a setup for more than one purpose: the centring and the height of each are one source, whatever it was
 * sighted for.
 *
 * @param setup its name
 * @param shared true names of the marks with such targets
 * @param depth deeper than all that the setup rests on: none of that can hang on what stood around it
 */
public record Targets(String setup, Set<String> shared, int depth) {
    /**
     * The same.
     *
     * @param before what the setup rests on
     */
    public static Targets around(String setup, Set<String> shared, Collection<Lineage> before) {
        return new Targets(
                setup,
                Set.copyOf(shared),
                1 + before.stream().mapToInt(Lineage::depth).max().orElse(0));
    }

    /** Whether the target on a mark was sighted for more than one purpose. */
    public boolean isShared(String mark) {
        return shared.contains(mark);
    }

    /** How far a target stands north and east of its mark, in units of its deviation. */
    public Lineage centring(String mark) {
        return Lineage.source(setup + " centring of " + mark, 2, new double[] {1, 0, 0, 1}, depth);
    }

    /** How much too high a target's height is booked, in units of its deviation. */
    public Lineage height(String mark) {
        return Lineage.source(setup + " height of " + mark, 1, new double[] {1}, depth);
    }
}
