package markturn.report;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.standing.Glance;

/** The job at a glance, and the limits it is judged by. */
final class GlanceSection {
    private GlanceSection() {}

    static Section of(Reported of) {
        Glance glance = of.glance();
        List<Block> blocks = new ArrayList<>();
        if (!glance.open().isEmpty()) {
            blocks.add(new Block.Heading("Open stops"));
            blocks.add(
                    new Block.Points(glance.open().stream().map(Finding::text).toList()));
        }
        blocks.add(new Block.Heading("Proved by something independent"));
        blocks.add(glance.proved().isEmpty() ? Block.words("Nothing yet.") : proved(glance));
        blocks.add(new Block.Heading("Resting on one sight"));
        if (glance.oneSight().isEmpty()) {
            blocks.add(Block.words("None."));
        }
        glance.oneSightBySetup().forEach(setup -> blocks.add(Block.words(setup.words())));
        if (!glance.untested().isEmpty()) {
            blocks.add(new Block.Heading("Control that nothing here proves"));
            glance.untested().forEach(s -> blocks.add(Block.words(s.mark().name() + ": " + s.why() + ".")));
        }
        if (!glance.accepted().isEmpty()) {
            blocks.add(new Block.Heading("Accepted against a limit"));
            blocks.add(FindingLine.all(glance.accepted()));
        }
        if (!glance.selfReviewed().isEmpty()) {
            blocks.add(Block.words(of.show().count(glance.selfReviewed().size(), "decision was", "decisions were")
                    + " taken by who had observed: self-reviewed."));
        }
        return Section.of("At a glance", blocks);
    }

    private static Block proved(Glance glance) {
        ReportTable.Draft table = ReportTable.draft("").words("", "", "");
        glance.proved().forEach(s -> table.row(s.mark().name(), s.kind(), s.why()));
        return table.done();
    }

    static Section limits(Reported of) {
        ReportTable.Draft table = ReportTable.draft("narrow").words("").numbers("");
        LimitRows.inForce(of.job().classOfWork())
                .forEach(limit -> table.row(limit.words(), limit.presets().get(0)));
        return Section.of(
                "Limits of the class",
                List.of(
                        table.done(),
                        Block.quiet(
                                "Common practice, no published source. A limit that somebody typed is judged as typed; "
                                        + "otherwise the limit judged is that of the class, or what chance reaches once in a thousand "
                                        + "setups where that is more.")));
    }
}
