package markturn.tripod.typed;

import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Refused;
import markturn.survey.angle.QuadrantBearing;
import markturn.survey.angle.TypedAngle;
import markturn.survey.job.Circle;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Units;
import markturn.survey.show.Sentence;

/**
 * What was typed into a form, and what is wrong with it field by field. Reading goes on after a fault, so that all faults are said at
 * once; what was typed stays.
 */
public final class Form {
    private static final int LONGEST_NAME = 60;
    private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(2);
    private static final Duration LONGEST_AWAY = Duration.ofDays(30);

    private final Map<String, String> typed;
    private final Units units;
    private final Map<String, String> faults = new LinkedHashMap<>();

    public Form(Map<String, String> typed, Units units) {
        this.typed = typed;
        this.units = units;
    }

    /** The same form with another text in one field, and faults of its own. */
    public Form with(String field, String text) {
        Map<String, String> changed = new LinkedHashMap<>(typed);
        changed.put(field, text);
        return new Form(changed, units);
    }

    /** The fault of each field that has one. */
    public Map<String, String> faults() {
        return faults;
    }

    public boolean isSound() {
        return faults.isEmpty();
    }

    public void fault(String field, String sentence) {
        faults.putIfAbsent(field, sentence);
    }

    /** Takes over why an entry was refused. */
    public void refused(Refused refused) {
        fault(refused.field(), refused.getMessage());
    }

    public String text(String field) {
        return typed.getOrDefault(field, "").strip();
    }

    public boolean isEmpty(String field) {
        return text(field).isEmpty();
    }

    /** A name: something, and not too long. */
    public String name(String field, String what) {
        String name = text(field);
        if (name.isEmpty()) {
            fault(field, "Empty: expected " + what);
        } else if (name.length() > LONGEST_NAME) {
            fault(field, Sentence.of("%d characters: at most %d", name.length(), LONGEST_NAME));
        }
        return name;
    }

    /**
     * When the line was read, as the device that booked it says; now where it says nothing, or something that cannot be: later than now, or
     * longer ago than a device is away.
     */
    public Instant readAt(Instant now) {
        try {
            Instant said = isEmpty("readAt") ? now : Instant.parse(text("readAt"));
            boolean possible = said.isBefore(now.plus(CLOCKS_DIFFER)) && said.isAfter(now.minus(LONGEST_AWAY));
            return (possible ? said : now).truncatedTo(ChronoUnit.SECONDS);
        } catch (DateTimeParseException noTime) {
            return now.truncatedTo(ChronoUnit.SECONDS);
        }
    }

    /** A number with decimal point or comma, within bounds. */
    public OptionalDouble number(String field, double least, double most, String what) {
        String text = text(field).replace(',', '.');
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        if (!text.matches("[+-]?(\\d{1,12}\\.?\\d{0,12}|\\.\\d{1,12})")) {
            fault(field, Sentence.of("\"%s\" is no number: expected %s", text(field), what));
            return OptionalDouble.empty();
        }
        double value = Double.parseDouble(text);
        if (value < least || value > most) {
            fault(field, Sentence.of("%s: expected %s", text(field), what));
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(value);
    }

    /** The same, but it must be there. */
    public double required(String field, double least, double most, String what) {
        OptionalDouble value = number(field, least, most, what);
        if (value.isEmpty()) {
            fault(field, "Empty: expected " + what);
        }
        return value.orElse(0);
    }

    /** A length in the job's unit, brought to metres; in a job in feet also as feet, inches and fractions. */
    public OptionalDouble length(String field, double least, double most, String what) {
        OptionalDouble feet = units.length() == LengthUnit.METRE ? OptionalDouble.empty() : feetAndInches(text(field));
        OptionalDouble amount = feet.isPresent() ? feet : number(field, least, most, what);
        return amount.isPresent()
                ? OptionalDouble.of(amount.getAsDouble() * units.length().metres())
                : amount;
    }

    private static OptionalDouble feetAndInches(String text) {
        var parts = java.util.regex.Pattern.compile("(\\d+)'\\s*(?:(\\d+)?\\s*(?:(\\d+)/(\\d+))?\\s*\")?")
                .matcher(text);
        if (!parts.matches()) {
            return OptionalDouble.empty();
        }
        double inches = parts.group(2) == null ? 0 : Double.parseDouble(parts.group(2));
        if (parts.group(3) != null && Double.parseDouble(parts.group(4)) > 0) {
            inches += Double.parseDouble(parts.group(3)) / Double.parseDouble(parts.group(4));
        }
        return OptionalDouble.of(Double.parseDouble(parts.group(1)) + inches / 12);
    }

    /** A measured height with where its tape ended, in {@code field} and {@code field + "To"}. */
    public Optional<MeasuredHeight> height(String field, boolean zeroAllowed, String what) {
        OptionalDouble value = length(field, -100, 100, what);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        if (value.getAsDouble() == 0 && !zeroAllowed) {
            fault(field, "0: expected " + what + "; 0 only for what is sighted");
            return Optional.empty();
        }
        MeasuredHeight.To to = text(field + "To").equals("notch") ? MeasuredHeight.To.NOTCH : MeasuredHeight.To.AXIS;
        OptionalDouble again = length(field + "Again", -100, 100, what + ", taped a second time");
        return Optional.of(new MeasuredHeight(value.getAsDouble(), to, again));
    }

    /** An azimuth as people type it: through the whole circle, or by quadrant. */
    public Optional<Circle> azimuth(String field) {
        if (!QuadrantBearing.isMeant(text(field))) {
            return circle(field);
        }
        try {
            return QuadrantBearing.read(text(field), units.angle()).map(a -> new Circle(a.radians(), a.written()));
        } catch (TypedAngle.Fault wrong) {
            fault(field, wrong.getMessage());
            return Optional.empty();
        }
    }

    /** An angle as people type it. */
    public Optional<Circle> circle(String field) {
        if (isEmpty(field)) {
            return Optional.empty();
        }
        try {
            TypedAngle angle = TypedAngle.read(typed.get(field), units.angle(), false);
            return Optional.of(new Circle(angle.radians(), angle.written()));
        } catch (TypedAngle.Fault wrong) {
            fault(field, wrong.getMessage());
            return Optional.empty();
        }
    }
}
