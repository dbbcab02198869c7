package markturn.formats;

import java.io.StringWriter;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Circle;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.PlainText;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.locate.CodeLines;
import markturn.survey.reduce.Heights;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;

/**
 * A job as LandXML 1.2: points, lines by code, setups with their standing raw readings, and the reduced observations. What the format has
 * no word for (roles, sets, reflectors, what the instrument can do) stands in {@code Feature} properties, which other readers pass over.
 * The names of elements and attributes are those of the published schema, from memory.
 */
public final class LandXmlFile {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "landxml",
            "landxml.xml",
            "application/xml",
            "Points, setups and observations",
            "LandXML 1.2: raw readings that stand, and what they reduce to.",
            (result, scale) -> Optional.of(write(result)));

    static final String NAMESPACE = "http://www.landxml.org/schema/LandXML-1.2";
    /** The code of the features that hold what the format has no word for. */
    static final String FEATURE = "mark-turn";

    private static final int PLACES = 4;
    private static final int ANGLE_PLACES = 9;

    private final SurveyResult result;
    private final Job job;
    private final XMLStreamWriter xml;
    private final Map<String, String> ids = new HashMap<>();

    private LandXmlFile(SurveyResult result, XMLStreamWriter xml) {
        this.result = result;
        this.job = result.job();
        this.xml = xml;
    }

    /** Writes a computed job. Struck-out readings stay in the job file and the report: a reader of this format would count them. */
    public static byte[] write(SurveyResult result) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
            new LandXmlFile(result, xml).document();
            xml.close();
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException("a text that cannot be written as XML", impossible);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private void document() throws XMLStreamException {
        xml.writeStartDocument("UTF-8", "1.0");
        line();
        xml.writeComment(" " + Cautions.EXPORT + (job.isPractice() ? " PRACTICE: simulated readings." : "") + " ");
        line();
        List<String> left = LandXmlLimits.leftBehind(job);
        if (!left.isEmpty()) {
            xml.writeComment(" Left behind, as this format has no place for it: "
                    + String.join("; ", left).replace("--", "- -") + ". ");
            line();
        }
        xml.writeStartElement("LandXML");
        xml.writeDefaultNamespace(NAMESPACE);
        Instant first = job.setups().stream()
                .flatMap(s -> s.readings().stream())
                .flatMap(r -> r.at().stream())
                .findFirst()
                .orElse(Instant.EPOCH);
        attributes(
                "version",
                "1.2",
                "date",
                first.toString().substring(0, 10),
                "time",
                first.toString().substring(11, 19));
        units();
        open("Project", "name", job.name(), "desc", job.isPractice() ? "PRACTICE" : "");
        close();
        open("Application", "name", "Mark Turn", "version", Version.current());
        close();
        points();
        lines();
        survey();
        close();
        xml.writeEndDocument();
    }

    private void units() throws XMLStreamException {
        open("Units");
        boolean metric = job.units().length() == LengthUnit.METRE;
        String unit = metric ? "meter" : job.units().length() == LengthUnit.FOOT ? "foot" : "USSurveyFoot";
        open(
                metric ? "Metric" : "Imperial",
                "linearUnit",
                unit,
                "areaUnit",
                metric ? "squareMeter" : "squareFoot",
                "volumeUnit",
                metric ? "cubicMeter" : "cubicFeet",
                "temperatureUnit",
                metric ? "celsius" : "fahrenheit",
                "pressureUnit",
                metric ? "milliBars" : "inchHG",
                "angularUnit",
                angularUnit(),
                "directionUnit",
                angularUnit());
        close();
        close();
    }

    private String angularUnit() {
        return switch (job.units().angle()) {
            case DMS -> "decimal dd.mm.ss";
            case GON -> "grads";
            case DEG -> "decimal degrees";
        };
    }

    private void points() throws XMLStreamException {
        open("CgPoints");
        for (MeasuredMark mark : result.measured().marks()) {
            if (mark.position().isPresent()) {
                open(
                        "CgPoint",
                        "name",
                        mark.name(),
                        "code",
                        mark.mark().code(),
                        "pntSurv",
                        switch (mark.mark().kind()) {
                            case CONTROL -> "control";
                            case NEW -> "traverse";
                            case LOCATED -> "sideshot";
                        });
                place(mark.position().get());
                String[] deviations = LandXmlLimits.settings(mark.mark(), unit());
                if (deviations.length > 0) {
                    properties(deviations);
                }
                close();
            }
        }
        close();
    }

    private void lines() throws XMLStreamException {
        List<CodeLine> lines = CodeLines.of(result.measured()).stream()
                .filter(line -> line.points().size() > 1)
                .toList();
        if (lines.isEmpty()) {
            return;
        }
        open("PlanFeatures", "name", "lines by code");
        for (int n = 0; n < lines.size(); n++) {
            CodeLine line = lines.get(n);
            open("PlanFeature", "name", line.code() + " " + line.number() + "/" + (n + 1));
            open("CoordGeom");
            int sides = line.closed() ? line.points().size() : line.points().size() - 1;
            for (int i = 0; i < sides; i++) {
                open("Line");
                open("Start", "pntRef", line.points().get(i).name());
                close();
                open(
                        "End",
                        "pntRef",
                        line.points().get((i + 1) % line.points().size()).name());
                close();
                close();
            }
            close();
            close();
        }
        close();
    }

    private void survey() throws XMLStreamException {
        open("Survey");
        open("SurveyHeader", "name", job.name());
        properties(LandXmlLimits.settings(job));
        close();
        open("Equipment");
        for (Instrument instrument : job.instruments()) {
            open("InstrumentDetails", "id", id("instrument", instrument.name()), "name", instrument.name());
            properties(
                    "directionStdDev", small(instrument.directionStdDev()),
                    "zenithStdDev", small(instrument.zenithStdDev()),
                    "distanceStdDev", exact(instrument.distanceStdDev() / unit()),
                    "distancePpm", exact(instrument.distancePpm()),
                    "centringStdDev", exact(instrument.centringStdDev() / unit()),
                    "heightStdDev", exact(instrument.heightStdDev() / unit()));
            close();
        }
        for (Reflector reflector : job.reflectors()) {
            if (!reflector.isReflectorless()) {
                open("InstrumentDetails", "id", id("reflector", reflector.name()), "name", reflector.name());
                properties(
                        "reflector", reflector.name(),
                        "constant", exact(reflector.constant() / unit()),
                        "centringStdDev", exact(reflector.centringStdDev() / unit()),
                        "heightStdDev", exact(reflector.heightStdDev() / unit()));
                close();
            }
        }
        close();
        for (MeasuredSetup setup : result.measured().setups()) {
            setup(setup);
        }
        close();
    }

    private double unit() {
        return job.units().length().metres();
    }

    private void setup(MeasuredSetup measured) throws XMLStreamException {
        Setup setup = measured.setup();
        String id = id("setup", setup.name());
        open(
                "InstrumentSetup",
                "id",
                id,
                "instrumentDetailsID",
                id("instrument", setup.instrument()),
                "stationName",
                setup.name(),
                "instrumentHeight",
                Heights.ofInstrument(job, setup).isPresent()
                        ? number(Heights.ofInstrument(job, setup).getAsDouble() / unit())
                        : "0",
                "orientationAzimuth",
                angle(measured.orientation()));
        open("InstrumentPoint", "pntRef", setup.station());
        close();
        if (!setup.isFree()) {
            for (String sight : setup.orientation().sights()) {
                open("Backsight", "id", id("backsight", setup.name() + "/" + sight));
                open("BacksightPoint", "pntRef", sight);
                close();
                close();
            }
        }
        for (Reading reading : setup.readings()) {
            if (reading.stands()) {
                raw(id, setup, reading);
            }
        }
        for (Shot shot : measured.shots()) {
            reduced(id, measured, shot);
        }
        properties(with(
                LandXmlLimits.settings(setup),
                "method",
                setup.isFree() ? "resection" : "occupied",
                "azimuth",
                setup.orientation() instanceof Setup.ByAzimuth given
                        ? given.azimuth().written()
                        : ""));
        close();
    }

    private void raw(String setupId, Setup setup, Reading reading) throws XMLStreamException {
        open(
                "RawObservation",
                "setupID",
                setupId,
                "purpose",
                switch (reading.role()) {
                    case BACKSIGHT -> setup.isFree() ? "resection" : "backsight";
                    case FORESIGHT -> "foresight";
                    case DETAIL -> "sideshot";
                    case CHECK -> "check";
                },
                "targetHeight",
                Heights.ofTarget(job, reading).isPresent()
                        ? number(Heights.ofTarget(job, reading).getAsDouble() / unit())
                        : "0",
                "horizAngle",
                written(reading.circle()),
                "zenithAngle",
                reading.zenith().map(this::written).orElse(""),
                "slopeDistance",
                reading.slope().isPresent() ? exact(reading.slope().getAsDouble() / unit()) : "",
                "directFace",
                String.valueOf(reading.face() == Reading.Face.LEFT),
                "timeStamp",
                reading.at().map(Instant::toString).orElse(""));
        open("TargetPoint", "pntRef", reading.target());
        close();
        Optional<Reading.Applied> applied = reading.applied();
        Optional<Reading.Offset> offset = reading.offset();
        properties(
                "reflector", reading.reflector(),
                "set", reading.set().isPresent() ? "" + reading.set().getAsInt() : "",
                "appliedConstant",
                        applied.isPresent() && applied.get().constant().isPresent()
                                ? exact(applied.get().constant().getAsDouble() / unit())
                                : "",
                "appliedPpm",
                        applied.isPresent() && applied.get().ppm().isPresent()
                                ? exact(applied.get().ppm().getAsDouble())
                                : "",
                "origin", JobReader.key(reading.origin()),
                "along", offset.map(o -> exact(o.along() / unit())).orElse(""),
                "across", offset.map(o -> exact(o.across() / unit())).orElse(""),
                "up", offset.map(o -> exact(o.up() / unit())).orElse(""));
        close();
    }

    private void reduced(String setupId, MeasuredSetup setup, Shot shot) throws XMLStreamException {
        if (shot.direction().isEmpty() || setup.orientation().isEmpty()) {
            return;
        }
        open(
                "ReducedObservation",
                "setupID",
                setupId,
                "azimuth",
                angle(OptionalDouble.of(
                        setup.orientation().getAsDouble() + shot.direction().getAsDouble())),
                "horizDistance",
                shot.horizontal().isPresent() ? number(shot.horizontal().getAsDouble() / unit()) : "",
                "vertDistance",
                shot.rise().isPresent() ? number(shot.rise().getAsDouble() / unit()) : "");
        open("TargetPoint", "pntRef", shot.fix().target());
        close();
        close();
    }

    private static String[] with(String[] some, String... more) {
        String[] all = Arrays.copyOf(more, more.length + some.length);
        System.arraycopy(some, 0, all, more.length, some.length);
        return all;
    }

    /** What the format has no word for; empty values are left out. */
    private void properties(String... labelsAndValues) throws XMLStreamException {
        open("Feature", "code", FEATURE);
        for (int i = 0; i < labelsAndValues.length; i += 2) {
            if (!labelsAndValues[i + 1].isEmpty()) {
                open("Property", "label", labelsAndValues[i], "value", labelsAndValues[i + 1]);
                close();
            }
        }
        close();
    }

    private void place(Position at) throws XMLStreamException {
        xml.writeCharacters(number(at.northing() / unit()) + " " + number(at.easting() / unit())
                + (at.elevation().isPresent() ? " " + number(at.elevation().getAsDouble() / unit()) : ""));
    }

    /** An identifier that XML allows, the same for the same thing, with another for each. */
    private String id(String kind, String name) {
        return ids.computeIfAbsent(
                kind + " " + name,
                key -> kind + "-" + (ids.size() + 1) + "-" + name.replaceAll("[^A-Za-z0-9_.-]", "_"));
    }

    private String small(double radians) {
        return exact(radians / job.units().angle().small());
    }

    /** A circle as it was booked; degrees, minutes and seconds run together behind the point. */
    private String written(Circle circle) {
        return job.units().angle() == AngleUnit.DMS ? runTogether(circle.written()) : circle.written();
    }

    private String angle(OptionalDouble radians) {
        if (radians.isEmpty()) {
            return "";
        }
        return job.units().angle() == AngleUnit.DMS
                ? runTogether(AngleUnit.DMS.write(radians.getAsDouble(), PLACES))
                : job.units().angle().write(radians.getAsDouble(), ANGLE_PLACES);
    }

    /** {@code 123-04-05.6} as {@code 123.04056}. */
    private static String runTogether(String dms) {
        String[] parts = dms.split("-");
        String minutes = parts[1].length() < 2 ? "0" + parts[1] : parts[1];
        String[] seconds = parts[2].split("\\.");
        String whole = seconds[0].length() < 2 ? "0" + seconds[0] : seconds[0];
        return parts[0] + "." + minutes + whole + (seconds.length > 1 ? seconds[1] : "");
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value)
                .setScale(PLACES, RoundingMode.HALF_EVEN)
                .toPlainString();
    }

    private static String exact(double value) {
        return new BigDecimal(value)
                .round(new java.math.MathContext(15))
                .stripTrailingZeros()
                .toPlainString();
    }

    private void open(String element, String... namesAndValues) throws XMLStreamException {
        line();
        xml.writeStartElement(element);
        attributes(namesAndValues);
    }

    private void attributes(String... namesAndValues) throws XMLStreamException {
        for (int i = 0; i < namesAndValues.length; i += 2) {
            if (!namesAndValues[i + 1].isEmpty()) {
                xml.writeAttribute(namesAndValues[i], printable(namesAndValues[i + 1]));
            }
        }
    }

    /** XML 1.0 knows no control characters. */
    private static String printable(String text) {
        return PlainText.cleaned(text).replaceAll("[\\t\\n\\r]", " ");
    }

    private void close() throws XMLStreamException {
        xml.writeEndElement();
    }

    private void line() throws XMLStreamException {
        xml.writeCharacters("\n");
    }
}
