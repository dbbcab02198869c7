package markturn.survey.finding.backsight;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at the orientation by known marks. A new one is one new file here and one line in this list. */
public final class BacksightRoom {
    public static final List<Rule> RULES = List.of(
            new BacksightMissing(),
            new BacksightUnknown(),
            new BacksightDistance(),
            new BacksightElevation(),
            new BacksightOtherMark(),
            new OrientationAsGiven(),
            new BacksightDrift(),
            new ShortBacksight());

    private BacksightRoom() {}
}
