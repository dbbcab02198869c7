package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import markturn.survey.job.Joining;
import markturn.survey.job.Reading;
import markturn.tripod.view.ChoiceShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The shot in hand, with what can be chosen for it.
 *
 * @param step what of a special sight is wanted now, in words; empty for a plain shot
 * @param angleOnly whether no distance is wanted
 * @param openLines the lines of the code that can be gone on with
 * @param poles what can stand on the point
 * @param waiting marks that another setup sighted and that one more sight would place
 */
record LineInHand(
        String name,
        String height,
        Optional<Joining> joining,
        List<Integer> openLines,
        String step,
        boolean angleOnly,
        String sentence,
        String code,
        Choice choice,
        List<ChoiceShown> poles,
        List<String> waiting)
        implements Shown {
    @Override
    public Sheet sheet() {
        boolean right = choice.face() == Reading.Face.RIGHT;
        Sheet sheet = Sheet.empty()
                .with("sentence", sentence)
                .with("waiting", waiting.stream().map(LineInHand::unplaced).toList())
                .with("special", !step.isEmpty())
                .with("code", code)
                .with("reflector", choice.reflector())
                .with("face", choice.face().name().toLowerCase(Locale.ROOT))
                .with("built", choice.built() ? "yes" : "no")
                .with("up", choice.asTheGroundLies() ? "ground" : "north")
                .with("join", joining.map(j -> j.act().key()).orElse("none"))
                .with("line", joining.map(j -> String.valueOf(j.line())).orElse(""))
                .with("later", choice.later() ? "yes" : "no")
                .with("all", choice.all() ? "yes" : "no")
                .with("angleOnly", angleOnly ? "1" : "")
                .with("slopeRemark", angleOnly ? "Angles only: leave it empty" : "")
                .with("name", name)
                .with("height", height)
                .with("poles", poles)
                .with(
                        "faces",
                        List.of(
                                new ChoiceShown("left", "face left", !right),
                                new ChoiceShown("right", "face right", right)))
                .with(
                        "builds",
                        List.of(
                                new ChoiceShown("no", "no, a located point", !choice.built()),
                                new ChoiceShown("yes", "yes, new control", choice.built())));
        joining.ifPresent(j -> sheet.with("joins", joins(j)).with("lines", lines(j)));
        return sheet;
    }

    /** A mark that one more sight would place. */
    private static Shown unplaced(String name) {
        return () ->
                Sheet.empty().with("name", name).with("sentence", "Sight " + name + ": circle and zenith are enough.");
    }

    private static List<ChoiceShown> joins(Joining joining) {
        List<ChoiceShown> joins = new ArrayList<>();
        for (Joining.Act act : Joining.Act.values()) {
            String words = switch (act) {
                case BEGIN -> "begin a line";
                case GO_ON -> "go on";
                case CLOSE -> "close it";
            };
            joins.add(new ChoiceShown(act.key(), words, act == joining.act()));
        }
        joins.add(new ChoiceShown("none", "no line", false));
        return joins;
    }

    /** Which line, where several can be gone on with. */
    private List<ChoiceShown> lines(Joining joining) {
        return openLines.size() < 2
                ? List.of()
                : openLines.stream()
                        .map(line -> new ChoiceShown(String.valueOf(line), "line " + line, line == joining.line()))
                        .toList();
    }
}
