package markturn.tripod.turning;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.show.Display;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * The line in hand.
 *
 * @param set its set, from 1; 0 outside the sets
 * @param aside whether it was called for out of the order
 * @param expected roughly where the circle will point; empty where nothing is known
 */
public record LiveLine(
        String target,
        Reading.Role role,
        int set,
        Reading.Face face,
        String reflector,
        Optional<MeasuredHeight> height,
        OptionalDouble centringStdDev,
        boolean aside,
        String expected,
        String sentence,
        Display show)
        implements Shown {
    @Override
    public Sheet sheet() {
        return Sheet.empty()
                .with("label", aside ? capital(role.name()) : "Set " + set)
                .with("sentence", sentence)
                .with("expected", expected)
                .with("target", target)
                .with("role", role.name())
                .with("set", set == 0 ? "" : String.valueOf(set))
                .with("face", face.name())
                .with("reflector", reflector)
                .with("height", height.map(h -> show.length(h.value())).orElse(""))
                .with("heightTo", heightTo(height))
                .with("aside", aside ? "1" : "");
    }

    /** As where a height ends goes into a form again. */
    static String heightTo(Optional<MeasuredHeight> height) {
        return height.map(h -> h.to().name().toLowerCase(Locale.ROOT)).orElse("axis");
    }

    private static String capital(String name) {
        return name.charAt(0) + name.substring(1).toLowerCase(Locale.ROOT);
    }
}
