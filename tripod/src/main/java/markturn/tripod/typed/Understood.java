package markturn.tripod.typed;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.angle.TypedAngle;
import markturn.survey.job.Units;
import markturn.survey.show.Display;

/** What is typed of a pointing, as it is understood: by field an {@code echo}, or a {@code fault} with the characters it lies in. */
public final class Understood {
    private Understood() {}

    /** Of the fields {@code circle}, {@code zenith} and {@code slope}; an empty one is not there. */
    public static Map<String, Map<String, Object>> of(Map<String, String> typed, Units units) {
        Display show = new Display(units);
        Map<String, Map<String, Object>> answer = new LinkedHashMap<>();
        for (String field : List.of("circle", "zenith")) {
            String text = typed.getOrDefault(field, "");
            if (!text.isBlank()) {
                answer.put(field, angle(text, units, show));
            }
        }
        Form form = new Form(typed, units);
        List<Double> slopes = TypedPointing.slopes(form);
        if (form.faults().containsKey("slope")) {
            answer.put("slope", Map.of("fault", form.faults().get("slope")));
        } else if (!slopes.isEmpty()) {
            double mean =
                    slopes.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
            String of = slopes.size() > 1 ? ", mean of " + slopes.size() : "";
            answer.put("slope", Map.of("echo", show.length(mean) + " " + show.lengthSign() + of));
        }
        return answer;
    }

    private static Map<String, Object> angle(String text, Units units, Display show) {
        try {
            return Map.of(
                    "echo",
                    show.decorated(TypedAngle.read(text, units.angle(), false).written()));
        } catch (TypedAngle.Fault fault) {
            return Map.of("fault", fault.getMessage(), "from", fault.from(), "to", fault.to());
        }
    }
}
