package markturn.survey.epoch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.finding.words.Words;

/** What moved, in sentences: the reference first, then what moved, then what would have shown. */
public final class MovedInWords {
    private final Words words;

    public MovedInWords(Words words) {
        this.words = words;
    }

    /** What moved in a sentence, the reference's own marks first. */
    public String verdict(WhatMoved what) {
        if (what.plan().isEmpty() && what.elevations().isEmpty()) {
            return "Nothing can be compared: of the marks meant to be stable, fewer than two are in both epochs.";
        }
        if (!agrees(what.plan()) || !agrees(what.elevations())) {
            return "The reference does not hold: two marks of it contradict each other, and which of them moved cannot be told. Measure another stable mark with them.";
        }
        Map<String, List<String>> moved = new LinkedHashMap<>();
        what.plan()
                .ifPresent(plan -> plan.moved()
                        .forEach(m -> moved.computeIfAbsent(m.mark(), name -> new ArrayList<>())
                                .add(shift(m))));
        what.elevations()
                .ifPresent(up -> up.moved()
                        .forEach(m -> moved.computeIfAbsent(m.mark(), name -> new ArrayList<>())
                                .add(shift(m))));
        List<String> sentences = new ArrayList<>();
        moved.forEach((mark, shifts) -> sentences.add(mark + " " + String.join(" and ", shifts)));
        String shown = shown(what);
        if (sentences.isEmpty()) {
            return "No movement was found; " + shown + ".";
        }
        return String.join("; ", sentences) + ". Nothing else" + (shown.isEmpty() ? "" : "; " + shown) + ".";
    }

    private static boolean agrees(Optional<FigureComparison> comparison) {
        return comparison.map(FigureComparison::agrees).orElse(true);
    }

    /** What one mark did: {@code moved 6.1 mm towards south-west}, {@code sank 4.0 mm}. */
    public String shift(Movement movement) {
        String far = words.difference(movement.length());
        if (movement.shift().length == 1) {
            return (movement.shift()[0] < 0 ? "sank " : "rose ") + far;
        }
        return "moved " + far + " towards " + Words.compass(movement.azimuth());
    }

    /** The smallest movement that every mark which was not found to move would have shown. */
    private String shown(WhatMoved what) {
        List<String> parts = new ArrayList<>();
        what.plan().ifPresent(plan -> largest(plan).ifPresent(d -> parts.add(words.difference(d) + " in plan")));
        what.elevations().ifPresent(up -> largest(up).ifPresent(d -> parts.add(words.difference(d) + " in elevation")));
        return parts.isEmpty() ? "" : String.join(" and ", parts) + " would have shown four times in five";
    }

    private static Optional<Double> largest(FigureComparison comparison) {
        return comparison.movements().stream()
                .filter(m -> m.part() != Movement.Part.REFERENCE && !m.moved())
                .map(Movement::detectable)
                .max(Double::compare);
    }

    /** How the reference stood its test. */
    public List<String> reference(WhatMoved what) {
        List<String> said = new ArrayList<>();
        what.plan().ifPresent(plan -> said.add(reference(plan, "in plan")));
        what.elevations().ifPresent(up -> said.add(reference(up, "in elevation")));
        for (Epoch epoch : List.of(what.earlier(), what.later())) {
            if (epoch.test()
                    .filter(t -> t.varianceFactor().orElse(0) > t.limit().orElse(Double.MAX_VALUE))
                    .isPresent()) {
                said.add(
                        epoch.name()
                                + " contradicts itself beyond chance: look at its findings first, what moved may be a slip of its sights.");
            }
        }
        return said;
    }

    private static String reference(FigureComparison comparison, String where) {
        String rest = Words.names(comparison.reference());
        StringBuilder said = new StringBuilder();
        for (FigureComparison.Left left : comparison.left()) {
            said.append(left.mark()).append(" did not hold ").append(where).append(" and left the reference");
            if (!left.others().isEmpty()) {
                said.append("; ")
                        .append(String.join(" or ", left.others()))
                        .append(" instead explains it as well: measure one more stable mark to tell them apart");
            }
            said.append(". ");
        }
        return said
                + (comparison.agrees()
                        ? rest + " kept their figure " + where + "."
                        : rest + " contradict each other " + where + ".");
    }

    /** What a mark does over time: {@code 4.1 mm a year towards south-west, on a straight line}. */
    public String line(TimeLine line) {
        if (!line.moves()) {
            return line.isStraight() ? "no movement found" : "no steady movement, but it jumped";
        }
        String way = line.rate().length == 1
                ? (line.rate()[0] < 0 ? " down" : " up")
                : " towards " + Words.compass(Math.atan2(line.rate()[1], line.rate()[0]));
        return words.difference(line.speed()) + " a year" + way
                + (line.isStraight() ? "" : ", but not on a straight line");
    }
}
