package markturn.report;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.epoch.Epochs;
import markturn.survey.epoch.MovedInWords;
import markturn.survey.epoch.TimeLine;
import markturn.survey.epoch.WhatMoved;
import markturn.survey.finding.words.Words;
import markturn.survey.show.Display;

/** What moved since the marks were measured first: each later epoch against the first, and the marks over time. */
final class MovedPart {
    private final Display show;
    private final MovedInWords said;

    private MovedPart(Display show, Words words) {
        this.show = show;
        this.said = new MovedInWords(words);
    }

    static Section of(Epochs epochs, Display show, Words words) {
        MovedPart part = new MovedPart(show, words);
        List<Block> blocks = new ArrayList<>();
        blocks.add(Block.words("Meant to be stable: " + Words.names(epochs.reference())
                + ". One comparison in a hundred is found fault with by chance alone, shared among all marks; "
                + "what would have shown shows four times in five."));
        epochs.sinceFirst().forEach(what -> part.add(what, blocks));
        List<String> lines = new ArrayList<>();
        part.lines(epochs.plan(), "in plan", lines);
        part.lines(epochs.elevations(), "in elevation", lines);
        if (!lines.isEmpty()) {
            blocks.add(new Block.Heading("Over time"));
            blocks.add(new Block.Points(lines));
        }
        return Section.of("What moved", blocks);
    }

    private void add(WhatMoved what, List<Block> blocks) {
        blocks.add(new Block.Heading(what.earlier().name() + " ("
                + show.dayAndTime(what.earlier().at()) + ") to "
                + what.later().name() + " ("
                + show.dayAndTime(what.later().at()) + ")"));
        blocks.add(new Block.Paragraph("verdict", said.verdict(what)));
        said.reference(what).forEach(held -> blocks.add(Block.words(held)));
        MovedDrawing drawing = MovedDrawing.from(what);
        blocks.add(new Block.Moved(drawing));
        blocks.add(Block.quiet(drawing.enlargement()));
        ReportTable.Draft table = ReportTable.draft("")
                .columns(ReportTable.KEPT, "Mark")
                .words("Part")
                .numbers("In plan, " + show.differenceSign(), "Would have shown")
                .numbers("In elevation, " + show.differenceSign(), "Would have shown")
                .words("Found");
        MovedRows.of(what, said, show)
                .forEach(r -> table.row(r.mark(), r.part(), r.plan(), r.planLimit(), r.up(), r.upLimit(), r.verdict()));
        blocks.add(table.done());
    }

    private void lines(List<TimeLine> of, String where, List<String> lines) {
        of.forEach(line -> lines.add(line.mark() + " " + where + ": " + said.line(line)));
    }
}
