package markturn.report;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.epoch.FigureComparison;
import markturn.survey.epoch.MovedInWords;
import markturn.survey.epoch.Movement;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.finding.words.Words;
import markturn.survey.show.Display;

/** What moved as a table: one row a mark. */
public final class MovedRows {
    private MovedRows() {}

    /**
     * A row; a part that was not compared is a dash.
     *
     * @param part what the mark was in the comparison
     * @param plan how far and where to, with its deviation
     * @param planLimit what would have shown
     * @param verdict what is found of it, in words
     */
    public record Row(
            String mark,
            String part,
            String plan,
            String planLimit,
            String up,
            String upLimit,
            String verdict,
            boolean moved) {}

    public static List<Row> of(WhatMoved what, MovedInWords words, Display show) {
        Set<String> marks = new LinkedHashSet<>();
        what.plan().ifPresent(plan -> plan.movements().forEach(m -> marks.add(m.mark())));
        what.elevations().ifPresent(up -> up.movements().forEach(m -> marks.add(m.mark())));
        List<Row> rows = new ArrayList<>();
        for (String mark : marks) {
            rows.add(row(mark, movement(what.plan(), mark), movement(what.elevations(), mark), words, show));
        }
        return rows;
    }

    private static Optional<Movement> movement(Optional<FigureComparison> of, String mark) {
        return of.flatMap(comparison -> comparison.movement(mark));
    }

    private static Row row(
            String mark, Optional<Movement> plan, Optional<Movement> up, MovedInWords words, Display show) {
        List<String> said = new ArrayList<>();
        plan.filter(Movement::moved).ifPresent(m -> said.add(words.shift(m)));
        up.filter(Movement::moved).ifPresent(m -> said.add(words.shift(m)));
        Optional<Movement> either = plan.or(() -> up);
        boolean reference = either.map(m -> m.part() == Movement.Part.REFERENCE).orElse(false);
        String still = reference ? "holds the datum" : "no movement found";
        return new Row(
                mark,
                part(plan, up),
                plan.map(m -> shift(m, show)).orElse("–"),
                plan.map(m -> limit(m, show)).orElse("–"),
                up.map(m -> shift(m, show)).orElse("–"),
                up.map(m -> limit(m, show)).orElse("–"),
                said.isEmpty() ? still : String.join(" and ", said),
                !said.isEmpty());
    }

    private static String part(Optional<Movement> plan, Optional<Movement> up) {
        return plan.filter(m -> m.part() != Movement.Part.REFERENCE)
                .or(() -> up.filter(m -> m.part() != Movement.Part.REFERENCE))
                .or(() -> plan)
                .or(() -> up)
                .map(m -> m.part().words())
                .orElse("");
    }

    private static String shift(Movement m, Display show) {
        String deviation = " ± " + show.deviation(OptionalDouble.of(m.lengthStdDev()));
        return m.shift().length == 1
                ? show.difference(OptionalDouble.of(m.shift()[0])) + deviation
                : show.deviation(OptionalDouble.of(m.length())) + " " + Words.compass(m.azimuth()) + deviation;
    }

    private static String limit(Movement m, Display show) {
        return m.part() == Movement.Part.REFERENCE ? "–" : show.deviation(OptionalDouble.of(m.detectable()));
    }
}
