package markturn.formats;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Circle;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;
import org.w3c.dom.Element;

/**
 * LandXML 1.2 taken in: its points, or a whole job with setups and raw observations. Nothing outside the file is ever fetched; a document
 * type is refused. Elements are known by their local names, those of the published schema, from memory.
 */
public final class LandXmlReader {
    private static final int ASSUMED_SECONDS = 5;
    private static final double ASSUMED_DISTANCE = 0.003;

    private final Element root;
    private final LengthUnit length;
    private final Angular angular;
    private final List<Fault> faults = new ArrayList<>();
    private final List<String> remarks = new ArrayList<>();

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

    /** A job as the file brings it, and what was assumed. */
    public record Brought(Job job, List<String> remarks) {}

    private LandXmlReader(Element root) throws FaultyFile {
        this.root = root;
        Optional<Element> units = SecureXml.first(root, "Units")
                .flatMap(u -> SecureXml.children(u).stream().findFirst());
        this.length = length(units.map(u -> u.getAttribute("linearUnit")).orElse("meter"));
        this.angular = angular(units.map(u -> u.getAttribute("angularUnit")).orElse(""));
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
            Optional<double[]> at = reader.numbers(point);
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
        growing.remark("Lengths are in " + reader.length.key() + ", as the file says.");
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

    /** Two or three lengths in metres; empty where there is something else. */
    private Optional<double[]> numbers(Element point) {
        String[] parts = point.getTextContent().strip().split("\\s+");
        if (parts.length < 2 || parts.length > 3) {
            return Optional.empty();
        }
        double[] numbers = new double[parts.length];
        for (int i = 0; i < parts.length; i++) {
            OptionalDouble value = number(parts[i]);
            if (value.isEmpty() || Math.abs(value.getAsDouble()) * length.metres() > ImportedPoints.FARTHEST) {
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

    private Job read() {
        Map<String, Element> points = cgPoints();
        Element survey = SecureXml.first(root, "Survey").orElse(null);
        if (survey == null) {
            faults.add(new Fault("LandXML", "", "has no Survey: bring its points into a job instead"));
            return empty();
        }
        Map<String, String> instrumentNames = new HashMap<>();
        List<Instrument> instruments = new ArrayList<>();
        List<Reflector> reflectors = new ArrayList<>();
        for (Element equipment : SecureXml.children(survey, "Equipment")) {
            for (Element details : SecureXml.children(equipment, "InstrumentDetails")) {
                equipment(details, instrumentNames, instruments, reflectors);
            }
        }
        List<Setup> setups = new ArrayList<>();
        for (Element setup : SecureXml.children(survey, "InstrumentSetup")) {
            setup(setup, instrumentNames, instruments).ifPresent(setups::add);
        }
        addUsed(setups, instruments, reflectors);
        List<Setup> occupied = setups.stream().filter(s -> !s.isFree()).toList();
        boolean planOnly = !occupied.isEmpty()
                && occupied.stream().allMatch(s -> s.instrumentHeight().isEmpty());
        if (planOnly) {
            remarks.add("No setup has an instrument height: the job is taken as plan only.");
        }
        return new Job(
                SecureXml.first(root, "Project")
                        .map(p -> p.getAttribute("name"))
                        .orElse("")
                        .strip(),
                "",
                new Units(length, angular.unit),
                ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                planOnly,
                Earth.USUAL,
                instruments,
                reflectors,
                marks(points, setups),
                setups,
                List.of(),
                List.of(),
                List.of());
    }

    private Job empty() {
        return Job.opened(
                "",
                "",
                new Units(length, angular.unit),
                ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                false,
                Earth.USUAL);
    }

    private void equipment(
            Element details, Map<String, String> names, List<Instrument> instruments, List<Reflector> reflectors) {
        Map<String, String> own = properties(details);
        String id = details.getAttribute("id");
        String name = details.getAttribute("name").isBlank()
                ? id
                : details.getAttribute("name").strip();
        if (own.containsKey("reflector")) {
            reflectors.add(new Reflector(
                    own.get("reflector"),
                    lengthOf(own, "constant"),
                    lengthOf(own, "centringStdDev"),
                    lengthOf(own, "heightStdDev"),
                    Optional.empty()));
            return;
        }
        names.put(id, name);
        if (own.containsKey("directionStdDev")) {
            instruments.add(new Instrument(
                    name,
                    plain(own, "directionStdDev") * angular.unit.small(),
                    plain(own, "zenithStdDev") * angular.unit.small(),
                    lengthOf(own, "distanceStdDev"),
                    plain(own, "distancePpm"),
                    lengthOf(own, "centringStdDev"),
                    lengthOf(own, "heightStdDev"),
                    OptionalDouble.empty(),
                    Atmosphere.USUAL_REFERENCE,
                    Optional.empty()));
        } else {
            instruments.add(assumed(name));
        }
    }

    private Instrument assumed(String name) {
        remarks.add("The file does not say how precise %s is: %d\" and %s mm + 2 ppm are assumed."
                .formatted(name, ASSUMED_SECONDS, ASSUMED_DISTANCE * 1000));
        return new Instrument(
                name,
                ASSUMED_SECONDS * Angles.SECOND,
                ASSUMED_SECONDS * Angles.SECOND,
                ASSUMED_DISTANCE,
                2,
                0.001,
                0.002,
                OptionalDouble.empty(),
                Atmosphere.USUAL_REFERENCE,
                Optional.empty());
    }

    /** What setups use without its being described. */
    private void addUsed(List<Setup> setups, List<Instrument> instruments, List<Reflector> reflectors) {
        Set<String> known = instruments.stream().map(Instrument::name).collect(Collectors.toSet());
        setups.stream()
                .map(Setup::instrument)
                .distinct()
                .filter(name -> !known.contains(name))
                .forEach(name -> instruments.add(assumed(name)));
        Set<String> listed = reflectors.stream().map(Reflector::name).collect(Collectors.toSet());
        listed.add(Reflector.REFLECTORLESS);
        setups.stream()
                .flatMap(s -> s.readings().stream())
                .map(Reading::reflector)
                .distinct()
                .filter(name -> !listed.contains(name))
                .forEach(name -> {
                    remarks.add("The file does not say what " + name
                            + "'s constant is: its distances are taken as they stand.");
                    reflectors.add(new Reflector(name, 0, 0.001, 0.001, Optional.empty()));
                });
    }

    private static Map<String, String> properties(Element of) {
        Map<String, String> properties = new HashMap<>();
        for (Element feature : SecureXml.children(of, "Feature")) {
            if (feature.getAttribute("code").equals(LandXmlFile.FEATURE)) {
                SecureXml.children(feature, "Property")
                        .forEach(p -> properties.put(p.getAttribute("label"), p.getAttribute("value")));
            }
        }
        return properties;
    }

    private double plain(Map<String, String> of, String label) {
        String text = of.getOrDefault(label, "0");
        OptionalDouble value = number(text);
        if (value.isEmpty() || Math.abs(value.getAsDouble()) > ImportedPoints.FARTHEST) {
            faults.add(new Fault("property " + label, text, "expected a number"));
        }
        return value.orElse(0);
    }

    private double lengthOf(Map<String, String> of, String label) {
        return plain(of, label) * length.metres();
    }

    private Optional<Setup> setup(Element of, Map<String, String> names, List<Instrument> instruments) {
        String id = of.getAttribute("id");
        String name = of.getAttribute("stationName").isBlank()
                ? id
                : of.getAttribute("stationName").strip();
        String place = "setup " + name;
        Map<String, String> own = properties(of);
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
        String instrument = names.getOrDefault(
                of.getAttribute("instrumentDetailsID"),
                instruments.isEmpty() ? "instrument" : instruments.get(0).name());
        OptionalDouble height = attribute(of, "instrumentHeight", place);
        return orientation(of, own, free, readings, place)
                .map(by -> new Setup(
                        name,
                        station,
                        free ? Setup.Method.RESECTION : Setup.Method.OCCUPIED,
                        instrument,
                        height.isPresent() && height.getAsDouble() > 0
                                ? Optional.of(MeasuredHeight.toAxis(height.getAsDouble() * length.metres()))
                                : Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        by,
                        readings));
    }

    private static String pointName(Element point) {
        return (point.hasAttribute("pntRef") ? point.getAttribute("pntRef") : point.getAttribute("name")).strip();
    }

    private Optional<Setup.Orientation> orientation(
            Element of, Map<String, String> own, boolean free, List<Reading> readings, String place) {
        if (free) {
            return Optional.of(new Setup.ByResection(List.of(), false));
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
                return Optional.of(new Setup.ByAzimuth(
                        new Circle(angular.unit.read(own.get("azimuth")), own.get("azimuth")), sights.get(0)));
            } catch (IllegalArgumentException wrong) {
                faults.add(new Fault(place + ", azimuth", own.get("azimuth"), wrong.getMessage()));
                return Optional.empty();
            }
        }
        return Optional.of(new Setup.BySights(sights));
    }

    private Optional<Reading> reading(Element raw, String setup, int number) {
        String place = "%s, observation %d".formatted(setup, number + 1);
        String target = SecureXml.first(raw, "TargetPoint")
                .map(LandXmlReader::pointName)
                .orElse("");
        Optional<Circle> circle = circle(raw, "horizAngle", place);
        if (target.isEmpty() || circle.isEmpty()) {
            faults.add(new Fault(place, target, "expected a TargetPoint and a horizAngle"));
            return Optional.empty();
        }
        Map<String, String> own = properties(raw);
        OptionalDouble slope = attribute(raw, "slopeDistance", place);
        OptionalDouble height = attribute(raw, "targetHeight", place);
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
                circle(raw, "zenithAngle", place),
                slope.isPresent() && slope.getAsDouble() > 0
                        ? OptionalDouble.of(slope.getAsDouble() * length.metres())
                        : OptionalDouble.empty(),
                List.of(),
                reflector,
                height.isPresent() && (height.getAsDouble() != 0 || reflector.equals(Reflector.REFLECTORLESS))
                        ? Optional.of(MeasuredHeight.toAxis(height.getAsDouble() * length.metres()))
                        : Optional.empty(),
                instant(raw.getAttribute("timeStamp")),
                own.getOrDefault("origin", "").equals("simulated")
                        ? Reading.Origin.SIMULATED
                        : Reading.Origin.INSTRUMENT,
                applied
                        ? Optional.of(new Reading.Applied(
                                own.containsKey("appliedConstant")
                                        ? OptionalDouble.of(lengthOf(own, "appliedConstant"))
                                        : OptionalDouble.empty(),
                                own.containsKey("appliedPpm")
                                        ? OptionalDouble.of(plain(own, "appliedPpm"))
                                        : OptionalDouble.empty()))
                        : Optional.empty(),
                offset
                        ? Optional.of(new Reading.Offset(
                                lengthOf(own, "along"), lengthOf(own, "across"), lengthOf(own, "up")))
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

    private static Optional<Instant> instant(String text) {
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

    private OptionalDouble attribute(Element of, String name, String place) {
        String text = of.getAttribute(name).strip();
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        OptionalDouble value = number(text);
        if (value.isEmpty() || Math.abs(value.getAsDouble()) > ImportedPoints.FARTHEST) {
            faults.add(new Fault(place + ", " + name, text, "expected a number"));
            return OptionalDouble.empty();
        }
        return value;
    }

    private Optional<Circle> circle(Element of, String name, String place) {
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
            Optional<double[]> at = numbers(point);
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

    private static Mark mark(String name, Element point, double[] at, boolean observed) {
        String purpose = point.getAttribute("pntSurv");
        OptionalDouble up = at.length > 2 ? OptionalDouble.of(at[2]) : OptionalDouble.empty();
        Mark given = Mark.control(name, at[0], at[1], up, "LandXML");
        if (Set.of("control", "monument", "reference").contains(purpose)) {
            return given.withCode(point.getAttribute("code").strip());
        }
        Mark.Kind kind = purpose.equals("traverse") ? Mark.Kind.NEW : Mark.Kind.LOCATED;
        Mark plain = Mark.named(name, kind).withCode(point.getAttribute("code").strip());
        return observed ? plain : plain.withGiven(given.given().orElseThrow(), "LandXML");
    }
}
