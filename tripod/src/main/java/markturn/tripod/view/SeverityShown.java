package markturn.tripod.view;

import java.util.Locale;
import java.util.Optional;
import markturn.survey.finding.base.Finding;

/** How bad something is, with its stroke in the margin, and what is said of it. */
public record SeverityShown(Optional<Finding.Severity> severity, String words) implements Shown {
    public SeverityShown(Finding.Severity severity, String words) {
        this(Optional.of(severity), words);
    }

    /** The name of the stroke that stands for a severity. */
    static String stroke(Finding.Severity severity) {
        return severity.name().toLowerCase(Locale.ROOT);
    }

    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("severity", severity.map(Enum::name).orElse(""))
                .with("stroke", severity.map(SeverityShown::stroke).orElse(""))
                .with("words", words);
    }
}
