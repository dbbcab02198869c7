package markturn.survey.finding.sets;

import java.util.stream.Stream;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.result.MeasuredSetup;

/** New control turned in fewer sets than the class asks for. */
final class OneSet implements SetupRule {

    @Override
    public Stream<Finding> judge(SetupEvidence evidence) {
        MeasuredSetup setup = evidence.setup();
        int wanted = (int) evidence.settings().classOfWork().limit(Limit.SETS);
        return setup.abstracts().stream()
                .filter(sets -> sets.fix().role() == Reading.Role.FORESIGHT)
                .filter(sets -> sets.sets() > 0 && sets.count() < wanted)
                .map(sets -> Finding.of(
                                FindingCode.ONE_SET,
                                Severity.WARN,
                                setup.name(),
                                sets.target(),
                                "%s rests on %s; this class asks for %d. %s"
                                        .formatted(
                                                sets.target(),
                                                sets.sets() == 1 ? "one set" : sets.sets() + " sets",
                                                wanted,
                                                sets.sets() == 1
                                                        ? "One set shows no spread: turn another."
                                                        : "Turn the rest."))
                        .with(Measure.PLAIN, sets.count(), wanted));
    }
}
