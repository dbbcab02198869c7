package markturn.survey.finding.coordinates;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at coordinates: how a mark was found and how well it agrees. A new one is one new file here and one line in this list. */
public final class CoordinatesRoom {
    public static final List<Rule> RULES = List.of(
            new ReferenceDistance(),
            new SecondFix(),
            new OneRay(),
            new OneSightMore(),
            new WeakIntersection(),
            new TypedLimit());

    private CoordinatesRoom() {}
}
