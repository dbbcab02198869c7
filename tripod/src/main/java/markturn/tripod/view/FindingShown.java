package markturn.tripod.view;

import markturn.survey.finding.base.Finding;

/** A finding in a list that leads to its place. */
public record FindingShown(Finding finding, Address at) implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("severity", finding.severity().name())
                .with("stroke", SeverityShown.stroke(finding.severity()))
                .with("place", place())
                .with("text", finding.text())
                .with("answered", finding.answer().isPresent() ? "answered" : "")
                .with(
                        "answer",
                        finding.answer()
                                .map(a -> "Accepted by " + a.by() + ": " + a.reason())
                                .orElse(""))
                .with("reopened", finding.reopened());
    }

    private Sheet place() {
        if (finding.setup().isEmpty() && finding.target().isEmpty()) {
            return Sheet.empty();
        }
        return Sheet.empty()
                .with("setup", link(finding.setup(), at.review(finding.setup())))
                .with("target", link(finding.target(), at.mark(finding.target())))
                .with("code", finding.code().toString());
    }

    private static Sheet link(String name, String address) {
        return name.isEmpty() ? Sheet.empty() : Sheet.empty().with("name", name).with("address", address);
    }
}
