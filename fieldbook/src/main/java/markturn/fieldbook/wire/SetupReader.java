package markturn.fieldbook.wire;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import markturn.survey.job.Circle;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;

/** Reads what is booked at an instrument: setups, readings, heights. */
public final class SetupReader {
    /** A height stays on the pole for many readings. */
    private static final LastOne<Optional<MeasuredHeight>> HEIGHTS = new LastOne<>(Optional.empty());

    private SetupReader() {}

    public static MeasuredHeight height(Element of) {
        MeasuredHeight.To to =
                of.has("to") ? of.oneOf("to", MeasuredHeight.To.values(), JobReader::key) : MeasuredHeight.To.AXIS;
        return new MeasuredHeight(of.length("value").orElseThrow(), to, of.length("again"));
    }

    public static Reading reading(Element of) {
        return new Reading(
                of.name("target"),
                of.oneOf("role", Reading.Role.values(), JobReader::key),
                of.integer("set"),
                of.oneOf("face", Reading.Face.values(), JobReader::key),
                of.circle("circle").orElse(new Circle(0, "")),
                of.circle("zenith"),
                slope(of),
                of.list("slopes").stream().map(Element::length).toList(),
                of.optionalName("reflector").orElse(Reflector.REFLECTORLESS),
                HEIGHTS.of(of.find("targetHeight").map(SetupReader::height)),
                of.instant("at"),
                origin(of),
                of.find("applied").map(a -> new Reading.Applied(a.length("constant"), a.plain("ppm"))),
                of.find("offset")
                        .map(o -> new Reading.Offset(
                                o.length("along").orElse(0),
                                o.length("across").orElse(0),
                                o.length("up").orElse(0))),
                of.length("centringStdDev"),
                of.optionalText("struck"));
    }

    /** The mean where only the single distances are listed. */
    private static OptionalDouble slope(Element of) {
        return of.has("slope")
                ? of.length("slope")
                : of.list("slopes").stream().mapToDouble(Element::length).average();
    }

    private static Setup.Orientation orientation(Element setup) {
        Element of = setup.at("orientation");
        boolean bySights = of.has("sights");
        boolean byAzimuth = of.has("azimuth") && of.has("sight");
        boolean byFeature = of.has("feature") && of.has("sight");
        long ways = Stream.of("sights", "azimuth", "feature").filter(of::has).count();
        if (ways != 1 || !(bySights || byAzimuth || byFeature) || (bySights && of.has("sight"))) {
            setup.fault(
                    "orientation",
                    "expected one of {\"sights\": [marks]}, {\"azimuth\": \"...\", \"sight\": \"mark\"}, {\"feature\": {...}, \"sight\": \"mark\"}");
            return new Setup.BySights(List.of(""));
        }
        if (byFeature) {
            Element feature = of.at("feature");
            return new Setup.ByFeature(
                    of.text("sight"),
                    feature.length("northing").orElse(0),
                    feature.length("easting").orElse(0),
                    feature.length("stdDev").orElse(0));
        }
        return bySights
                ? new Setup.BySights(
                        of.list("sights").stream().map(Element::text).toList(), leftOutOf(setup))
                : new Setup.ByAzimuth(of.circle("azimuth").orElseThrow(), of.text("sight"));
    }

    public static Setup.ByResection byResection(Element of) {
        return new Setup.ByResection(leftOutOf(of), of.flag("solveScale", false));
    }

    private static List<Setup.LeftOut> leftOutOf(Element setup) {
        return setup.list("leaveOut").stream().map(SetupReader::leftOut).toList();
    }

    /** The name of a mark, or an object that leaves only a part of it out. */
    private static Setup.LeftOut leftOut(Element of) {
        if (of.isText()) {
            return new Setup.LeftOut(of.text(), Optional.empty());
        }
        return new Setup.LeftOut(
                of.text("target"),
                of.has("only") ? Optional.of(of.oneOf("only", Setup.Part.values(), JobReader::key)) : Optional.empty());
    }

    public static Setup setup(Element of) {
        boolean free = of.text("method").equals("resection");
        if (!free && of.has("solveScale")) {
            of.fault("solveScale", "belongs to a resection: expected only with \"method\": \"resection\"");
        }
        if (!free && of.has("leaveOut") && !of.at("orientation").has("sights")) {
            of.fault("leaveOut", "leaves marks out that orient: expected only with a resection or with \"sights\"");
        }
        return new Setup(
                of.text("name"),
                of.text("station"),
                free ? Setup.Method.RESECTION : Setup.Method.OCCUPIED,
                of.text("instrument"),
                of.find("instrumentHeight").map(SetupReader::height),
                of.find("tilt")
                        .map(t -> new Setup.Tilt(
                                t.small("along").orElseThrow(),
                                t.small("across").orElseThrow(),
                                t.flag("compensated", false))),
                of.find("atmosphere").map(JobReader::atmosphere),
                free ? byResection(of) : orientation(of),
                new Setup.SettingUp(of.length("plummet"), of.length("centringStdDev"), of.instant("at")),
                of.list("readings").stream().map(SetupReader::reading).toList());
    }

    static Reading.Origin origin(Element of) {
        return of.has("origin") ? of.oneOf("origin", Reading.Origin.values(), JobReader::key) : Reading.Origin.TYPED;
    }
}
