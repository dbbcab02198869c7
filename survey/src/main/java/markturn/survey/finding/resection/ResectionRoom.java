package markturn.survey.finding.resection;

import java.util.List;
import markturn.survey.finding.base.Rule;

/** The rules that look at a station among marks. A new one is one new file here and one line in this list. */
public final class ResectionRoom {
    public static final List<Rule> RULES = List.of(
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
            new ScaleUnknown(),
            new MarkFound(),
            new NothingChecked());

    private ResectionRoom() {}
}
