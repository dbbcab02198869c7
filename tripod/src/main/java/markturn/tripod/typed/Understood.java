package markturn.tripod.typed;

import java.util.List;
import java.util.Map;
import markturn.survey.angle.TypedAngle;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What is typed of a pointing, as it is understood: by field an {@code echo}, or a {@code fault} with the characters it lies in. */
public final class Understood {
    private Understood() {}

    /** Of the fields {@code circle}, {@code zenith} and {@code slope}; an empty one is not there. */
    public static Shown of(Map<String, String> typed, Units units) {
        Display show = new Display(units);
        Sheet answer = Sheet.empty();
        for (String field : List.of("circle", "zenith")) {
            String text = typed.getOrDefault(field, "");
            if (!text.isBlank()) {
                answer.with(field, angle(text, units, show));
            }
        }
        Form form = new Form(typed, units);
        List<Double> slopes = TypedPointing.slopes(form);
        if (form.faults().containsKey("slope")) {
            answer.with("slope", Sheet.empty().with("fault", form.faults().get("slope")));
        } else if (!slopes.isEmpty()) {
            double mean =
                    slopes.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
            String of = slopes.size() > 1 ? ", mean of " + slopes.size() : "";
            answer.with("slope", Sheet.empty().with("echo", show.length(mean) + " " + show.lengthSign() + of));
        }
        return () -> answer;
    }

    private static Sheet angle(String text, Units units, Display show) {
        try {
            return Sheet.empty()
                    .with(
                            "echo",
                            show.decorated(
                                    TypedAngle.read(text, units.angle(), false).written()));
        } catch (TypedAngle.Fault fault) {
            return Sheet.empty()
                    .with("fault", fault.getMessage())
                    .with("from", fault.from())
                    .with("to", fault.to());
        }
    }
}
