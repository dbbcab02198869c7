package markturn.survey.finding.figure;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at the figure: legs, traverses, the network. A new one is one new file here and one line in this list. */
public final class FigureRoom {
    public static final List<Rule> RULES = List.of(
            new BothWaysDiffer(),
            new RefractionImplied(),
            new Misclosure(),
            new BlunderSuspect(),
            new TraverseOpen(),
            new ClosingAlias(),
            new NetworkVarianceRule(),
            new NetworkResidual(),
            new DatumUnchecked(),
            new AdoptionWithoutEffect());

    private FigureRoom() {}
}
