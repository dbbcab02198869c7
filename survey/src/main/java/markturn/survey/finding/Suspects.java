package markturn.survey.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.MeasuredTraverse.Leg;

/**
 * What single error would close a traverse: each angle changed by the whole angular misclosure, each leg lengthened along itself. Textbook
 * search; the figure is carried again with the change.
 */
public final class Suspects {
    private static final double ALIKE = 3;

    private Suspects() {}

    /**
     * One suspect.
     *
     * @param error how much it would be wrong, radians or metres
     * @param left the linear misclosure that would be left, metres
     */
    public record Suspect(boolean isAngle, String from, String to, double error, double left) {}

    /** Those that leave no more than the limit, the best first; those that explain it far worse than the best are left out. */
    public static List<Suspect> of(MeasuredTraverse traverse, double limit) {
        List<Suspect> suspects = new ArrayList<>();
        double[] azimuths = unbalanced(traverse);
        angles(traverse, azimuths, suspects);
        lengths(traverse, suspects);
        suspects.removeIf(s -> s.left() > limit);
        suspects.sort(Comparator.comparingDouble(Suspect::left));
        if (!suspects.isEmpty()) {
            double best = Math.max(suspects.get(0).left(), limit / 10);
            suspects.removeIf(s -> s.left() > ALIKE * best);
        }
        return suspects;
    }

    /** The azimuths as they were carried, before the misclosure was spread. */
    private static double[] unbalanced(MeasuredTraverse traverse) {
        double[] azimuths = new double[traverse.legs().size()];
        for (int i = 0; i < azimuths.length; i++) {
            double share =
                    traverse.angular().isPresent() ? traverse.angular().getAsDouble() * (i + 1) / traverse.angles() : 0;
            azimuths[i] = traverse.legs().get(i).azimuth() + share;
        }
        return azimuths;
    }

    /** One angle takes the whole misclosure: every leg from its station on turns by it. */
    private static void angles(MeasuredTraverse traverse, double[] azimuths, List<Suspect> suspects) {
        if (traverse.angular().isEmpty() || Math.abs(traverse.angular().getAsDouble()) == 0) {
            return;
        }
        double f = traverse.angular().getAsDouble();
        double[] gap = gapAsCarried(traverse, azimuths);
        for (int at = 0; at < azimuths.length; at++) {
            double north = gap[0];
            double east = gap[1];
            for (int i = at; i < azimuths.length; i++) {
                double length = traverse.legs().get(i).horizontal();
                north += length * (Math.cos(azimuths[i] - f) - Math.cos(azimuths[i]));
                east += length * (Math.sin(azimuths[i] - f) - Math.sin(azimuths[i]));
            }
            suspects.add(new Suspect(true, traverse.legs().get(at).from(), "", f, Math.hypot(north, east)));
        }
    }

    /** The misclosure in the plan with unbalanced azimuths. */
    private static double[] gapAsCarried(MeasuredTraverse traverse, double[] azimuths) {
        double north = traverse.northing().getAsDouble();
        double east = traverse.easting().getAsDouble();
        for (int i = 0; i < azimuths.length; i++) {
            Leg leg = traverse.legs().get(i);
            north += leg.horizontal() * Math.cos(azimuths[i]) - leg.latitude();
            east += leg.horizontal() * Math.sin(azimuths[i]) - leg.departure();
        }
        return new double[] {north, east};
    }

    /** One leg takes what of the misclosure lies along it; what lies across is left. */
    private static void lengths(MeasuredTraverse traverse, List<Suspect> suspects) {
        double north = traverse.northing().getAsDouble();
        double east = traverse.easting().getAsDouble();
        for (Leg leg : traverse.legs()) {
            double along = north * Math.cos(leg.azimuth()) + east * Math.sin(leg.azimuth());
            double across = -north * Math.sin(leg.azimuth()) + east * Math.cos(leg.azimuth());
            suspects.add(new Suspect(false, leg.from(), leg.to(), along, Math.abs(across)));
        }
    }
}
