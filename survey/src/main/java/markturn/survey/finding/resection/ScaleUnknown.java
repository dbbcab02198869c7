package markturn.survey.finding.resection;

import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.reduce.GridScale;

/** A map projection that cannot be computed where the marks are. */
final class ScaleUnknown implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        if (GridScale.inForce(evidence.job()).isPresent()) {
            return Stream.empty();
        }
        return Stream.of(
                Finding.of(
                        FindingCode.SCALE_UNKNOWN,
                        Severity.STOP,
                        "",
                        "",
                        "The map projection of this job cannot be computed at its control marks, so no scale factor follows from it. Look at its definition and at the coordinates."));
    }
}
