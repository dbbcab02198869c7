package markturn.survey.finding.sets;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at the sets: faces, residuals, spreads, how many. A new one is one new file here and one line in this list. */
public final class SetsRoom {
    public static final List<Rule> RULES = List.of(
            new NoCommonSet(),
            new FacesDiffer(),
            new WrongTarget(),
            new TargetsSwapped(),
            new HalfSetClosure(),
            new ClosingSightMissing(),
            new SetResidual(),
            new CollimationSpread(),
            new IndexSpread(),
            new CollimationJump(),
            new DistanceSpread(),
            new OneSet(),
            new FaceMissing(),
            new ManyStruckOut(),
            new CannotHoldClass());

    private SetsRoom() {}
}
