package markturn.tripod.typed;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Circle;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reflector;

/**
 * What was typed of one pointing, wherever it is booked.
 *
 * @param slopes metres, each above 0; several where one pointing measured several
 */
public record TypedPointing(
        Circle circle,
        Optional<Circle> zenith,
        List<Double> slopes,
        String reflector,
        Optional<MeasuredHeight> height) {
    private static final double LONGEST_SIGHT = 1e6;

    /** Reads the fields of a line; empty where one is at fault, which the form then says. */
    public static Optional<TypedPointing> read(Form form, boolean planOnly) {
        if (form.text("key").isEmpty() || form.text("key").length() > 60) {
            form.fault("circle", "The page is too old: reload it; what you typed stays");
        }
        Optional<Circle> circle = form.circle("circle");
        if (circle.isEmpty()) {
            form.fault("circle", "Empty: expected the horizontal circle");
        }
        Optional<Circle> zenith = form.circle("zenith");
        List<Double> slopes = slopes(form);
        if (!slopes.isEmpty() && zenith.isEmpty()) {
            form.fault("zenith", "Empty: a slope distance needs its zenith angle");
        }
        String reflector = form.text("reflector");
        boolean reflectorless = reflector.equals(Reflector.REFLECTORLESS);
        Optional<MeasuredHeight> height = form.height("height", true, "the height of the target over its mark");
        if (height.isEmpty() && !planOnly && !slopes.isEmpty() && !reflectorless) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        return form.isSound()
                ? Optional.of(new TypedPointing(circle.orElseThrow(), zenith, slopes, reflector, height))
                : Optional.empty();
    }

    /** One slope distance, or several of one pointing, parted by blanks or semicolons. */
    public static List<Double> slopes(Form form) {
        List<Double> slopes = new ArrayList<>();
        for (String part : form.text("slope").split("[\\s;]+")) {
            if (part.isEmpty()) {
                continue;
            }
            Form single = form.with("slope", part);
            single.length("slope", 0, LONGEST_SIGHT, "a slope distance above 0").ifPresent(slopes::add);
            if (single.faults().containsKey("slope")) {
                form.fault("slope", single.faults().get("slope"));
            } else if (slopes.get(slopes.size() - 1) == 0) {
                form.fault("slope", "0: expected a slope distance above 0");
            }
        }
        return slopes;
    }

    /** The slope distance, the mean of several; empty for angles only. */
    public OptionalDouble slope() {
        return slopes.stream().mapToDouble(Double::doubleValue).average();
    }

    /** The single distances where there were several. */
    public List<Double> severalSlopes() {
        return slopes.size() > 1 ? slopes : List.of();
    }
}
