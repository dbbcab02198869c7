package markturn.formats;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Halves;
import markturn.survey.job.Circle;
import markturn.survey.job.PlainText;
import markturn.survey.job.Units;
import markturn.survey.result.Position;

/** Elements, attributes and numbers of a LandXML file, in the units of its job. */
final class LandXmlText {
    static final String NAMESPACE = "http://www.landxml.org/schema/LandXML-1.2";
    /** The code of the features that hold what the format has no word for. */
    static final String FEATURE = "mark-turn";

    static final int PLACES = 4;
    private static final Pattern NO_IDENTIFIER = Pattern.compile("[^A-Za-z0-9_.-]");
    private static final int ANGLE_PLACES = 9;

    private final Units units;
    private final XMLStreamWriter xml;
    private final Map<String, String> ids = new HashMap<>();

    LandXmlText(Units units, XMLStreamWriter xml) {
        this.units = units;
        this.xml = xml;
    }

    void begin() throws XMLStreamException {
        xml.writeStartDocument("UTF-8", "1.0");
        line();
    }

    void comment(String text) throws XMLStreamException {
        xml.writeComment(" " + text.replace("--", "- -") + " ");
        line();
    }

    /** The outermost element. */
    void root(String element) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeDefaultNamespace(NAMESPACE);
    }

    /** What the format has no word for; empty values are left out. */
    void properties(String... labelsAndValues) throws XMLStreamException {
        open("Feature", "code", FEATURE);
        for (int i = 0; i < labelsAndValues.length; i += 2) {
            if (!labelsAndValues[i + 1].isEmpty()) {
                open("Property", "label", labelsAndValues[i], "value", labelsAndValues[i + 1]);
                close();
            }
        }
        close();
    }

    void place(Position at) throws XMLStreamException {
        xml.writeCharacters(number(at.northing() / units.length().metres()) + " "
                + number(at.easting() / units.length().metres())
                + (at.elevation().isPresent()
                        ? " "
                                + number(at.elevation().getAsDouble()
                                        / units.length().metres())
                        : ""));
    }

    /** An identifier that XML allows, the same for the same thing, with another for each. */
    String id(String kind, String name) {
        return ids.computeIfAbsent(
                kind + " " + name,
                key -> kind + "-" + (ids.size() + 1) + "-"
                        + NO_IDENTIFIER.matcher(name).replaceAll("_"));
    }

    String small(double radians) {
        return exact(radians / units.angle().small());
    }

    /** A circle as it was booked; degrees, minutes and seconds run together behind the point. */
    String written(Circle circle) {
        return units.angle() == AngleUnit.DMS ? runTogether(circle.written()) : circle.written();
    }

    String angle(OptionalDouble radians) {
        if (radians.isEmpty()) {
            return "";
        }
        return units.angle() == AngleUnit.DMS
                ? runTogether(AngleUnit.DMS.write(radians.getAsDouble(), PLACES))
                : units.angle().write(radians.getAsDouble(), ANGLE_PLACES);
    }

    /** {@code 123-04-05.6} as {@code 123.04056}. */
    private static String runTogether(String dms) {
        String[] parts = dms.split("-");
        String minutes = parts[1].length() < 2 ? "0" + parts[1] : parts[1];
        String[] seconds = parts[2].split("\\.");
        String whole = seconds[0].length() < 2 ? "0" + seconds[0] : seconds[0];
        return parts[0] + "." + minutes + whole + (seconds.length > 1 ? seconds[1] : "");
    }

    static String number(double value) {
        return Halves.written(value, PLACES);
    }

    static String exact(double value) {
        return BigDecimal.valueOf(value)
                .round(new java.math.MathContext(15))
                .stripTrailingZeros()
                .toPlainString();
    }

    void open(String element, String... namesAndValues) throws XMLStreamException {
        line();
        xml.writeStartElement(element);
        attributes(namesAndValues);
    }

    void attributes(String... namesAndValues) throws XMLStreamException {
        for (int i = 0; i < namesAndValues.length; i += 2) {
            if (!namesAndValues[i + 1].isEmpty()) {
                xml.writeAttribute(namesAndValues[i], printable(namesAndValues[i + 1]));
            }
        }
    }

    /** XML 1.0 knows no control characters. */
    private static String printable(String text) {
        return PlainText.cleaned(text).replace('\t', ' ').replace('\n', ' ').replace('\r', ' ');
    }

    void close() throws XMLStreamException {
        xml.writeEndElement();
    }

    void line() throws XMLStreamException {
        xml.writeCharacters("\n");
    }
}
