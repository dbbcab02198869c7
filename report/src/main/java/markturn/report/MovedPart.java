package markturn.report;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.epoch.Epochs;
import markturn.survey.epoch.MovedInWords;
import markturn.survey.epoch.TimeLine;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.finding.words.Words;
import markturn.survey.show.Display;

/**
 * What a report says of epochs: each later one against the first, and the marks over time.
 *
 * @param reference the marks that were meant to be stable, in words
 * @param lines of the marks over time; empty under three epochs
 */
public record MovedPart(List<Compared> compared, String reference, List<String> lines) {
    /** Two epochs compared. */
    public record Compared(
            String title, String verdict, List<String> held, List<MovedRows.Row> rows, MovedDrawing drawing) {}

    static MovedPart of(Epochs epochs, Display show, Words words) {
        MovedInWords said = new MovedInWords(words);
        List<Compared> compared = new ArrayList<>();
        for (WhatMoved what : epochs.sinceFirst()) {
            compared.add(new Compared(
                    what.earlier().name() + " ("
                            + show.dayAndTime(what.earlier().at()) + ") to "
                            + what.later().name() + " ("
                            + show.dayAndTime(what.later().at()) + ")",
                    said.verdict(what),
                    said.reference(what),
                    MovedRows.of(what, said, show),
                    MovedDrawing.from(what)));
        }
        List<String> lines = new ArrayList<>();
        lines(epochs.plan(), "in plan", said, lines);
        lines(epochs.elevations(), "in elevation", said, lines);
        return new MovedPart(compared, Words.names(epochs.reference()), lines);
    }

    private static void lines(List<TimeLine> of, String where, MovedInWords said, List<String> lines) {
        of.forEach(line -> lines.add(line.mark() + " " + where + ": " + said.line(line)));
    }
}
