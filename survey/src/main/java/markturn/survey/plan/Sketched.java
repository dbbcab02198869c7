package markturn.survey.plan;

import java.util.Optional;

/** Places by distances from two marks, as a rough sketch has them. Textbook: two circles. */
public final class Sketched {
    private Sketched() {}

    /**
     * Where two distances meet.
     *
     * @param first from {@code one}, metres
     * @param second from {@code two}, metres
     * @param right whether it lies right of the line from the one to the other
     * @return empty where they do not meet
     */
    public static Optional<Place> meet(Place one, double first, Place two, double second, boolean right) {
        double base = one.distanceTo(two);
        if (base == 0 || first + second < base || Math.abs(first - second) > base) {
            return Optional.empty();
        }
        double along = (first * first - second * second + base * base) / (2 * base);
        double aside = Math.sqrt(Math.max(0, first * first - along * along));
        double azimuth = one.azimuthTo(two);
        return Optional.of(one.towards(azimuth, along).towards(azimuth + Math.PI / 2, right ? aside : -aside));
    }
}
