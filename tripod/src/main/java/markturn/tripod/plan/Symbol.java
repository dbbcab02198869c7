package markturn.tripod.plan;

import java.util.Locale;
import markturn.survey.job.Mark;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * One mark on the plan.
 *
 * @param station whether an instrument stood on it
 * @param trouble whether a stop is open on it
 * @param superfluous whether the plan could not show it beside another of its code
 * @param path the sign of its code
 * @param numbers what a tap shows
 */
record Symbol(
        String name,
        Mark.Kind kind,
        boolean station,
        boolean trouble,
        boolean superfluous,
        String x,
        String y,
        String path,
        Label label,
        String numbers,
        String address)
        implements Shown {
    @Override
    public Sheet sheet() {
        String named = kind.name().toLowerCase(Locale.ROOT);
        return Sheet.empty()
                .with("name", name)
                .with("kind", "kind-" + named + (trouble ? " trouble" : "") + (superfluous ? " superfluous" : ""))
                .with("station", station)
                .with("trouble", trouble)
                .with(named, Sheet.empty().with("d", kind == Mark.Kind.LOCATED ? path : "M0 -8 7 5 -7 5Z"))
                .with("x", x)
                .with("y", y)
                .with("at", "translate(" + x + " " + y + ")")
                .with("labelX", String.valueOf(label.dx()))
                .with("labelY", String.valueOf(label.dy()))
                .with("anchor", label.anchor())
                .with("room", label.shown() ? "" : "no-room")
                .with("numbers", numbers)
                .with("address", address);
    }
}
