package markturn.report;

import java.util.List;
import java.util.Locale;
import markturn.survey.finding.base.Finding;

/**
 * A finding in a report.
 *
 * @param severity in a word
 * @param kind what the stylesheet knows that severity by
 * @param where setup and target
 * @param answer who answered it and why, or that nobody did
 */
public record FindingLine(String severity, String kind, String where, String words, String answer) {
    static Block all(List<Finding> findings) {
        return new Block.Findings(findings.stream().map(FindingLine::of).toList());
    }

    private static FindingLine of(Finding finding) {
        return new FindingLine(
                finding.severity().name(),
                finding.severity().name().toLowerCase(Locale.ROOT),
                finding.setup() + " " + finding.target(),
                finding.text(),
                finding.answer()
                        .map(answer -> "Accepted by " + answer.by() + ": " + answer.reason())
                        .orElse("Not answered."));
    }
}
