package markturn.survey.epoch;

import java.util.List;
import java.util.Optional;
import markturn.survey.network.FreeFigure;

/**
 * Two epochs compared. One comparison in a hundred is found fault with by chance alone, shared among all marks in plan and in elevation;
 * the same again among the two tests of the reference.
 *
 * @param reference the marks that were meant to be stable
 * @param plan empty where fewer than two of these are common in plan
 * @param elevations the same of elevations
 */
public record WhatMoved(
        Epoch earlier,
        Epoch later,
        List<String> reference,
        Optional<FigureComparison> plan,
        Optional<FigureComparison> elevations) {
    /**
     * Compares.
     *
     * @param reference true names of marks that are meant to be stable
     */
    public static WhatMoved between(Epoch earlier, Epoch later, List<String> reference) {
        boolean inBoth = both(earlier.plan(), later.plan()) && both(earlier.elevations(), later.elevations());
        double alarm = FigureComparison.ALARM / (inBoth ? 2 : 1);
        int compared = Math.max(
                1,
                compared(earlier.plan(), later.plan(), reference)
                        + compared(earlier.elevations(), later.elevations(), reference));
        double each = FigureComparison.ALARM / compared;
        return new WhatMoved(
                earlier,
                later,
                reference,
                compare(earlier.plan(), later.plan(), reference, alarm, each),
                compare(earlier.elevations(), later.elevations(), reference, alarm, each));
    }

    private static boolean both(Optional<FreeFigure> one, Optional<FreeFigure> other) {
        return one.isPresent() && other.isPresent();
    }

    /** How many marks are compared that are not meant to be stable. */
    private static int compared(Optional<FreeFigure> one, Optional<FreeFigure> other, List<String> reference) {
        return both(one, other)
                ? (int) one.get().marks().stream()
                        .filter(m -> other.get().marks().contains(m) && !reference.contains(m))
                        .count()
                : 0;
    }

    private static Optional<FigureComparison> compare(
            Optional<FreeFigure> one, Optional<FreeFigure> other, List<String> reference, double alarm, double each) {
        return both(one, other)
                ? FigureComparison.of(one.get(), other.get(), reference, alarm, each)
                : Optional.empty();
    }
}
