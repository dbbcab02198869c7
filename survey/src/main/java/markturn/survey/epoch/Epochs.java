package markturn.survey.epoch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A whole series of epochs: each against the first and against the one before it, and every mark over time.
 *
 * @param epochs in order of time
 * @param reference marks that are meant to be stable
 * @param sinceFirst the second and every later epoch against the first
 * @param steps the second and every later epoch against the one before: where something jumped
 * @param plan time lines in plan; empty under three epochs
 * @param elevations time lines of elevations
 */
public record Epochs(
        List<Epoch> epochs,
        List<String> reference,
        List<WhatMoved> sinceFirst,
        List<WhatMoved> steps,
        List<TimeLine> plan,
        List<TimeLine> elevations) {
    /**
     * Compares all.
     *
     * @param epochs in any order, at least two
     * @param reference true names of marks that are meant to be stable
     */
    public static Epochs of(List<Epoch> epochs, List<String> reference) {
        List<Epoch> inTime = epochs.stream()
                .sorted((one, other) -> one.at().compareTo(other.at()))
                .toList();
        List<WhatMoved> sinceFirst = new ArrayList<>();
        List<WhatMoved> steps = new ArrayList<>();
        for (int i = 1; i < inTime.size(); i++) {
            sinceFirst.add(WhatMoved.between(inTime.get(0), inTime.get(i), reference));
            steps.add(i == 1 ? sinceFirst.get(0) : WhatMoved.between(inTime.get(i - 1), inTime.get(i), reference));
        }
        boolean lines = inTime.size() > 2;
        return new Epochs(
                inTime,
                reference,
                sinceFirst,
                steps,
                lines
                        ? TimeLine.of(
                                inTime,
                                inTime.stream().map(Epoch::plan).toList(),
                                held(sinceFirst.stream().map(WhatMoved::plan).toList()))
                        : List.of(),
                lines
                        ? TimeLine.of(
                                inTime,
                                inTime.stream().map(Epoch::elevations).toList(),
                                held(sinceFirst.stream()
                                        .map(WhatMoved::elevations)
                                        .toList()))
                        : List.of());
    }

    /** The marks that held in every comparison with the first. */
    private static List<String> held(List<Optional<FigureComparison>> comparisons) {
        List<String> held = null;
        for (Optional<FigureComparison> comparison : comparisons) {
            if (comparison.isPresent()) {
                List<String> now = comparison.get().reference();
                held = held == null ? now : held.stream().filter(now::contains).toList();
            }
        }
        return held == null ? List.of() : held;
    }
}
