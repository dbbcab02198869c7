package markturn.fieldbook.wire;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Adopted;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.GridProjection;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Network;
import markturn.survey.job.Notch;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;

/** Elements of the job file to records. Defaults are those of the format: class engineering, reference 15 °C and 1013.25 hPa, constants 0. */
public final class JobReader {
    private JobReader() {}

    /** The units a document is written in. */
    public static Units units(Tree document) {
        Tree units = document.at("units");
        return new Units(
                LengthUnit.of(units.text("length")).orElse(LengthUnit.METRE),
                AngleUnit.of(units.text("angle")).orElse(AngleUnit.DMS),
                units.text("bearings").equals(Units.Bearings.QUADRANT.key())
                        ? Units.Bearings.QUADRANT
                        : Units.Bearings.AZIMUTH,
                units.text("timeZone"));
    }

    /**
     * A whole job. Names are not held against each other here.
     *
     * @param document of the shape of a job file
     * @param faults takes what is wrong with single values; a stand-in is read for each
     */
    public static Job job(Tree document, List<Fault> faults) {
        Units units = units(document);
        Element root = new Element(document, "$", units, faults);
        return new Job(
                root.text("name"),
                root.text("place"),
                units,
                classOfWork(root),
                root.flag("planOnly", false),
                earth(root),
                all(root, "instruments", JobReader::instrument),
                all(root, "reflectors", JobReader::reflector),
                all(root, "codes", JobReader::code),
                all(root, "marks", JobReader::mark),
                all(root, "setups", SetupReader::setup),
                all(root, "fixes", JobReader::fix),
                all(root, "references", JobReader::reference),
                all(root, "traverses", JobReader::traverse),
                new Network(
                        root.at("network").flag("run", false),
                        root.at("network").flag("adopt", false)),
                all(root, "adopted", JobReader::adopted),
                all(root, "decisions", JobReader::decision));
    }

    private static <T> List<T> all(Element of, String key, Function<Element, T> read) {
        return of.list(key).stream().map(read).toList();
    }

    public static ClassOfWork classOfWork(Element job) {
        ClassOfWork.Preset preset = job.has("classOfWork")
                ? job.oneOf("classOfWork", ClassOfWork.Preset.values(), ClassOfWork.Preset::key)
                : ClassOfWork.Preset.ENGINEERING;
        Map<Limit, Double> overrides = new java.util.EnumMap<>(Limit.class);
        Element limits = job.at("classLimits");
        for (Limit limit : Limit.values()) {
            OptionalDouble value = switch (limit.dimension()) {
                case ARC -> limits.small(limit.key());
                case LENGTH -> limits.length(limit.key());
                case MINUTES, COUNT, RATIO -> limits.plain(limit.key());
            };
            value.ifPresent(v -> overrides.put(limit, v));
        }
        return new ClassOfWork(preset, overrides);
    }

    public static Earth earth(Element job) {
        Element earth = job.at("earth");
        return new Earth(
                earth.length("radius").orElse(Earth.USUAL.radius()),
                earth.plain("refraction").orElse(Earth.USUAL.refraction()),
                earth.flag("curvature", Earth.USUAL.curvature()),
                earth.plain("scaleFactor").orElse(Earth.USUAL.scaleFactor()),
                earth.find("projection").map(JobReader::projection));
    }

    private static GridProjection projection(Element of) {
        return new GridProjection(of.text("definition"), of.length("meanHeight").orElse(0));
    }

    private static Optional<Notch> notch(Element of) {
        return of.find("notch")
                .map(n -> new Notch(
                        n.length("radius").orElseThrow(), n.length("belowAxis").orElseThrow()));
    }

    public static Atmosphere atmosphere(Element air) {
        return new Atmosphere(
                air.plain("temperature").orElseThrow(),
                air.plain("pressure").orElseThrow(),
                air.plain("vapour").orElse(0));
    }

    public static Instrument instrument(Element of) {
        return new Instrument(
                of.text("name"),
                of.small("directionStdDev").orElseThrow(),
                of.small("zenithStdDev").orElseThrow(),
                of.length("distanceStdDev").orElseThrow(),
                of.plain("distancePpm").orElseThrow(),
                of.length("centringStdDev").orElse(0),
                of.length("heightStdDev").orElse(0),
                of.plain("wavelength"),
                of.find("reference").map(JobReader::atmosphere).orElse(Atmosphere.USUAL_REFERENCE),
                notch(of),
                of.text("serial"),
                of.list("remembered").stream().map(JobReader::remembered).toList());
    }

    private static Instrument.Remembered remembered(Element of) {
        return new Instrument.Remembered(
                of.instant("at").orElse(Instant.EPOCH),
                of.small("collimation").orElse(0),
                of.small("collimationStdDev").orElse(0),
                of.small("index").orElse(0),
                of.small("indexStdDev").orElse(0));
    }

    public static Reflector reflector(Element of) {
        Reflector reflector = new Reflector(
                of.text("name"),
                of.length("constant").orElse(0),
                of.length("centringStdDev").orElse(0),
                of.length("heightStdDev").orElse(0),
                notch(of),
                of.length("belowAntenna"));
        if (reflector.isReflectorless() && reflector.constant() != 0) {
            of.fault("constant", "a sight without reflector has no constant: expected 0");
        }
        return reflector;
    }

    private static Optional<Mark.Coordinates> coordinates(Element of) {
        if (!of.has("northing") && !of.has("easting")) {
            return Optional.empty();
        }
        if (!of.has("northing") || !of.has("easting")) {
            of.fault(of.has("northing") ? "easting" : "northing", "missing: northing and easting go together");
        }
        return Optional.of(new Mark.Coordinates(
                of.length("northing").orElse(0), of.length("easting").orElse(0), of.length("elevation")));
    }

    private static Mark.Deviations deviations(Element of) {
        return new Mark.Deviations(
                of.length("northing").orElse(0),
                of.length("easting").orElse(0),
                of.length("elevation").orElse(0));
    }

    public static Mark mark(Element of) {
        Optional<Mark.Coordinates> given = coordinates(of);
        Optional<String> sameAs = of.optionalText("sameAs");
        Mark.Kind kind = of.has("kind")
                ? of.oneOf("kind", Mark.Kind.values(), JobReader::key)
                : given.isPresent() ? Mark.Kind.CONTROL : Mark.Kind.NEW;
        if (sameAs.isPresent() && given.isPresent()) {
            of.fault("sameAs", "another name for a mark has no coordinates of its own");
        }
        if (kind == Mark.Kind.CONTROL && given.isEmpty() && sameAs.isEmpty()) {
            of.fault("northing", "missing: a control mark has northing and easting");
        }
        return new Mark(
                of.name("name"),
                kind,
                given,
                of.find("stdDev").map(JobReader::deviations),
                of.name("source"),
                of.has("found")
                        ? Optional.of(of.oneOf("found", Mark.Found.values(), Mark.Found::key))
                        : Optional.empty(),
                of.name("code"),
                sameAs,
                of.find("line")
                        .map(l -> new Joining(
                                l.integer("number").orElse(1), l.oneOf("act", Joining.Act.values(), Joining.Act::key))),
                of.find("by").flatMap(JobReader::construction));
    }

    private static Optional<Construction> construction(Element of) {
        long ways = Stream.of("round", "corner", "above").filter(of::has).count();
        if (ways != 1) {
            of.fault("round", "expected one of round, corner and above");
            return Optional.empty();
        }
        if (of.has("round")) {
            Element round = of.at("round");
            return Optional.of(
                    new Construction.Round(round.text("leftEdge"), round.text("rightEdge"), round.text("front")));
        }
        if (of.has("corner")) {
            List<String> of4 = of.list("corner").stream().map(Element::text).toList();
            return Optional.of(new Construction.Corner(of4.get(0), of4.get(1), of4.get(2), of4.get(3)));
        }
        return Optional.of(new Construction.Above(of.text("above")));
    }

    public static Code code(Element of) {
        Optional<Code.Numbers> numbers = of.find("numbers")
                .map(n -> new Code.Numbers(
                        n.integer("first").orElseThrow(), n.integer("last").orElseThrow()));
        numbers.filter(n -> n.last() < n.first())
                .ifPresent(n -> of.fault("numbers", "expected a last number that is not below the first"));
        return new Code(
                of.text("name"),
                of.text("words"),
                numbers,
                of.length("targetHeight"),
                of.flag("line", false),
                of.has("sign") ? of.oneOf("sign", Code.Sign.values(), JobReader::key) : Code.Sign.DOT,
                of.has("stroke") ? of.oneOf("stroke", Code.Stroke.values(), JobReader::key) : Code.Stroke.SOLID);
    }

    public static Traverse traverse(Element of) {
        return new Traverse(
                of.text("name"),
                of.list("route").stream().map(Element::text).toList(),
                of.has("method")
                        ? of.oneOf("method", Traverse.Rule.values(), Traverse.Rule::key)
                        : Traverse.Rule.COMPASS,
                of.flag("adopt", false));
    }

    public static SatelliteFix fix(Element of) {
        return new SatelliteFix(
                of.text("mark"),
                coordinates(of).orElseThrow(),
                deviations(of.at("stdDev")),
                of.has("use") ? of.oneOf("use", SatelliteFix.Use.values(), JobReader::key) : SatelliteFix.Use.CHECK,
                SetupReader.origin(of),
                of.text("source"),
                of.optionalText("struck"),
                of.find("antennaHeight").map(SetupReader::height));
    }

    public static ReferencePair reference(Element of) {
        ReferencePair pair = new ReferencePair(
                of.text("from"),
                of.text("to"),
                of.length("distance"),
                of.length("stdDev").orElse(0),
                of.length("heightDifference"),
                of.length("heightStdDev").orElse(0),
                of.text("how"),
                of.circle("azimuth"),
                of.small("azimuthStdDev").orElse(0));
        if (pair.distance().isEmpty() && pair.rise().isEmpty() && pair.azimuth().isEmpty()) {
            of.fault("distance", "missing: expected a distance, a height difference or an azimuth");
        }
        return pair;
    }

    public static Adopted adopted(Element of) {
        return new Adopted(
                of.text("mark"),
                coordinates(of).orElseThrow(),
                of.find("stdDev").map(JobReader::deviations),
                of.text("from"),
                of.instant("at"),
                of.text("by"),
                of.text("reason"));
    }

    @SuppressWarnings("unchecked")
    public static Decision decision(Element of) {
        Map<String, Object> on = (Map<String, Object>) of.plainValue("on").orElse(Map.of());
        return new Decision(
                of.instant("at"),
                of.text("by"),
                of.text("what"),
                on,
                of.text("reason"),
                of.plainValue("before"),
                of.plainValue("after"));
    }

    /** The word for a constant in a document: its name in small letters. */
    public static String key(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT);
    }
}
