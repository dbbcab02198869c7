package markturn.fieldbook.wire;

import java.util.Locale;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
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

/** What was computed as a result file has it: in the job's units, unrounded but for the angles. A number that does not exist is unknown. */
public final class ResultWriter {
    private final Units units;
    private final ResultNumbers numbers;

    private ResultWriter(Units units) {
        this.units = units;
        this.numbers = new ResultNumbers(units);
    }

    /**
     * A result.
     *
     * @param program the program that computed it, with its version
     */
    public static Tree result(SurveyResult result, String program) {
        return new ResultWriter(result.job().units()).result(result).put("program", program);
    }

    private Fields result(SurveyResult result) {
        Job job = result.job();
        Fields to = new Fields();
        to.put("format", "mark-turn-result")
                .put("version", 1)
                .put("program", "")
                .put("job", job.name());
        to.putFields("units")
                .put("length", units.length().key())
                .put("angle", units.angle().key());
        to.put("practice", job.isPractice());
        ResultNumbers.fill(to.putItems("setups"), result.measured().setups(), this::setup);
        Items sets = to.putItems("sets");
        for (MeasuredSetup setup : result.measured().setups()) {
            ResultNumbers.fill(sets, setup.abstracts(), each -> sets(setup, each));
        }
        ResultNumbers.fill(to.putItems("marks"), result.measured().marks(), this::mark);
        ResultNumbers.fill(to.putItems("checks"), result.measured().checks(), this::check);
        ResultNumbers.fill(to.putItems("traverses"), result.measured().traverses(), this::traverse);
        result.measured()
                .network()
                .ifPresentOrElse(n -> to.put("network", network(n)), () -> to.put("network", Tree.UNKNOWN));
        ResultNumbers.fill(to.putItems("findings"), result.findings(), this::finding);
        return to;
    }

    private void position(Fields to, java.util.Optional<Position> position) {
        OptionalDouble none = OptionalDouble.empty();
        numbers.length(
                to,
                "northing",
                position.map(p -> ResultNumbers.of(p.northing())).orElse(none));
        numbers.length(
                to, "easting", position.map(p -> ResultNumbers.of(p.easting())).orElse(none));
        numbers.length(to, "elevation", position.map(Position::elevation).orElse(none));
        Fields stdDev = to.putFields("stdDev");
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

    private Fields setup(MeasuredSetup setup) {
        Fields to = new Fields();
        to.put("name", setup.name())
                .put("station", setup.setup().station())
                .put("method", JobReader.key(setup.setup().method()));
        position(to, setup.station());
        numbers.small((Fields) to.at("stdDev"), "orientation", ResultNumbers.root(setup.orientationVariance()));
        numbers.angle(to, "orientation", setup.orientation());
        ResultNumbers.plain(to, "scalePpm", setup.scalePpm());
        to.put("ppm", setup.ppm());
        if (setup.redundancy().isPresent()) {
            to.put("redundancy", setup.redundancy().getAsInt());
        } else {
            to.put("redundancy", Tree.UNKNOWN);
        }
        ResultNumbers.plain(to, "varianceFactor", setup.varianceFactor());
        setup.station()
                .ifPresentOrElse(
                        p -> ellipse(to.putFields("ellipse"), p.plan()), () -> to.put("ellipse", Tree.UNKNOWN));
        ResultNumbers.fill(to.putItems("backsights"), setup.backsights(), this::backsight);
        ResultNumbers.fill(to.putItems("observations"), setup.observations(), this::observation);
        ResultNumbers.fill(to.putItems("marks"), setup.marks(), this::markTest);
        ResultNumbers.fill(to.putItems("leaveOneOut"), setup.leaveOneOut(), this::leftOut);
        setup.closingSight()
                .ifPresentOrElse(
                        c -> {
                            Fields closing = to.putFields("closingSight");
                            numbers.small(closing, "direction", ResultNumbers.of(c.direction()));
                            numbers.length(closing, "atLongest", c.atLongest());
                        },
                        () -> to.put("closingSight", Tree.UNKNOWN));
        return to;
    }

    private void ellipse(Fields to, Covariance plan) {
        Covariance.Ellipse ellipse = plan.ellipse();
        numbers.length(to, "semiMajor", ResultNumbers.of(ellipse.semiMajor()));
        numbers.length(to, "semiMinor", ResultNumbers.of(ellipse.semiMinor()));
        numbers.angle(
                to, "azimuth", ellipse.semiMajor() == 0 ? OptionalDouble.empty() : ResultNumbers.of(ellipse.azimuth()));
    }

    private Fields backsight(MeasuredSetup.Backsight of) {
        Fields to = new Fields();
        to.put("target", of.target()).put("used", of.used());
        numbers.length(to, "distanceDifference", of.distanceDifference());
        numbers.length(to, "elevationDifference", of.elevationDifference());
        numbers.length(to, "northingDifference", of.northingDifference());
        numbers.length(to, "eastingDifference", of.eastingDifference());
        return to;
    }

    private Fields observation(Observation of) {
        double unit =
                of.kind().angular() ? units.angle().small() : units.length().metres();
        Fields to = new Fields();
        to.put("target", of.target()).put("kind", of.kind().key());
        ResultNumbers.put(to, "residual", ResultNumbers.of(of.residual()), unit);
        ResultNumbers.put(to, "stdDev", ResultNumbers.of(of.stdDev()), unit);
        ResultNumbers.plain(to, "redundancy", of.redundancy());
        ResultNumbers.plain(to, "standardised", of.standardised());
        ResultNumbers.put(to, "detectable", of.detectable(), unit);
        return to.put("used", of.used());
    }

    private Fields markTest(MeasuredSetup.MarkTest of) {
        Fields to = new Fields();
        to.put("target", of.target());
        ResultNumbers.plain(to, "statistic", of.statistic());
        numbers.length(to, "detectable", of.detectable());
        return to.put("used", of.used());
    }

    private Fields leftOut(MeasuredSetup.LeftOut of) {
        Fields to = new Fields();
        to.put("target", of.target());
        numbers.length(to, "northingShift", of.northingShift());
        numbers.length(to, "eastingShift", of.eastingShift());
        numbers.small(to, "orientationShift", of.orientationShift());
        ResultNumbers.plain(to, "varianceFactor", of.varianceFactor());
        return to;
    }

    private Fields sets(MeasuredSetup setup, SetAbstract of) {
        Fields to = new Fields();
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

    private Fields mark(MeasuredMark of) {
        Fields to = new Fields();
        to.put("name", of.name()).put("kind", JobReader.key(of.mark().kind()));
        position(to, of.stated());
        ResultNumbers.text(to, "from", of.from().orElse(""));
        ResultNumbers.text(to, "adjustedBy", of.adjustedBy().orElse(""));
        return to;
    }

    private Fields check(Check of) {
        Fields to = new Fields();
        to.put("mark", of.mark()).put("from", of.from());
        numbers.length(to, "northingDifference", of.northingDifference());
        numbers.length(to, "eastingDifference", of.eastingDifference());
        numbers.length(to, "elevationDifference", of.elevationDifference());
        return to;
    }

    private Fields traverse(MeasuredTraverse of) {
        Fields to = new Fields();
        to.put("name", of.name()).put("method", of.traverse().rule().key());
        numbers.small(to, "angularMisclosure", of.angular());
        numbers.small(to, "angularLimit", of.angularLimit());
        numbers.length(to, "northingMisclosure", of.northing());
        numbers.length(to, "eastingMisclosure", of.easting());
        numbers.length(to, "linearMisclosure", of.linear());
        numbers.length(to, "length", of.length());
        ResultNumbers.plain(to, "ratio", of.ratio());
        numbers.length(to, "elevationMisclosure", of.elevation());
        ResultNumbers.fill(to.putItems("legs"), of.legs(), leg -> {
            Fields node = new Fields();
            node.put("from", leg.from()).put("to", leg.to());
            numbers.angle(node, "azimuth", ResultNumbers.of(leg.azimuth()));
            numbers.length(node, "horizontal", ResultNumbers.of(leg.horizontal()));
            numbers.length(node, "elevationDifference", leg.rise());
            return node;
        });
        Items stations = to.putItems("stations");
        for (int i = 0; i < of.stations().size(); i++) {
            Fields node = stations.addFields().put("name", of.traverse().route().get(i));
            position(node, java.util.Optional.of(of.stations().get(i)));
        }
        return to;
    }

    /** Where it could not be adjusted every number is null, and a finding says why. */
    private Fields network(MeasuredNetwork of) {
        Fields to = new Fields();
        if (of.why().isPresent()) {
            to.put("redundancy", Tree.UNKNOWN)
                    .put("varianceFactor", Tree.UNKNOWN)
                    .put("accepted", Tree.UNKNOWN);
        } else {
            test(to, of.test());
        }
        of.leastConstraint()
                .ifPresentOrElse(
                        t -> test(to.putFields("leastConstraint"), t), () -> to.put("leastConstraint", Tree.UNKNOWN));
        ResultNumbers.fill(to.putItems("marks"), of.marks(), mark -> {
            Fields node = new Fields();
            node.put("name", mark.name());
            position(node, java.util.Optional.of(mark.position()));
            ellipse(node.putFields("ellipse"), mark.position().plan());
            hidden(node, "", mark.plan());
            mark.level().ifPresent(level -> hidden(node, "Elevation", level));
            return node;
        });
        ResultNumbers.fill(to.putItems("relative"), of.relatives(), pair -> {
            Fields node = new Fields();
            node.put("one", pair.one()).put("other", pair.other());
            ellipse(node.putFields("ellipse"), pair.plan());
            return node;
        });
        ResultNumbers.fill(to.putItems("observations"), of.observations(), worth -> {
            Fields node = new Fields();
            ResultNumbers.text(node, "setup", worth.setup());
            node.putAll(observation(worth.observation()));
            return node;
        });
        return to;
    }

    private void hidden(Fields to, String of, MeasuredNetwork.Hidden hidden) {
        numbers.length(to, "hidden" + of, hidden.worst());
        numbers.length(to, "hidden" + of + "OfShown", OptionalDouble.of(hidden.shift()));
        ResultNumbers.text(
                to,
                "hidden" + of + "By",
                hidden.unseen().or(hidden::by).map(What::words).orElse(""));
    }

    private static void test(Fields to, MeasuredNetwork.Test of) {
        to.put("redundancy", of.redundancy());
        ResultNumbers.plain(to, "varianceFactor", of.varianceFactor());
        to.put("accepted", of.accepted());
    }

    private Fields finding(Finding of) {
        double unit = of.measure().unit(units);
        Fields to = new Fields();
        to.put("code", of.code().key()).put("severity", of.severity().name().toLowerCase(Locale.ROOT));
        ResultNumbers.text(to, "setup", of.setup());
        ResultNumbers.text(to, "target", of.target());
        to.put("text", of.text());
        ResultNumbers.put(to, "value", of.value(), unit);
        ResultNumbers.put(to, "limit", of.limit(), unit);
        of.answer()
                .ifPresentOrElse(
                        a -> to.putFields("answer").put("by", a.by()).put("reason", a.reason()),
                        () -> to.put("answer", Tree.UNKNOWN));
        return to.put("reopened", of.reopened());
    }
}
