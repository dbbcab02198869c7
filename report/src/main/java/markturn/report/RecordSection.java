package markturn.report;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.coordinates.ReferenceComparison;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.job.Decision;
import markturn.survey.show.Display;

/** What was checked, found and decided. */
final class RecordSection {
    private RecordSection() {}

    static Section checks(Reported of) {
        List<CheckTable.Row> checks =
                CheckTable.of(of.job(), of.result().measured(), of.result().judgements());
        List<Block> blocks = new ArrayList<>();
        blocks.add(Block.words(CheckTable.sentence(checks)));
        ReferenceComparison.of(of.job(), of.result().measured())
                .forEach(c -> blocks.add(Block.words(c.setup() + ": " + c.sentence(of.words()))));
        if (!checks.isEmpty()) {
            blocks.add(table(checks, of.show()));
        }
        return Section.of("Checks", blocks);
    }

    private static Block table(List<CheckTable.Row> checks, Display show) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Mark", "First", "Again")
                .numbers("North, " + show.differenceSign(), "East", "Limit", "Elevation", "Limit", "Could miss")
                .words("Verdict");
        checks.forEach(r -> table.row(
                r.check().mark(),
                r.first(),
                r.check().from(),
                show.difference(r.check().northingDifference()),
                show.difference(r.check().eastingDifference()),
                show.deviation(r.planLimit()),
                show.difference(r.check().elevationDifference()),
                show.deviation(r.elevationLimit()),
                show.deviation(r.planMissed()),
                r.words() + r.decided().map(d -> "; decided: " + d.key()).orElse("")));
        return table.done();
    }

    static Section findings(List<Finding> findings) {
        Block all = findings.isEmpty()
                ? Block.words("None. That is not proof: it says that nothing booked contradicts itself.")
                : FindingLine.all(findings);
        return new Section(
                "Findings, and how each was answered", "", findings.size() > Report.FINDINGS_TOGETHER, List.of(all));
    }

    static Section decisions(Reported of) {
        ReportTable.Draft table =
                ReportTable.draft("").columns(ReportTable.KEPT, "When", "Who").words("What", "On", "Why");
        of.job()
                .decisions()
                .forEach(d ->
                        table.row(d.at().map(of.show()::dayAndTime).orElse(""), d.whose(), what(d), on(d), why(d)));
        return Section.of("Decisions on record", List.of(table.done()));
    }

    private static String what(Decision decision) {
        String how = decision.concerning("how");
        return how.isEmpty() ? decision.what() : decision.what() + ", " + how;
    }

    private static String on(Decision decision) {
        return Stream.of("setup", "mark", "target", "code")
                .map(decision::concerning)
                .filter(name -> !name.isEmpty())
                .collect(Collectors.joining(" "));
    }

    private static String why(Decision decision) {
        return decision.reason()
                + decision.before().map(before -> " (before: " + before + ")").orElse("");
    }
}
