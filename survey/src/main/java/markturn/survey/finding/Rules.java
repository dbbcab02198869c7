package markturn.survey.finding;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.backsight.BacksightRoom;
import markturn.survey.finding.base.Answers;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.GatheringRule;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.base.SetupRule;
import markturn.survey.finding.coordinates.CoordinatesRoom;
import markturn.survey.finding.figure.FigureRoom;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.resection.ResectionRoom;
import markturn.survey.finding.sets.SetsRoom;
import markturn.survey.finding.setup.SetupRoom;
import markturn.survey.job.Job;
import markturn.survey.result.Measured;

/** All rules of all rooms. */
public final class Rules {
    private static final List<Rule> ALL = Stream.of(
                    SetupRoom.RULES,
                    SetsRoom.RULES,
                    BacksightRoom.RULES,
                    ResectionRoom.RULES,
                    FigureRoom.RULES,
                    CoordinatesRoom.RULES)
            .flatMap(List::stream)
            .toList();

    /** What stops the work comes first; then as the codes are listed, which is the order of the work. */
    private static final Comparator<Finding> ORDER =
            Comparator.comparing(Finding::severity).reversed().thenComparing(Finding::code);

    private static final List<SetupRule> OF_SETUPS = ALL.stream()
            .filter(SetupRule.class::isInstance)
            .map(SetupRule.class::cast)
            .toList();

    private static final List<GatheringRule<?>> GATHERING = ALL.stream()
            .filter(GatheringRule.class::isInstance)
            .<GatheringRule<?>>map(rule -> (GatheringRule<?>) rule)
            .toList();

    private Rules() {}

    /** Everything the rules find, stops first, each with its answer where one holds. */
    public static List<Finding> judge(Job job, Measured measured, List<Judgement> judgements, FindingCache before) {
        Evidence evidence = new Evidence(job, measured, judgements);
        Answers answers = new Answers(job);
        before.look(OF_SETUPS, GATHERING, evidence);
        List<Finding> found = ALL.stream()
                .flatMap(rule -> before.found(rule, evidence).stream())
                .map(finding -> BesideTypedLimits.said(finding, evidence.out()))
                .toList();
        before.done();
        return answers.applyTo(Explanations.fold(found)).stream().sorted(ORDER).toList();
    }
}
