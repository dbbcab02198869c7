package markturn.survey.finding.setup;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at a setup's care: heights, level, air, reflectors. A new one is one new file here and one line in this list. */
public final class SetupRoom {
    public static final List<Rule> RULES = List.of(
            new HeightMeasuredTo(),
            new ReflectorConstant(),
            new HeightTwice(),
            new HeightAfterMove(),
            new PlummetOffset(),
            new HeightUnlikely(),
            new NotLevelled(),
            new PrismOnReflectorless(),
            new PpmUnset());

    private SetupRoom() {}
}
