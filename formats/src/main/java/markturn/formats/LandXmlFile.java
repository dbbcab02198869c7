package markturn.formats;

import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.locate.CodeLines;
import markturn.survey.reduce.Heights;
import markturn.survey.result.CodeLine;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
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

    private final SurveyResult result;
    private final Job job;
    private final LandXmlText xml;

    private LandXmlFile(SurveyResult result, XMLStreamWriter xml) {
        this.result = result;
        this.job = result.job();
        this.xml = new LandXmlText(job.units(), xml);
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
        xml.begin();
        xml.comment(Cautions.EXPORT + (job.isPractice() ? " PRACTICE: simulated readings." : ""));
        List<String> left = LandXmlLimits.leftBehind(job);
        if (!left.isEmpty()) {
            xml.comment("Left behind, as this format has no place for it: " + String.join("; ", left) + ".");
        }
        xml.root("LandXML");
        Instant first = job.setups().stream()
                .flatMap(s -> s.readings().stream())
                .flatMap(r -> r.at().stream())
                .findFirst()
                .orElse(Instant.EPOCH);
        xml.attributes(
                "version",
                "1.2",
                "date",
                first.toString().substring(0, 10),
                "time",
                first.toString().substring(11, 19));
        units();
        xml.open("Project", "name", job.name(), "desc", job.isPractice() ? "PRACTICE" : "");
        xml.close();
        xml.open("Application", "name", "Mark Turn", "version", Version.current());
        xml.close();
        points();
        lines();
        survey();
        xml.close();
    }

    private void units() throws XMLStreamException {
        xml.open("Units");
        boolean metric = job.units().length() == LengthUnit.METRE;
        String unit = metric ? "meter" : job.units().length() == LengthUnit.FOOT ? "foot" : "USSurveyFoot";
        xml.open(
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
        xml.close();
        xml.close();
    }

    private String angularUnit() {
        return switch (job.units().angle()) {
            case DMS -> "decimal dd.mm.ss";
            case GON -> "grads";
            case DEG -> "decimal degrees";
        };
    }

    private void points() throws XMLStreamException {
        xml.open("CgPoints");
        for (MeasuredMark mark : result.measured().marks()) {
            if (mark.position().isPresent()) {
                xml.open(
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
                xml.place(mark.position().get());
                String[] deviations = LandXmlLimits.settings(mark.mark(), unit());
                if (deviations.length > 0) {
                    xml.properties(deviations);
                }
                xml.close();
            }
        }
        xml.close();
    }

    private void lines() throws XMLStreamException {
        List<CodeLine> lines = CodeLines.of(result.measured()).stream()
                .filter(line -> line.points().size() > 1)
                .toList();
        if (lines.isEmpty()) {
            return;
        }
        xml.open("PlanFeatures", "name", "lines by code");
        for (int n = 0; n < lines.size(); n++) {
            CodeLine line = lines.get(n);
            xml.open("PlanFeature", "name", line.code() + " " + line.number() + "/" + (n + 1));
            xml.open("CoordGeom");
            int sides = line.closed() ? line.points().size() : line.points().size() - 1;
            for (int i = 0; i < sides; i++) {
                xml.open("Line");
                xml.open("Start", "pntRef", line.points().get(i).name());
                xml.close();
                xml.open(
                        "End",
                        "pntRef",
                        line.points().get((i + 1) % line.points().size()).name());
                xml.close();
                xml.close();
            }
            xml.close();
            xml.close();
        }
        xml.close();
    }

    private void survey() throws XMLStreamException {
        xml.open("Survey");
        xml.open("SurveyHeader", "name", job.name());
        xml.properties(LandXmlLimits.settings(job));
        xml.close();
        xml.open("Equipment");
        for (Instrument instrument : job.instruments()) {
            xml.open("InstrumentDetails", "id", xml.id("instrument", instrument.name()), "name", instrument.name());
            xml.properties(
                    "directionStdDev", xml.small(instrument.directionStdDev()),
                    "zenithStdDev", xml.small(instrument.zenithStdDev()),
                    "distanceStdDev", LandXmlText.exact(instrument.distanceStdDev() / unit()),
                    "distancePpm", LandXmlText.exact(instrument.distancePpm()),
                    "centringStdDev", LandXmlText.exact(instrument.centringStdDev() / unit()),
                    "heightStdDev", LandXmlText.exact(instrument.heightStdDev() / unit()));
            xml.close();
        }
        for (Reflector reflector : job.reflectors()) {
            if (!reflector.isReflectorless()) {
                xml.open("InstrumentDetails", "id", xml.id("reflector", reflector.name()), "name", reflector.name());
                xml.properties(
                        "reflector", reflector.name(),
                        "constant", LandXmlText.exact(reflector.constant() / unit()),
                        "centringStdDev", LandXmlText.exact(reflector.centringStdDev() / unit()),
                        "heightStdDev", LandXmlText.exact(reflector.heightStdDev() / unit()));
                xml.close();
            }
        }
        xml.close();
        for (MeasuredSetup setup : result.measured().setups()) {
            setup(setup);
        }
        xml.close();
    }

    private double unit() {
        return job.units().length().metres();
    }

    private void setup(MeasuredSetup measured) throws XMLStreamException {
        Setup setup = measured.setup();
        String id = xml.id("setup", setup.name());
        xml.open(
                "InstrumentSetup",
                "id",
                id,
                "instrumentDetailsID",
                xml.id("instrument", setup.instrument()),
                "stationName",
                setup.name(),
                "instrumentHeight",
                Heights.ofInstrument(job, setup).isPresent()
                        ? LandXmlText.number(Heights.ofInstrument(job, setup).getAsDouble() / unit())
                        : "0",
                "orientationAzimuth",
                xml.angle(measured.orientation()));
        xml.open("InstrumentPoint", "pntRef", setup.station());
        xml.close();
        if (!setup.isFree()) {
            for (String sight : setup.orientation().sights()) {
                xml.open("Backsight", "id", xml.id("backsight", setup.name() + "/" + sight));
                xml.open("BacksightPoint", "pntRef", sight);
                xml.close();
                xml.close();
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
        xml.properties(with(
                LandXmlLimits.settings(setup),
                "method",
                setup.isFree() ? "resection" : "occupied",
                "azimuth",
                setup.orientation() instanceof Setup.ByAzimuth given
                        ? given.azimuth().written()
                        : ""));
        xml.close();
    }

    private void raw(String setupId, Setup setup, Reading reading) throws XMLStreamException {
        xml.open(
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
                        ? LandXmlText.number(Heights.ofTarget(job, reading).getAsDouble() / unit())
                        : "0",
                "horizAngle",
                xml.written(reading.circle()),
                "zenithAngle",
                reading.zenith().map(xml::written).orElse(""),
                "slopeDistance",
                reading.slope().isPresent() ? LandXmlText.exact(reading.slope().getAsDouble() / unit()) : "",
                "directFace",
                String.valueOf(reading.face() == Reading.Face.LEFT),
                "timeStamp",
                reading.at().map(Instant::toString).orElse(""));
        xml.open("TargetPoint", "pntRef", reading.target());
        xml.close();
        Optional<Reading.Applied> applied = reading.applied();
        Optional<Reading.Offset> offset = reading.offset();
        xml.properties(
                "reflector", reading.reflector(),
                "set", reading.set().isPresent() ? "" + reading.set().getAsInt() : "",
                "appliedConstant",
                        applied.isPresent() && applied.get().constant().isPresent()
                                ? LandXmlText.exact(applied.get().constant().getAsDouble() / unit())
                                : "",
                "appliedPpm",
                        applied.isPresent() && applied.get().ppm().isPresent()
                                ? LandXmlText.exact(applied.get().ppm().getAsDouble())
                                : "",
                "origin", JobReader.key(reading.origin()),
                "along", offset.map(o -> LandXmlText.exact(o.along() / unit())).orElse(""),
                "across",
                        offset.map(o -> LandXmlText.exact(o.across() / unit())).orElse(""),
                "up", offset.map(o -> LandXmlText.exact(o.up() / unit())).orElse(""));
        xml.close();
    }

    private void reduced(String setupId, MeasuredSetup setup, Shot shot) throws XMLStreamException {
        if (shot.direction().isEmpty() || setup.orientation().isEmpty()) {
            return;
        }
        xml.open(
                "ReducedObservation",
                "setupID",
                setupId,
                "azimuth",
                xml.angle(OptionalDouble.of(
                        setup.orientation().getAsDouble() + shot.direction().getAsDouble())),
                "horizDistance",
                shot.horizontal().isPresent()
                        ? LandXmlText.number(shot.horizontal().getAsDouble() / unit())
                        : "",
                "vertDistance",
                shot.rise().isPresent() ? LandXmlText.number(shot.rise().getAsDouble() / unit()) : "");
        xml.open("TargetPoint", "pntRef", shot.fix().target());
        xml.close();
        xml.close();
    }

    private static String[] with(String[] some, String... more) {
        String[] all = Arrays.copyOf(more, more.length + some.length);
        System.arraycopy(some, 0, all, more.length, some.length);
        return all;
    }
}
