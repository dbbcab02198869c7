package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.reduce.Weights;

/** Two marks of a resection that were booked under each other's name. */
final class ExchangedNames {
    /** Distances between marks that come out nearer than this are worth a trial, metres. */
    private static final double ROUGHLY = 0.5;

    /** Chi-square with two degrees of freedom that chance exceeds once in a thousand. */
    private static final double CHANCE = -2 * Math.log(0.001);

    /** Place and orientation. */
    private static final int UNKNOWNS = 3;

    private final List<Sight> sights;
    private final Weights weights;

    ExchangedNames(List<Sight> sights, Weights weights) {
        this.sights = sights;
        this.weights = weights;
    }

    /** The two names; empty where no exchange makes everything fit, or too little is left to tell. */
    List<String> found() {
        long observations = sights.stream()
                .mapToLong(s -> (s.givesDirection() ? 1 : 0) + (s.givesDistance() ? 1 : 0))
                .sum();
        double fits = CHANCE + 2.0 * (observations - UNKNOWNS);
        for (int i = 0; i < sights.size() && observations > UNKNOWNS; i++) {
            for (int j = i + 1; j < sights.size(); j++) {
                if (couldBe(i, j) && squares(i, j) < fits) {
                    return List.of(sights.get(i).target(), sights.get(j).target());
                }
            }
        }
        return List.of();
    }

    private double squares(int one, int other) {
        List<Sight> exchanged = new ArrayList<>(sights);
        exchanged.set(one, sights.get(one).at(sights.get(other)));
        exchanged.set(other, sights.get(other).at(sights.get(one)));
        return Resection.solve(exchanged, weights, Resection.Extra.NOTHING)
                .solution()
                .map(s -> s.adjustment().squares())
                .orElse(Double.MAX_VALUE);
    }

    /** Whether what was measured to each, held against the others, roughly fits the place of the other: a quick look before a trial. */
    private boolean couldBe(int one, int other) {
        for (int k = 0; k < sights.size(); k++) {
            if (k == one || k == other) {
                continue;
            }
            boolean far = off(sights.get(one).at(sights.get(other)), sights.get(k)) > ROUGHLY
                    && off(sights.get(other).at(sights.get(one)), sights.get(k)) > ROUGHLY;
            if (far) {
                return false;
            }
        }
        return true;
    }

    private double off(Sight a, Sight b) {
        return MarkToMark.pair(a, b, weights).map(p -> Math.abs(p.difference())).orElse(0.0);
    }
}
