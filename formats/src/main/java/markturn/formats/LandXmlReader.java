package markturn.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.wire.Fault;
import markturn.fieldbook.wire.JobNames;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import org.w3c.dom.Element;

/**
 * LandXML 1.2 taken in: its points, or a whole job with setups and raw observations. Nothing outside the file is ever fetched; a document
 * type is refused. Elements are known by their local names, those of the published schema, from memory.
 */
public final class LandXmlReader {
    private final Element root;
    private final List<Fault> faults = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();
    private final LandXmlValues values;

    /** A job as the file brings it, and what was assumed. */
    public record Brought(Job job, List<String> remarks) {}

    private LandXmlReader(Element root) throws FaultyFile {
        this.root = root;
        this.values = new LandXmlValues(root, faults);
    }

    /** Whether a file begins as XML does. */
    public static boolean isXml(byte[] file) {
        return SecureXml.firstSign(file) == '<';
    }

    /**
     * Reads the points.
     *
     * @throws FaultyFile where it is no LandXML
     */
    public static ImportedPoints points(byte[] file) throws FaultyFile {
        LandXmlReader reader = new LandXmlReader(SecureXml.root(file, "LandXML"));
        ImportedPoints.Growing growing = new ImportedPoints.Growing();
        reader.cgPoints().forEach((name, point) -> {
            Optional<double[]> at = reader.values.numbers(point);
            if (at.isEmpty()) {
                growing.fault(
                        "point " + name, point.getTextContent(), "expected northing, easting and perhaps elevation");
                return;
            }
            double[] place = at.get();
            growing.add(new ImportedPoint(
                    name,
                    place[0],
                    place[1],
                    place.length > 2 ? OptionalDouble.of(place[2]) : OptionalDouble.empty(),
                    point.getAttribute("code").strip(),
                    "point " + name));
        });
        reader.faults.forEach(f -> growing.fault(f.path(), f.value(), f.expected()));
        growing.remark("Lengths are in " + reader.values.length().key() + ", as the file says.");
        return growing.done();
    }

    /**
     * Reads a job.
     *
     * @throws FaultyFile where it is no LandXML, or its setups cannot make a job; every fault is named
     */
    public static Brought job(byte[] file) throws FaultyFile {
        LandXmlReader reader = new LandXmlReader(SecureXml.root(file, "LandXML"));
        Job job = reader.read();
        if (reader.faults.isEmpty()) {
            JobNames.check(job, reader.faults);
        }
        if (!reader.faults.isEmpty()) {
            throw new FaultyFile(reader.faults.subList(0, Math.min(reader.faults.size(), ImportedPoints.MOST_FAULTS)));
        }
        return new Brought(job, reader.remarks);
    }

    /** Points by name, those of every list of the file. */
    private Map<String, Element> cgPoints() {
        Map<String, Element> points = new LinkedHashMap<>();
        for (Element list : SecureXml.children(root, "CgPoints")) {
            for (Element point : SecureXml.children(list, "CgPoint")) {
                String name = point.getAttribute("name").strip();
                if (name.isEmpty()) {
                    faults.add(new Fault("CgPoint", point.getTextContent().strip(), "expected a name"));
                } else if (points.putIfAbsent(name, point) != null) {
                    faults.add(new Fault("point " + name, "", "is used twice: expected another name"));
                }
            }
        }
        return points;
    }

    private Job read() {
        Map<String, Element> points = cgPoints();
        Element survey = SecureXml.first(root, "Survey").orElse(null);
        if (survey == null) {
            faults.add(new Fault("LandXML", "", "has no Survey: bring its points into a job instead"));
            return empty("");
        }
        LandXmlEquipment equipment = new LandXmlEquipment(survey, values, remarks);
        List<Setup> setups = new ArrayList<>();
        for (Element setup : SecureXml.children(survey, "InstrumentSetup")) {
            setup(setup, equipment).ifPresent(setups::add);
        }
        List<Setup> occupied = setups.stream().filter(s -> !s.isFree()).toList();
        boolean planOnly = !occupied.isEmpty()
                && occupied.stream().allMatch(s -> s.instrumentHeight().isEmpty());
        if (planOnly) {
            remarks.add("No setup has an instrument height: the job is taken as plan only.");
        }
        Job opened = empty(SecureXml.first(root, "Project")
                .map(p -> p.getAttribute("name"))
                .orElse("")
                .strip());
        Map<String, String> settings = SecureXml.first(survey, "SurveyHeader")
                .map(LandXmlValues::properties)
                .orElse(Map.of());
        return equipment.in(LandXmlLimits.with(opened, settings, values, remarks)
                .withPlanOnly(planOnly)
                .withMarks(marks(points, setups))
                .withSetups(setups));
    }

    private Job empty(String name) {
        return Job.opened(name, "", values.units(), ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), false, Earth.USUAL);
    }

    private Optional<Setup> setup(Element of, LandXmlEquipment equipment) {
        String id = of.getAttribute("id");
        String name = of.getAttribute("stationName").isBlank()
                ? id
                : of.getAttribute("stationName").strip();
        String place = "setup " + name;
        Map<String, String> own = LandXmlValues.properties(of);
        String station = SecureXml.first(of, "InstrumentPoint")
                .map(LandXmlReader::pointName)
                .orElse("");
        if (name.isEmpty() || station.isEmpty()) {
            faults.add(new Fault(place, "", "expected an id and an InstrumentPoint with pntRef"));
            return Optional.empty();
        }
        boolean free = "resection".equals(own.get("method"));
        List<Reading> readings = new ArrayList<>();
        for (Element raw : SecureXml.children(of, "RawObservation")) {
            reading(raw, place, readings.size()).ifPresent(readings::add);
        }
        String instrument = equipment.instrument(of.getAttribute("instrumentDetailsID"));
        OptionalDouble height = values.attribute(of, "instrumentHeight", place);
        return orientation(of, own, free, readings, place)
                .map(by -> new Setup(
                        name,
                        station,
                        free ? Setup.Method.RESECTION : Setup.Method.OCCUPIED,
                        instrument,
                        height.isPresent() && height.getAsDouble() > 0
                                ? Optional.of(MeasuredHeight.toAxis(
                                        height.getAsDouble() * values.length().metres()))
                                : Optional.empty(),
                        Optional.empty(),
                        LandXmlLimits.air(own, values),
                        by,
                        readings));
    }

    private static String pointName(Element point) {
        return (point.hasAttribute("pntRef") ? point.getAttribute("pntRef") : point.getAttribute("name")).strip();
    }

    private Optional<Setup.Orientation> orientation(
            Element of, Map<String, String> own, boolean free, List<Reading> readings, String place) {
        if (free) {
            return Optional.of(new Setup.ByResection(LandXmlLimits.leaveOut(own), false));
        }
        List<String> sights = SecureXml.children(of, "Backsight").stream()
                .flatMap(b -> SecureXml.first(b, "BacksightPoint").stream())
                .map(LandXmlReader::pointName)
                .filter(sight -> !sight.isEmpty())
                .distinct()
                .toList();
        if (sights.isEmpty()) {
            sights = readings.stream()
                    .filter(r -> r.role() == Reading.Role.BACKSIGHT)
                    .map(Reading::target)
                    .distinct()
                    .toList();
        }
        if (sights.isEmpty()) {
            faults.add(new Fault(place, "", "has no backsight: expected a Backsight with its BacksightPoint"));
            return Optional.empty();
        }
        if (own.containsKey("azimuth") && sights.size() == 1) {
            try {
                return Optional.of(new Setup.ByAzimuth(values.circle(own.get("azimuth")), sights.get(0)));
            } catch (IllegalArgumentException wrong) {
                faults.add(new Fault(place + ", azimuth", own.get("azimuth"), wrong.getMessage()));
                return Optional.empty();
            }
        }
        return Optional.of(new Setup.BySights(sights, LandXmlLimits.leaveOut(own)));
    }

    private Optional<Reading> reading(Element raw, String setup, int number) {
        String place = "%s, observation %d".formatted(setup, number + 1);
        String target = SecureXml.first(raw, "TargetPoint")
                .map(LandXmlReader::pointName)
                .orElse("");
        Optional<Circle> circle = values.circle(raw, "horizAngle", place);
        if (target.isEmpty() || circle.isEmpty()) {
            faults.add(new Fault(place, target, "expected a TargetPoint and a horizAngle"));
            return Optional.empty();
        }
        Map<String, String> own = LandXmlValues.properties(raw);
        OptionalDouble slope = values.attribute(raw, "slopeDistance", place);
        OptionalDouble height = values.attribute(raw, "targetHeight", place);
        String reflector = own.getOrDefault("reflector", "reflector");
        boolean offset = own.containsKey("along") || own.containsKey("across") || own.containsKey("up");
        boolean applied = own.containsKey("appliedConstant") || own.containsKey("appliedPpm");
        return Optional.of(new Reading(
                target,
                role(raw.getAttribute("purpose")),
                own.getOrDefault("set", "").matches("[1-9]\\d?")
                        ? OptionalInt.of(Integer.parseInt(own.get("set")))
                        : OptionalInt.empty(),
                raw.getAttribute("directFace").equals("false") ? Reading.Face.RIGHT : Reading.Face.LEFT,
                circle.get(),
                values.circle(raw, "zenithAngle", place),
                slope.isPresent() && slope.getAsDouble() > 0
                        ? OptionalDouble.of(
                                slope.getAsDouble() * values.length().metres())
                        : OptionalDouble.empty(),
                List.of(),
                reflector,
                height.isPresent() && (height.getAsDouble() != 0 || reflector.equals(Reflector.REFLECTORLESS))
                        ? Optional.of(MeasuredHeight.toAxis(
                                height.getAsDouble() * values.length().metres()))
                        : Optional.empty(),
                LandXmlValues.instant(raw.getAttribute("timeStamp")),
                own.getOrDefault("origin", "").equals("simulated")
                        ? Reading.Origin.SIMULATED
                        : Reading.Origin.INSTRUMENT,
                applied
                        ? Optional.of(new Reading.Applied(
                                own.containsKey("appliedConstant")
                                        ? OptionalDouble.of(values.lengthOf(own, "appliedConstant"))
                                        : OptionalDouble.empty(),
                                own.containsKey("appliedPpm")
                                        ? OptionalDouble.of(values.plain(own, "appliedPpm"))
                                        : OptionalDouble.empty()))
                        : Optional.empty(),
                offset
                        ? Optional.of(new Reading.Offset(
                                values.lengthOf(own, "along"),
                                values.lengthOf(own, "across"),
                                values.lengthOf(own, "up")))
                        : Optional.empty(),
                Optional.empty()));
    }

    private static Reading.Role role(String purpose) {
        return switch (purpose) {
            case "backsight", "resection" -> Reading.Role.BACKSIGHT;
            case "foresight", "traverse" -> Reading.Role.FORESIGHT;
            case "check" -> Reading.Role.CHECK;
            default -> Reading.Role.DETAIL;
        };
    }

    /** The marks: what the file calls control is given; what it observed is computed; the rest keeps the coordinates it has. */
    private List<Mark> marks(Map<String, Element> points, List<Setup> setups) {
        Map<String, Reading.Role> sighted = new LinkedHashMap<>();
        setups.forEach(s -> s.readings()
                .forEach(r -> sighted.merge(
                        r.target(),
                        r.role(),
                        (a, b) -> a == Reading.Role.FORESIGHT ? a : b == Reading.Role.FORESIGHT ? b : a)));
        Set<String> fixedHere =
                setups.stream().filter(Setup::isFree).map(Setup::station).collect(Collectors.toSet());
        Map<String, Mark> marks = new LinkedHashMap<>();
        points.forEach((name, point) -> {
            Optional<double[]> at = values.numbers(point);
            if (at.isEmpty()) {
                faults.add(new Fault(
                        "point " + name,
                        point.getTextContent().strip(),
                        "expected northing, easting and perhaps elevation"));
                return;
            }
            marks.put(name, mark(name, point, at.get(), sighted.containsKey(name) || fixedHere.contains(name)));
        });
        sighted.forEach((name, role) -> marks.computeIfAbsent(
                name, n -> Mark.named(n, role == Reading.Role.DETAIL ? Mark.Kind.LOCATED : Mark.Kind.NEW)));
        setups.forEach(s -> marks.computeIfAbsent(s.station(), n -> Mark.named(n, Mark.Kind.NEW)));
        return List.copyOf(marks.values());
    }

    private Mark mark(String name, Element point, double[] at, boolean observed) {
        String purpose = point.getAttribute("pntSurv");
        OptionalDouble up = at.length > 2 ? OptionalDouble.of(at[2]) : OptionalDouble.empty();
        Mark given = Mark.control(name, at[0], at[1], up, "LandXML");
        if (Set.of("control", "monument", "reference").contains(purpose)) {
            return given.withCode(point.getAttribute("code").strip())
                    .withStdDev(LandXmlLimits.stdDev(LandXmlValues.properties(point), values));
        }
        Mark.Kind kind = purpose.equals("traverse") ? Mark.Kind.NEW : Mark.Kind.LOCATED;
        Mark plain = Mark.named(name, kind).withCode(point.getAttribute("code").strip());
        return observed ? plain : plain.withGiven(given.given().orElseThrow(), "LandXML");
    }
}
