package markturn.survey.finding;

import java.util.Comparator;
import java.util.List;
import markturn.survey.job.Job;
import markturn.survey.result.Measured;

/** All rules, in the order of the work: what stops it first. */
public final class Rules {
    private static final List<Rule> ALL = List.of(
            new BacksightMissing(),
            new BacksightUnknown(),
            new ResectionUndetermined(),
            new NamesSwapped(),
            new MarkDisagrees(),
            new ElevationRoundError(),
            new ScaleSuspect(),
            new GroupsAgree(),
            new StationUnchecked(),
            new StationLoose(),
            new TwoMarks(),
            new WeakGeometry(),
            new DangerCircle(),
            new OutsideMarks(),
            new NoCommonSet(),
            new FacesDiffer(),
            new WrongTarget(),
            new TargetsSwapped(),
            new BacksightDistance(),
            new BacksightElevation(),
            new BacksightOtherMark(),
            new HeightMeasuredTo(),
            new ReflectorConstant(),
            new HeightTwice(),
            new HeightAfterMove(),
            new PlummetOffset(),
            new OrientationAsGiven(),
            new ScaleUnknown(),
            new HalfSetClosure(),
            new BacksightDrift(),
            new ClosingSightMissing(),
            new SetResidual(),
            new CollimationSpread(),
            new IndexSpread(),
            new DistanceSpread(),
            new OneSet(),
            new FaceMissing(),
            new ShortBacksight(),
            new HeightUnlikely(),
            new NotLevelled(),
            new PrismOnReflectorless(),
            new PpmUnset(),
            new MarkFound(),
            new BothWaysDiffer(),
            new ReferenceDistance(),
            new RefractionImplied(),
            new Misclosure(),
            new BlunderSuspect(),
            new TraverseOpen(),
            new ClosingAlias(),
            new NetworkVarianceRule(),
            new NetworkResidual(),
            new DatumUnchecked(),
            new AdoptionWithoutEffect(),
            new SecondFix(),
            new OneRay(),
            new OneSightMore(),
            new WeakIntersection(),
            new ManyStruckOut(),
            new NothingChecked(),
            new CannotHoldClass(),
            new TypedLimit());

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
                .map(finding -> TypedLimit.beside(finding, evidence.out()))
                .toList();
        before.done();
        return answers.applyTo(Explanations.fold(found)).stream()
                .sorted(Comparator.comparing(Finding::severity).reversed())
                .toList();
    }
}
