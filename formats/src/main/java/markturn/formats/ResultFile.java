package markturn.formats;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.Job;
import markturn.survey.job.Units;
import markturn.survey.result.Check;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Observation;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.SingleFault.What;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The result file: what was computed, in the job's units, unrounded but for the angles. A number that does not exist is null. */
public final class ResultFile {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "result-file",
            "result.json",
            "application/json",
            "Result file",
            "JSON: everything computed from it, unrounded.",
            (result, scale) -> Optional.of(write(result)));

    private final Units units;

    private ResultFile(Units units) {
        this.units = units;
    }

    /** Writes a result. */
    public static byte[] write(SurveyResult result) {
        return StrictJson.MAPPER.writeValueAsBytes(new ResultFile(result.job().units()).result(result));
    }

    private ObjectNode result(SurveyResult result) {
        Job job = result.job();
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("format", "mark-turn-result")
                .put("version", 1)
                .put("program", Version.program())
                .put("job", job.name());
        to.putObject("units")
                .put("length", units.length().key())
                .put("angle", units.angle().key());
        to.put("practice", job.isPractice());
        fill(to.putArray("setups"), result.measured().setups(), this::setup);
        ArrayNode sets = to.putArray("sets");
        for (MeasuredSetup setup : result.measured().setups()) {
            fill(sets, setup.abstracts(), each -> sets(setup, each));
        }
        fill(to.putArray("marks"), result.measured().marks(), this::mark);
        fill(to.putArray("checks"), result.measured().checks(), this::check);
        fill(to.putArray("traverses"), result.measured().traverses(), this::traverse);
        result.measured().network().ifPresentOrElse(n -> to.set("network", network(n)), () -> to.putNull("network"));
        fill(to.putArray("findings"), result.findings(), this::finding);
        return to;
    }

    private static <T> void fill(ArrayNode to, List<T> all, Function<T, ObjectNode> node) {
        all.forEach(each -> to.add(node.apply(each)));
    }

    private static void put(ObjectNode to, String key, OptionalDouble value, double unit) {
        if (value.isEmpty()) {
            to.putNull(key);
            return;
        }
        double amount = value.getAsDouble() / unit;
        if (!Double.isFinite(amount)) {
            throw new IllegalStateException(key + " came out as " + amount);
        }
        to.put(key, amount);
    }

    private void length(ObjectNode to, String key, OptionalDouble metres) {
        put(to, key, metres, units.length().metres());
    }

    private void small(ObjectNode to, String key, OptionalDouble radians) {
        put(to, key, radians, units.angle().small());
    }

    private static void plain(ObjectNode to, String key, OptionalDouble value) {
        put(to, key, value, 1);
    }

    private void smalls(ObjectNode to, String key, List<OptionalDouble> radians) {
        ArrayNode list = to.putArray(key);
        for (OptionalDouble each : radians) {
            if (each.isPresent()) {
                list.add(each.getAsDouble() / units.angle().small());
            } else {
                list.addNull();
            }
        }
    }

    private void angle(ObjectNode to, String key, OptionalDouble radians) {
        if (radians.isEmpty()) {
            to.putNull(key);
        } else {
            to.put(key, units.angle().write(radians.getAsDouble(), units.angle() == AngleUnit.DMS ? 6 : 10));
        }
    }

    private static void text(ObjectNode to, String key, String value) {
        if (value.isEmpty()) {
            to.putNull(key);
        } else {
            to.put(key, value);
        }
    }

    private static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    private static OptionalDouble root(OptionalDouble variance) {
        return variance.isPresent() ? of(Math.sqrt(variance.getAsDouble())) : variance;
    }

    private void position(ObjectNode to, java.util.Optional<Position> position) {
        OptionalDouble none = OptionalDouble.empty();
        length(to, "northing", position.map(p -> of(p.northing())).orElse(none));
        length(to, "easting", position.map(p -> of(p.easting())).orElse(none));
        length(to, "elevation", position.map(Position::elevation).orElse(none));
        ObjectNode stdDev = to.putObject("stdDev");
        length(
                stdDev,
                "northing",
                position.map(p -> of(Math.sqrt(p.plan().nn()))).orElse(none));
        length(
                stdDev,
                "easting",
                position.map(p -> of(Math.sqrt(p.plan().ee()))).orElse(none));
        length(
                stdDev,
                "elevation",
                position.map(p -> root(p.elevationVariance())).orElse(none));
    }

    private ObjectNode setup(MeasuredSetup setup) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", setup.name())
                .put("station", setup.setup().station())
                .put("method", JobReader.key(setup.setup().method()));
        position(to, setup.station());
        small((ObjectNode) to.get("stdDev"), "orientation", root(setup.orientationVariance()));
        angle(to, "orientation", setup.orientation());
        plain(to, "scalePpm", setup.scalePpm());
        to.put("ppm", setup.ppm());
        if (setup.redundancy().isPresent()) {
            to.put("redundancy", setup.redundancy().getAsInt());
        } else {
            to.putNull("redundancy");
        }
        plain(to, "varianceFactor", setup.varianceFactor());
        setup.station().ifPresentOrElse(p -> ellipse(to.putObject("ellipse"), p.plan()), () -> to.putNull("ellipse"));
        fill(to.putArray("backsights"), setup.backsights(), this::backsight);
        fill(to.putArray("observations"), setup.observations(), this::observation);
        fill(to.putArray("marks"), setup.marks(), this::markTest);
        fill(to.putArray("leaveOneOut"), setup.leaveOneOut(), this::leftOut);
        setup.closingSight()
                .ifPresentOrElse(
                        c -> {
                            ObjectNode closing = to.putObject("closingSight");
                            small(closing, "direction", of(c.direction()));
                            length(closing, "atLongest", c.atLongest());
                        },
                        () -> to.putNull("closingSight"));
        return to;
    }

    private void ellipse(ObjectNode to, Covariance plan) {
        Covariance.Ellipse ellipse = plan.ellipse();
        length(to, "semiMajor", of(ellipse.semiMajor()));
        length(to, "semiMinor", of(ellipse.semiMinor()));
        angle(to, "azimuth", ellipse.semiMajor() == 0 ? OptionalDouble.empty() : of(ellipse.azimuth()));
    }

    private ObjectNode backsight(MeasuredSetup.Backsight of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target()).put("used", of.used());
        length(to, "distanceDifference", of.distanceDifference());
        length(to, "elevationDifference", of.elevationDifference());
        length(to, "northingDifference", of.northingDifference());
        length(to, "eastingDifference", of.eastingDifference());
        return to;
    }

    private ObjectNode observation(Observation of) {
        double unit =
                of.kind().angular() ? units.angle().small() : units.length().metres();
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target()).put("kind", of.kind().key());
        put(to, "residual", of(of.residual()), unit);
        put(to, "stdDev", of(of.stdDev()), unit);
        plain(to, "redundancy", of.redundancy());
        plain(to, "standardised", of.standardised());
        put(to, "detectable", of.detectable(), unit);
        return to.put("used", of.used());
    }

    private ObjectNode markTest(MeasuredSetup.MarkTest of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target());
        plain(to, "statistic", of.statistic());
        length(to, "detectable", of.detectable());
        return to.put("used", of.used());
    }

    private ObjectNode leftOut(MeasuredSetup.LeftOut of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target());
        length(to, "northingShift", of.northingShift());
        length(to, "eastingShift", of.eastingShift());
        small(to, "orientationShift", of.orientationShift());
        plain(to, "varianceFactor", of.varianceFactor());
        return to;
    }

    private ObjectNode sets(MeasuredSetup setup, SetAbstract of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("setup", setup.name()).put("target", of.target()).put("sets", of.sets());
        angle(to, "direction", of.direction());
        smalls(to, "residuals", of.residuals());
        small(to, "stdDev", of.stdDev());
        small(to, "stdDevMean", of.stdDevMean());
        smalls(to, "collimation", of.collimation());
        smalls(to, "index", of.index());
        angle(to, "zenith", of.zenith());
        length(to, "slope", of.slope());
        length(to, "horizontal", of.horizontal());
        length(to, "elevationDifference", of.elevationDifference());
        return to;
    }

    private ObjectNode mark(MeasuredMark of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", of.name()).put("kind", JobReader.key(of.mark().kind()));
        position(to, of.stated());
        text(to, "from", of.from().orElse(""));
        text(to, "adjustedBy", of.adjustedBy().orElse(""));
        return to;
    }

    private ObjectNode check(Check of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("mark", of.mark()).put("from", of.from());
        length(to, "northingDifference", of.northingDifference());
        length(to, "eastingDifference", of.eastingDifference());
        length(to, "elevationDifference", of.elevationDifference());
        return to;
    }

    private ObjectNode traverse(MeasuredTraverse of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", of.name()).put("method", of.traverse().rule().key());
        small(to, "angularMisclosure", of.angular());
        small(to, "angularLimit", of.angularLimit());
        length(to, "northingMisclosure", of.northing());
        length(to, "eastingMisclosure", of.easting());
        length(to, "linearMisclosure", of.linear());
        length(to, "length", of.length());
        plain(to, "ratio", of.ratio());
        length(to, "elevationMisclosure", of.elevation());
        fill(to.putArray("legs"), of.legs(), leg -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("from", leg.from()).put("to", leg.to());
            angle(node, "azimuth", of(leg.azimuth()));
            length(node, "horizontal", of(leg.horizontal()));
            length(node, "elevationDifference", leg.rise());
            return node;
        });
        ArrayNode stations = to.putArray("stations");
        for (int i = 0; i < of.stations().size(); i++) {
            ObjectNode node =
                    stations.addObject().put("name", of.traverse().route().get(i));
            position(node, java.util.Optional.of(of.stations().get(i)));
        }
        return to;
    }

    /** Where it could not be adjusted every number is null, and a finding says why. */
    private ObjectNode network(MeasuredNetwork of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        if (of.why().isPresent()) {
            to.putNull("redundancy").putNull("varianceFactor").putNull("accepted");
        } else {
            test(to, of.test());
        }
        of.leastConstraint()
                .ifPresentOrElse(t -> test(to.putObject("leastConstraint"), t), () -> to.putNull("leastConstraint"));
        fill(to.putArray("marks"), of.marks(), mark -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("name", mark.name());
            position(node, java.util.Optional.of(mark.position()));
            ellipse(node.putObject("ellipse"), mark.position().plan());
            hidden(node, "", mark.plan());
            mark.level().ifPresent(level -> hidden(node, "Elevation", level));
            return node;
        });
        fill(to.putArray("relative"), of.relatives(), pair -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("one", pair.one()).put("other", pair.other());
            ellipse(node.putObject("ellipse"), pair.plan());
            return node;
        });
        fill(to.putArray("observations"), of.observations(), worth -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            text(node, "setup", worth.setup());
            node.setAll(observation(worth.observation()));
            return node;
        });
        return to;
    }

    private void hidden(ObjectNode to, String of, MeasuredNetwork.Hidden hidden) {
        length(to, "hidden" + of, hidden.worst());
        length(to, "hidden" + of + "OfShown", OptionalDouble.of(hidden.shift()));
        text(
                to,
                "hidden" + of + "By",
                hidden.unseen().or(hidden::by).map(What::words).orElse(""));
    }

    private static void test(ObjectNode to, MeasuredNetwork.Test of) {
        to.put("redundancy", of.redundancy());
        plain(to, "varianceFactor", of.varianceFactor());
        to.put("accepted", of.accepted());
    }

    private ObjectNode finding(Finding of) {
        double unit = of.measure().unit(units);
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("code", of.code().key()).put("severity", of.severity().name().toLowerCase(Locale.ROOT));
        text(to, "setup", of.setup());
        text(to, "target", of.target());
        to.put("text", of.text());
        put(to, "value", of.value(), unit);
        put(to, "limit", of.limit(), unit);
        of.answer()
                .ifPresentOrElse(
                        a -> to.putObject("answer").put("by", a.by()).put("reason", a.reason()),
                        () -> to.putNull("answer"));
        return to.put("reopened", of.reopened());
    }
}
