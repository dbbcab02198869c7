package markturn.survey.propagate;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What the error of a computed quantity is made of: the errors of earlier quantities, each with its partial derivatives, and what is new
 * with it. First order throughout. A value: two of the same make are the same source.
 *
 * <p>A quantity has one to three components: the plan of a mark two (north and east, metres), an instrument in its place three (north,
 * east, and the orientation in radians), a level one.
 */
public final class Lineage {
    /** Of what is held: no error at all. */
    public static final Lineage HELD = new Lineage("", 0, List.of(), new double[0], Optional.empty(), 0);

    private final String key;
    private final int size;
    private final int depth;
    private final List<Part> parts;
    private final double[] own;
    private final Optional<Joint> joint;
    /** Of all it is made of, so that what differs is told apart without going through it. */
    private final int hash;
    /** One of the same make; itself until it was compared with an equal one. */
    private Lineage standsFor = this;

    /**
     * The share of an earlier quantity.
     *
     * @param factors partial derivatives, row by row: as many rows as the later quantity has components, as many columns as the earlier
     */
    public record Part(Lineage of, double[] factors) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Part part && Arrays.equals(factors, part.factors) && of.equals(part.of);
        }

        @Override
        public int hashCode() {
            return 31 * of.hashCode() + Arrays.hashCode(factors);
        }
    }

    /** Sources that one adjustment gave together; equal where the same adjustment gave them. */
    public interface Joint {
        /** Covariances of two of its sources by their keys, row by row, in the units of their components. */
        double[] covariance(String one, String other);
    }

    private Lineage(String key, int size, List<Part> parts, double[] own, Optional<Joint> joint, int least) {
        this.key = key;
        this.size = size;
        this.parts =
                List.copyOf(parts.stream().filter(part -> !part.of().isHeld()).toList());
        this.own = own;
        this.joint = joint;
        int deepest = 0;
        for (Part part : this.parts) {
            deepest = Math.max(deepest, part.of().depth);
        }
        this.depth = Math.max(least, 1 + deepest);
        this.hash = 31 * (31 * (31 * key.hashCode() + depth) + Arrays.hashCode(own)) + this.parts.hashCode();
    }

    /**
     * A quantity that is made of others.
     *
     * @param key tells it from every other quantity of the job
     * @param own covariance of what is new with it, row by row: size by size
     */
    public static Lineage of(String key, int size, List<Part> parts, double[] own) {
        return new Lineage(key, size, parts, own, Optional.empty(), 0);
    }

    /** A source of its own. */
    public static Lineage source(String key, int size, double[] covariance) {
        return source(key, size, covariance, 0);
    }

    /** A source of its own that nothing less deep can hang on. */
    static Lineage source(String key, int size, double[] covariance, int depth) {
        return new Lineage(key, size, List.of(), covariance, Optional.empty(), depth);
    }

    /** A source whose error is correlated with those of others of the same adjustment. */
    public static Lineage adjusted(String key, int size, double[] covariance, Joint joint) {
        return new Lineage(key, size, List.of(), covariance, Optional.of(joint), 0);
    }

    /** Whether it has no error. */
    public boolean isHeld() {
        return size == 0;
    }

    /** What hangs on another is deeper than that. */
    int depth() {
        return depth;
    }

    String key() {
        return key;
    }

    int size() {
        return size;
    }

    List<Part> parts() {
        return parts;
    }

    double[] own() {
        return own;
    }

    Optional<Joint> joint() {
        return joint;
    }

    /** Whether this can hang on the other and not the other way round; any fixed order where neither hangs on the other. */
    boolean isAfter(Lineage other) {
        return depth != other.depth ? depth > other.depth : key.compareTo(other.key) > 0;
    }

    /**
     * Of the same make, all the way down. What lies below is reached by many ways, twice as many with each setup further on: what was found
     * equal once is therefore not gone through again.
     */
    @Override
    public boolean equals(Object other) {
        if (!(other instanceof Lineage that)) {
            return false;
        }
        if (standsFor == that.standsFor) {
            return true;
        }
        boolean same = hash == that.hash
                && depth == that.depth
                && key.equals(that.key)
                && Arrays.equals(own, that.own)
                && parts.equals(that.parts)
                && joint.equals(that.joint);
        if (same) {
            // Threads that find the same at once write the same; none of them is misled by seeing the other's write
            // late.
            that.standsFor = standsFor;
        }
        return same;
    }

    @Override
    public int hashCode() {
        return hash;
    }
}
