package markturn.survey.job;

import java.util.List;

/**
 * How the place of a point follows from other points and sights, where nothing can be held at the point itself. Names of marks; those of
 * which only a direction or a zenith angle is wanted need no distance.
 */
public sealed interface Construction {
    /** The marks it rests on. */
    List<String> bases();

    /**
     * The middle of a round object, such as a tree or a column, seen from one setup.
     *
     * @param leftEdge sighted for its direction
     * @param rightEdge sighted for its direction
     * @param front a point on the surface, in the middle as seen from the instrument, with its distance
     */
    record Round(String leftEdge, String rightEdge, String front) implements Construction {
        @Override
        public List<String> bases() {
            return List.of(leftEdge, rightEdge, front);
        }
    }

    /** Where the line through the first two marks meets the line through the others. */
    record Corner(String first, String second, String third, String fourth) implements Construction {
        @Override
        public List<String> bases() {
            return List.of(first, second, third, fourth);
        }
    }

    /**
     * The height of what cannot be reached, upright over (or under) a mark that can; the point itself is sighted for its zenith angle.
     *
     * @param base the mark that gives the distance
     */
    record Above(String base) implements Construction {
        @Override
        public List<String> bases() {
            return List.of(base);
        }
    }
}
