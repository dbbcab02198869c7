package markturn.survey.network;

import java.util.Map;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.propagate.Lineage;
import markturn.survey.result.Covariance;

/** The marks of one adjustment: what is carried from two of them later counts what they share once. */
final class AdjustedTogether implements Lineage.Joint {
    private static final String PLAN = " adjusted plan";
    private static final String LEVEL = " adjusted level";

    private final Part plan;
    private final Part heights;
    private final Map<String, NumberedPlace> places;
    private final Map<String, Integer> levels;

    AdjustedTogether(Part plan, Part heights, Map<String, NumberedPlace> places, Map<String, Integer> levels) {
        this.plan = plan;
        this.heights = heights;
        this.places = places;
        this.levels = levels;
    }

    /** Where the plan of a mark has its errors from. */
    Lineage plan(String mark, Covariance of) {
        return Lineage.adjusted(mark + PLAN, 2, new double[] {of.nn(), of.ne(), of.ne(), of.ee()}, this);
    }

    /** Where the elevation of a mark has its error from. */
    Lineage level(String mark, double variance) {
        return Lineage.adjusted(mark + LEVEL, 1, new double[] {variance}, this);
    }

    @Override
    public double[] covariance(String one, String other) {
        if (one.endsWith(LEVEL)) {
            return new double[] {
                other.endsWith(LEVEL)
                        ? heights.adjustment()
                                .covariance(levels.get(markOf(one, LEVEL)), levels.get(markOf(other, LEVEL)))
                        : 0
            };
        }
        NumberedPlace first = places.get(markOf(one, PLAN));
        NumberedPlace second = places.get(markOf(other, PLAN));
        return new double[] {
            between(first.north(), second.north()),
            between(first.north(), second.east()),
            between(first.east(), second.north()),
            between(first.east(), second.east())
        };
    }

    private static String markOf(String key, String ending) {
        return key.substring(0, key.length() - ending.length());
    }

    private double between(int one, int other) {
        return one == NumberedPlace.HELD || other == NumberedPlace.HELD
                ? 0
                : plan.adjustment().covariance(one, other);
    }

    /** Adjustments of the same observations from the same starts are the same. */
    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof AdjustedTogether that && plan.isSameAs(that.plan) && heights.isSameAs(that.heights);
    }

    @Override
    public int hashCode() {
        return places.keySet().hashCode();
    }
}
