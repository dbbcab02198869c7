package markturn.formats;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.JobReader;
import markturn.survey.SurveyResult;
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
    private final ResultNumbers numbers;

    private ResultFile(Units units) {
        this.units = units;
        this.numbers = new ResultNumbers(units);
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
        ResultNumbers.fill(to.putArray("setups"), result.measured().setups(), this::setup);
        ArrayNode sets = to.putArray("sets");
        for (MeasuredSetup setup : result.measured().setups()) {
            ResultNumbers.fill(sets, setup.abstracts(), each -> sets(setup, each));
        }
        ResultNumbers.fill(to.putArray("marks"), result.measured().marks(), this::mark);
        ResultNumbers.fill(to.putArray("checks"), result.measured().checks(), this::check);
        ResultNumbers.fill(to.putArray("traverses"), result.measured().traverses(), this::traverse);
        result.measured().network().ifPresentOrElse(n -> to.set("network", network(n)), () -> to.putNull("network"));
        ResultNumbers.fill(to.putArray("findings"), result.findings(), this::finding);
        return to;
    }

    private void position(ObjectNode to, java.util.Optional<Position> position) {
        OptionalDouble none = OptionalDouble.empty();
        numbers.length(
                to,
                "northing",
                position.map(p -> ResultNumbers.of(p.northing())).orElse(none));
        numbers.length(
                to, "easting", position.map(p -> ResultNumbers.of(p.easting())).orElse(none));
        numbers.length(to, "elevation", position.map(Position::elevation).orElse(none));
        ObjectNode stdDev = to.putObject("stdDev");
        numbers.length(
                stdDev,
                "northing",
                position.map(p -> ResultNumbers.of(Math.sqrt(p.plan().nn()))).orElse(none));
        numbers.length(
                stdDev,
                "easting",
                position.map(p -> ResultNumbers.of(Math.sqrt(p.plan().ee()))).orElse(none));
        numbers.length(
                stdDev,
                "elevation",
                position.map(p -> ResultNumbers.root(p.elevationVariance())).orElse(none));
    }

    private ObjectNode setup(MeasuredSetup setup) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", setup.name())
                .put("station", setup.setup().station())
                .put("method", JobReader.key(setup.setup().method()));
        position(to, setup.station());
        numbers.small((ObjectNode) to.get("stdDev"), "orientation", ResultNumbers.root(setup.orientationVariance()));
        numbers.angle(to, "orientation", setup.orientation());
        ResultNumbers.plain(to, "scalePpm", setup.scalePpm());
        to.put("ppm", setup.ppm());
        if (setup.redundancy().isPresent()) {
            to.put("redundancy", setup.redundancy().getAsInt());
        } else {
            to.putNull("redundancy");
        }
        ResultNumbers.plain(to, "varianceFactor", setup.varianceFactor());
        setup.station().ifPresentOrElse(p -> ellipse(to.putObject("ellipse"), p.plan()), () -> to.putNull("ellipse"));
        ResultNumbers.fill(to.putArray("backsights"), setup.backsights(), this::backsight);
        ResultNumbers.fill(to.putArray("observations"), setup.observations(), this::observation);
        ResultNumbers.fill(to.putArray("marks"), setup.marks(), this::markTest);
        ResultNumbers.fill(to.putArray("leaveOneOut"), setup.leaveOneOut(), this::leftOut);
        setup.closingSight()
                .ifPresentOrElse(
                        c -> {
                            ObjectNode closing = to.putObject("closingSight");
                            numbers.small(closing, "direction", ResultNumbers.of(c.direction()));
                            numbers.length(closing, "atLongest", c.atLongest());
                        },
                        () -> to.putNull("closingSight"));
        return to;
    }

    private void ellipse(ObjectNode to, Covariance plan) {
        Covariance.Ellipse ellipse = plan.ellipse();
        numbers.length(to, "semiMajor", ResultNumbers.of(ellipse.semiMajor()));
        numbers.length(to, "semiMinor", ResultNumbers.of(ellipse.semiMinor()));
        numbers.angle(
                to, "azimuth", ellipse.semiMajor() == 0 ? OptionalDouble.empty() : ResultNumbers.of(ellipse.azimuth()));
    }

    private ObjectNode backsight(MeasuredSetup.Backsight of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target()).put("used", of.used());
        numbers.length(to, "distanceDifference", of.distanceDifference());
        numbers.length(to, "elevationDifference", of.elevationDifference());
        numbers.length(to, "northingDifference", of.northingDifference());
        numbers.length(to, "eastingDifference", of.eastingDifference());
        return to;
    }

    private ObjectNode observation(Observation of) {
        double unit =
                of.kind().angular() ? units.angle().small() : units.length().metres();
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target()).put("kind", of.kind().key());
        ResultNumbers.put(to, "residual", ResultNumbers.of(of.residual()), unit);
        ResultNumbers.put(to, "stdDev", ResultNumbers.of(of.stdDev()), unit);
        ResultNumbers.plain(to, "redundancy", of.redundancy());
        ResultNumbers.plain(to, "standardised", of.standardised());
        ResultNumbers.put(to, "detectable", of.detectable(), unit);
        return to.put("used", of.used());
    }

    private ObjectNode markTest(MeasuredSetup.MarkTest of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target());
        ResultNumbers.plain(to, "statistic", of.statistic());
        numbers.length(to, "detectable", of.detectable());
        return to.put("used", of.used());
    }

    private ObjectNode leftOut(MeasuredSetup.LeftOut of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("target", of.target());
        numbers.length(to, "northingShift", of.northingShift());
        numbers.length(to, "eastingShift", of.eastingShift());
        numbers.small(to, "orientationShift", of.orientationShift());
        ResultNumbers.plain(to, "varianceFactor", of.varianceFactor());
        return to;
    }

    private ObjectNode sets(MeasuredSetup setup, SetAbstract of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("setup", setup.name()).put("target", of.target()).put("sets", of.sets());
        numbers.angle(to, "direction", of.direction());
        numbers.smalls(to, "residuals", of.residuals());
        numbers.small(to, "stdDev", of.stdDev());
        numbers.small(to, "stdDevMean", of.stdDevMean());
        numbers.smalls(to, "collimation", of.collimation());
        numbers.smalls(to, "index", of.index());
        numbers.angle(to, "zenith", of.zenith());
        numbers.length(to, "slope", of.slope());
        numbers.length(to, "horizontal", of.horizontal());
        numbers.length(to, "elevationDifference", of.elevationDifference());
        return to;
    }

    private ObjectNode mark(MeasuredMark of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", of.name()).put("kind", JobReader.key(of.mark().kind()));
        position(to, of.stated());
        ResultNumbers.text(to, "from", of.from().orElse(""));
        ResultNumbers.text(to, "adjustedBy", of.adjustedBy().orElse(""));
        return to;
    }

    private ObjectNode check(Check of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("mark", of.mark()).put("from", of.from());
        numbers.length(to, "northingDifference", of.northingDifference());
        numbers.length(to, "eastingDifference", of.eastingDifference());
        numbers.length(to, "elevationDifference", of.elevationDifference());
        return to;
    }

    private ObjectNode traverse(MeasuredTraverse of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("name", of.name()).put("method", of.traverse().rule().key());
        numbers.small(to, "angularMisclosure", of.angular());
        numbers.small(to, "angularLimit", of.angularLimit());
        numbers.length(to, "northingMisclosure", of.northing());
        numbers.length(to, "eastingMisclosure", of.easting());
        numbers.length(to, "linearMisclosure", of.linear());
        numbers.length(to, "length", of.length());
        ResultNumbers.plain(to, "ratio", of.ratio());
        numbers.length(to, "elevationMisclosure", of.elevation());
        ResultNumbers.fill(to.putArray("legs"), of.legs(), leg -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("from", leg.from()).put("to", leg.to());
            numbers.angle(node, "azimuth", ResultNumbers.of(leg.azimuth()));
            numbers.length(node, "horizontal", ResultNumbers.of(leg.horizontal()));
            numbers.length(node, "elevationDifference", leg.rise());
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
        ResultNumbers.fill(to.putArray("marks"), of.marks(), mark -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("name", mark.name());
            position(node, java.util.Optional.of(mark.position()));
            ellipse(node.putObject("ellipse"), mark.position().plan());
            hidden(node, "", mark.plan());
            mark.level().ifPresent(level -> hidden(node, "Elevation", level));
            return node;
        });
        ResultNumbers.fill(to.putArray("relative"), of.relatives(), pair -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            node.put("one", pair.one()).put("other", pair.other());
            ellipse(node.putObject("ellipse"), pair.plan());
            return node;
        });
        ResultNumbers.fill(to.putArray("observations"), of.observations(), worth -> {
            ObjectNode node = JsonNodeFactory.instance.objectNode();
            ResultNumbers.text(node, "setup", worth.setup());
            node.setAll(observation(worth.observation()));
            return node;
        });
        return to;
    }

    private void hidden(ObjectNode to, String of, MeasuredNetwork.Hidden hidden) {
        numbers.length(to, "hidden" + of, hidden.worst());
        numbers.length(to, "hidden" + of + "OfShown", OptionalDouble.of(hidden.shift()));
        ResultNumbers.text(
                to,
                "hidden" + of + "By",
                hidden.unseen().or(hidden::by).map(What::words).orElse(""));
    }

    private static void test(ObjectNode to, MeasuredNetwork.Test of) {
        to.put("redundancy", of.redundancy());
        ResultNumbers.plain(to, "varianceFactor", of.varianceFactor());
        to.put("accepted", of.accepted());
    }

    private ObjectNode finding(Finding of) {
        double unit = of.measure().unit(units);
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        to.put("code", of.code().key()).put("severity", of.severity().name().toLowerCase(Locale.ROOT));
        ResultNumbers.text(to, "setup", of.setup());
        ResultNumbers.text(to, "target", of.target());
        to.put("text", of.text());
        ResultNumbers.put(to, "value", of.value(), unit);
        ResultNumbers.put(to, "limit", of.limit(), unit);
        of.answer()
                .ifPresentOrElse(
                        a -> to.putObject("answer").put("by", a.by()).put("reason", a.reason()),
                        () -> to.putNull("answer"));
        return to.put("reopened", of.reopened());
    }
}
