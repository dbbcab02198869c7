package markturn.formats;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Fault;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Circle;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Units;
import org.w3c.dom.Element;

/** The numbers of a LandXML file in its own units, taken strictly: what is no number is a fault with its place. */
final class LandXmlValues {
    private final LengthUnit length;
    private final Angular angular;
    private final List<Fault> faults;

    /** How the file writes angles, and what the job then writes them in. */
    private enum Angular {
        DMS(AngleUnit.DMS),
        GON(AngleUnit.GON),
        DEG(AngleUnit.DEG),
        RADIANS(AngleUnit.DMS);

        private final AngleUnit unit;

        Angular(AngleUnit unit) {
            this.unit = unit;
        }
    }

    /**
     * As the file's units say.
     *
     * @param faults takes what is found wrong
     */
    LandXmlValues(Element root, List<Fault> faults) throws FaultyFile {
        Optional<Element> units = SecureXml.first(root, "Units")
                .flatMap(u -> SecureXml.children(u).stream().findFirst());
        this.length = length(units.map(u -> u.getAttribute("linearUnit")).orElse("meter"));
        this.angular = angular(units.map(u -> u.getAttribute("angularUnit")).orElse(""));
        this.faults = faults;
    }

    LengthUnit length() {
        return length;
    }

    /** What a job from this file is written in. */
    Units units() {
        return new Units(length, angular.unit);
    }

    /** A small angle in radians, written in seconds or milligon. */
    double small(Map<String, String> of, String label) {
        return plain(of, label) * angular.unit.small();
    }

    private static FaultyFile fault(String place, String value, String expected) {
        return new FaultyFile(List.of(new Fault(place, value, expected)));
    }

    private static LengthUnit length(String unit) throws FaultyFile {
        return switch (unit) {
            case "meter" -> LengthUnit.METRE;
            case "foot" -> LengthUnit.FOOT;
            case "USSurveyFoot" -> LengthUnit.US_SURVEY_FOOT;
            default -> throw fault("Units/linearUnit", unit, "expected meter, foot or USSurveyFoot");
        };
    }

    private static Angular angular(String unit) throws FaultyFile {
        return switch (unit) {
            case "decimal dd.mm.ss" -> Angular.DMS;
            case "grads" -> Angular.GON;
            case "decimal degrees" -> Angular.DEG;
            case "radians", "" -> Angular.RADIANS;
            default ->
                throw fault(
                        "Units/angularUnit",
                        unit,
                        "expected \"decimal dd.mm.ss\", \"decimal degrees\", \"grads\" or \"radians\"");
        };
    }

    /** Two or three lengths in metres; empty where there is something else. */
    Optional<double[]> numbers(Element point) {
        String[] parts = point.getTextContent().strip().split("\\s+");
        if (parts.length < 2 || parts.length > 3) {
            return Optional.empty();
        }
        double[] numbers = new double[parts.length];
        for (int i = 0; i < parts.length; i++) {
            OptionalDouble value = number(parts[i]);
            if (value.isEmpty() || Math.abs(value.getAsDouble()) * length.metres() > Mark.Coordinates.FARTHEST) {
                return Optional.empty();
            }
            numbers[i] = value.getAsDouble() * length.metres();
        }
        return Optional.of(numbers);
    }

    private static OptionalDouble number(String text) {
        if (!text.matches("[+-]?(\\d{1,15}(\\.\\d{0,20})?|\\.\\d{1,20})([eE][+-]?\\d{1,2})?")) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(Double.parseDouble(text));
    }

    static Map<String, String> properties(Element of) {
        Map<String, String> properties = new HashMap<>();
        for (Element feature : SecureXml.children(of, "Feature")) {
            if (feature.getAttribute("code").equals(LandXmlText.FEATURE)) {
                SecureXml.children(feature, "Property")
                        .forEach(p -> properties.put(p.getAttribute("label"), p.getAttribute("value")));
            }
        }
        return properties;
    }

    double plain(Map<String, String> of, String label) {
        String text = of.getOrDefault(label, "0");
        OptionalDouble value = number(text);
        if (value.isEmpty() || Math.abs(value.getAsDouble()) > Mark.Coordinates.FARTHEST) {
            faults.add(new Fault("property " + label, text, "expected a number"));
        }
        return value.orElse(0);
    }

    /** A number within a range, in the unit of the property. */
    double within(Map<String, String> of, String label, double least, double most) {
        double value = plain(of, label);
        if (!(value >= least && value <= most)) {
            faults.add(new Fault(
                    "property " + label,
                    of.getOrDefault(label, ""),
                    "expected a number from " + least + " to " + most));
        }
        return value;
    }

    double lengthOf(Map<String, String> of, String label) {
        return plain(of, label) * length.metres();
    }

    static Optional<Instant> instant(String text) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(OffsetDateTime.parse(text).toInstant());
        } catch (DateTimeParseException withoutZone) {
            // A time without its zone is no instant; the reading stands without one.
            return Optional.empty();
        }
    }

    OptionalDouble attribute(Element of, String name, String place) {
        String text = of.getAttribute(name).strip();
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        OptionalDouble value = number(text);
        if (value.isEmpty() || Math.abs(value.getAsDouble()) > Mark.Coordinates.FARTHEST) {
            faults.add(new Fault(place + ", " + name, text, "expected a number"));
            return OptionalDouble.empty();
        }
        return value;
    }

    /** An angle in the job's unit; empty where there is none, or no angle: that is a fault. */
    Optional<Circle> circle(Element of, String name, String place) {
        String text = of.getAttribute(name).strip();
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            String written = written(text);
            return Optional.of(new Circle(angular.unit.read(written), written));
        } catch (IllegalArgumentException wrong) {
            faults.add(new Fault(place + ", " + name, text, wrong.getMessage()));
            return Optional.empty();
        }
    }

    /** An angle as a property writes it. */
    Circle circle(String written) {
        return new Circle(angular.unit.read(written), written);
    }

    /** An angle as a job writes it. */
    private String written(String text) {
        OptionalDouble value = number(text);
        if (value.isEmpty() || value.getAsDouble() < 0 || text.length() > 30) {
            throw new IllegalArgumentException("expected an angle that is not negative");
        }
        return switch (angular) {
            case GON, DEG -> text.startsWith("+") ? text.substring(1) : text;
            case RADIANS -> AngleUnit.DMS.write(value.getAsDouble(), 4);
            case DMS -> parted(text);
        };
    }

    /** {@code 123.04056} as {@code 123-04-05.6}. */
    private static String parted(String text) {
        String[] parts = text.split("\\.");
        String behind = parts.length > 1 ? parts[1] : "";
        String padded = behind.length() < 4 ? (behind + "0000").substring(0, 4) : behind;
        String rest = padded.substring(4);
        return parts[0] + "-" + padded.substring(0, 2) + "-" + padded.substring(2, 4)
                + (rest.isEmpty() ? "" : "." + rest);
    }
}
