package markturn.formats;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.survey.job.Adopted;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Records to elements of the job file, in the job's units. */
final class JobNodes {
    /** Fifteen digits survive a decimal number's way into a double, through a unit and back. */
    private static final MathContext EXACT_DIGITS = new MathContext(15);

    private static final int SHORT_PLACES = 4;
    private static final double SHORT = 1e4;
    private static final double LONGEST_SHORT = 1e9;

    private final Units units;

    JobNodes(Units units) {
        this.units = units;
    }

    private static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    private static BigDecimal inUnit(double value, double unit) {
        double amount = value / unit;
        long rounded = Math.round(amount * SHORT);
        // What was typed or measured has few decimals, and is written without arithmetic.
        BigDecimal digits = Math.abs(amount) < LONGEST_SHORT && rounded / SHORT == amount
                ? BigDecimal.valueOf(rounded, SHORT_PLACES).stripTrailingZeros()
                : BigDecimal.valueOf(amount).round(EXACT_DIGITS).stripTrailingZeros();
        return digits.scale() < 0 ? digits.setScale(0) : digits;
    }

    private BigDecimal length(double metres) {
        return inUnit(metres, units.length().metres());
    }

    private BigDecimal small(double radians) {
        return inUnit(radians, units.angle().small());
    }

    private static BigDecimal plain(double value) {
        return inUnit(value, 1);
    }

    private void putLength(ObjectNode to, String key, OptionalDouble metres) {
        metres.ifPresent(m -> to.put(key, length(m)));
    }

    private static void putPlain(ObjectNode to, String key, OptionalDouble value) {
        value.ifPresent(v -> to.put(key, plain(v)));
    }

    private static void putText(ObjectNode to, String key, String text) {
        if (!text.isEmpty()) {
            to.put(key, text);
        }
    }

    private static <T> ArrayNode list(List<T> all, Function<T, ObjectNode> node) {
        ArrayNode nodes = JsonNodeFactory.instance.arrayNode();
        all.forEach(each -> nodes.add(node.apply(each)));
        return nodes;
    }

    ObjectNode job(Job job) {
        ObjectNode to = object();
        to.put("format", "mark-turn-job").put("version", 1).put("name", job.name());
        putText(to, "place", job.place());
        to.putObject("units")
                .put("length", units.length().key())
                .put("angle", units.angle().key());
        if (units.bearings() == Units.Bearings.QUADRANT) {
            to.withObject("units").put("bearings", units.bearings().key());
        }
        classOfWork(to, job.classOfWork());
        to.put("planOnly", job.planOnly());
        earth(to.putObject("earth"), job.earth());
        to.set("instruments", list(job.instruments(), this::instrument));
        to.set("reflectors", list(job.reflectors(), this::reflector));
        if (!job.codes().isEmpty()) {
            to.set("codes", list(job.codes(), this::code));
        }
        to.set("marks", list(job.marks(), this::mark));
        to.set("setups", list(job.setups(), this::setup));
        to.set("fixes", list(job.fixes(), this::fix));
        if (!job.references().isEmpty()) {
            to.set("references", list(job.references(), this::reference));
        }
        to.set("traverses", list(job.traverses(), JobNodes::traverse));
        if (job.network().run() || job.network().adopt()) {
            to.putObject("network")
                    .put("run", job.network().run())
                    .put("adopt", job.network().adopt());
        }
        to.set("adopted", list(job.adopted(), this::adopted));
        to.set("decisions", list(job.decisions(), JobNodes::decision));
        return to;
    }

    private void classOfWork(ObjectNode to, ClassOfWork work) {
        to.put("classOfWork", work.preset().key());
        if (work.overrides().isEmpty()) {
            return;
        }
        ObjectNode limits = to.putObject("classLimits");
        for (Limit limit : Limit.values()) {
            Double value = work.overrides().get(limit);
            if (value != null) {
                limits.put(
                        limit.key(),
                        switch (limit.dimension()) {
                            case ARC -> small(value);
                            case LENGTH -> length(value);
                            case MINUTES, COUNT, RATIO -> plain(value);
                        });
            }
        }
    }

    void earth(ObjectNode to, Earth earth) {
        to.put("radius", length(earth.radius()))
                .put("refraction", plain(earth.refraction()))
                .put("curvature", earth.curvature())
                .put("scaleFactor", plain(earth.scaleFactor()));
        earth.projection()
                .ifPresent(p -> to.putObject("projection")
                        .put("definition", p.definition())
                        .put("meanHeight", length(p.meanHeight())));
    }

    private void notch(ObjectNode to, Optional<Notch> notch) {
        notch.ifPresent(
                n -> to.putObject("notch").put("radius", length(n.radius())).put("belowAxis", length(n.belowAxis())));
    }

    static void atmosphere(ObjectNode to, Atmosphere air) {
        to.put("temperature", plain(air.temperature()))
                .put("pressure", plain(air.pressure()))
                .put("vapour", plain(air.vapour()));
    }

    ObjectNode instrument(Instrument of) {
        ObjectNode to = object();
        to.put("name", of.name())
                .put("directionStdDev", small(of.directionStdDev()))
                .put("zenithStdDev", small(of.zenithStdDev()))
                .put("distanceStdDev", length(of.distanceStdDev()))
                .put("distancePpm", plain(of.distancePpm()))
                .put("centringStdDev", length(of.centringStdDev()))
                .put("heightStdDev", length(of.heightStdDev()));
        putPlain(to, "wavelength", of.wavelength());
        atmosphere(to.putObject("reference"), of.reference());
        notch(to, of.notch());
        return to;
    }

    ObjectNode reflector(Reflector of) {
        ObjectNode to = object();
        to.put("name", of.name())
                .put("constant", length(of.constant()))
                .put("centringStdDev", length(of.centringStdDev()))
                .put("heightStdDev", length(of.heightStdDev()));
        notch(to, of.notch());
        putLength(to, "belowAntenna", of.belowAntenna());
        return to;
    }

    private void coordinates(ObjectNode to, Mark.Coordinates at) {
        to.put("northing", length(at.northing())).put("easting", length(at.easting()));
        putLength(to, "elevation", at.elevation());
    }

    private void deviations(ObjectNode to, Mark.Deviations of) {
        to.put("northing", length(of.northing()))
                .put("easting", length(of.easting()))
                .put("elevation", length(of.elevation()));
    }

    ObjectNode mark(Mark of) {
        ObjectNode to = object();
        to.put("name", of.name()).put("kind", JobElements.key(of.kind()));
        of.given().ifPresent(at -> coordinates(to, at));
        of.stdDev().ifPresent(d -> deviations(to.putObject("stdDev"), d));
        putText(to, "source", of.source());
        of.found().ifPresent(f -> to.put("found", f.key()));
        putText(to, "code", of.code());
        of.sameAs().ifPresent(s -> to.put("sameAs", s));
        of.joining()
                .ifPresent(j -> to.putObject("line")
                        .put("number", j.line())
                        .put("act", j.act().key()));
        of.by().ifPresent(by -> construction(to.putObject("by"), by));
        return to;
    }

    private static void construction(ObjectNode to, Construction by) {
        if (by instanceof Construction.Round round) {
            to.putObject("round")
                    .put("leftEdge", round.leftEdge())
                    .put("rightEdge", round.rightEdge())
                    .put("front", round.front());
        } else if (by instanceof Construction.Above above) {
            to.put("above", above.base());
        } else {
            ArrayNode corner = to.putArray("corner");
            by.bases().forEach(corner::add);
        }
    }

    ObjectNode code(Code of) {
        ObjectNode to = object();
        to.put("name", of.name());
        putText(to, "words", of.words());
        of.numbers()
                .ifPresent(n -> to.putObject("numbers").put("first", n.first()).put("last", n.last()));
        putLength(to, "targetHeight", of.targetHeight());
        return to.put("line", of.line())
                .put("sign", JobElements.key(of.sign()))
                .put("stroke", JobElements.key(of.stroke()));
    }

    ObjectNode height(MeasuredHeight of) {
        ObjectNode to = object().put("value", length(of.value())).put("to", JobElements.key(of.to()));
        putLength(to, "again", of.again());
        return to;
    }

    ObjectNode setup(Setup of) {
        ObjectNode to = object();
        to.put("name", of.name())
                .put("station", of.station())
                .put("method", JobElements.key(of.method()))
                .put("instrument", of.instrument());
        of.instrumentHeight().ifPresent(h -> to.set("instrumentHeight", height(h)));
        of.tilt()
                .ifPresent(t -> to.putObject("tilt")
                        .put("along", small(t.along()))
                        .put("across", small(t.across()))
                        .put("compensated", t.compensated()));
        of.atmosphere().ifPresent(a -> atmosphere(to.putObject("atmosphere"), a));
        if (of.orientation() instanceof Setup.ByResection free) {
            resection(to, free);
        } else {
            orientation(to.putObject("orientation"), of);
            leaveOut(to, of.orientation());
        }
        putLength(to, "plummet", of.settingUp().plummet());
        putLength(to, "centringStdDev", of.settingUp().centringStdDev());
        of.settingUp().at().ifPresent(at -> to.put("at", at.toString()));
        to.set("readings", list(of.readings(), this::reading));
        return to;
    }

    static void resection(ObjectNode to, Setup.ByResection free) {
        leaveOut(to, free);
        if (free.solveScale()) {
            to.put("solveScale", true);
        }
    }

    private static void leaveOut(ObjectNode to, Setup.Orientation by) {
        if (!by.leaveOut().isEmpty()) {
            ArrayNode leaveOut = to.putArray("leaveOut");
            for (Setup.LeftOut left : by.leaveOut()) {
                if (left.only().isEmpty()) {
                    leaveOut.add(left.target());
                } else {
                    leaveOut.addObject()
                            .put("target", left.target())
                            .put("only", JobElements.key(left.only().get()));
                }
            }
        }
    }

    private void orientation(ObjectNode orientation, Setup of) {
        if (of.orientation() instanceof Setup.ByAzimuth given) {
            orientation.put("azimuth", given.azimuth().written()).put("sight", given.sight());
        } else if (of.orientation() instanceof Setup.ByFeature feature) {
            orientation
                    .putObject("feature")
                    .put("northing", length(feature.northing()))
                    .put("easting", length(feature.easting()))
                    .put("stdDev", length(feature.stdDev()));
            orientation.put("sight", feature.sight());
        } else {
            ArrayNode sights = orientation.putArray("sights");
            of.orientation().sights().forEach(sights::add);
        }
    }

    ObjectNode reading(Reading of) {
        ObjectNode to = object();
        to.put("target", of.target()).put("role", JobElements.key(of.role()));
        of.set().ifPresent(s -> to.put("set", s));
        to.put("face", JobElements.key(of.face())).put("circle", of.circle().written());
        of.zenith().ifPresent(z -> to.put("zenith", z.written()));
        putLength(to, "slope", of.slope());
        if (!of.slopes().isEmpty()) {
            ArrayNode slopes = to.putArray("slopes");
            of.slopes().forEach(s -> slopes.add(length(s)));
        }
        to.put("reflector", of.reflector());
        of.targetHeight().ifPresent(h -> to.set("targetHeight", height(h)));
        of.at().ifPresent(at -> to.put("at", at.toString()));
        to.put("origin", JobElements.key(of.origin()));
        of.applied().ifPresent(a -> {
            ObjectNode applied = to.putObject("applied");
            putLength(applied, "constant", a.constant());
            putPlain(applied, "ppm", a.ppm());
        });
        of.offset()
                .ifPresent(o -> to.putObject("offset")
                        .put("along", length(o.along()))
                        .put("across", length(o.across()))
                        .put("up", length(o.up())));
        putLength(to, "centringStdDev", of.centringStdDev());
        of.struck().ifPresent(reason -> to.put("struck", reason));
        return to;
    }

    ObjectNode fix(SatelliteFix of) {
        ObjectNode to = object();
        to.put("mark", of.mark());
        coordinates(to, of.position());
        deviations(to.putObject("stdDev"), of.stdDev());
        of.antennaHeight().ifPresent(h -> to.set("antennaHeight", height(h)));
        putText(to, "source", of.source());
        of.struck().ifPresent(reason -> to.put("struck", reason));
        return to.put("use", JobElements.key(of.use())).put("origin", JobElements.key(of.origin()));
    }

    ObjectNode reference(ReferencePair of) {
        ObjectNode to = object().put("from", of.one()).put("to", of.other());
        putLength(to, "distance", of.distance());
        to.put("stdDev", length(of.stdDev()));
        putLength(to, "heightDifference", of.rise());
        to.put("heightStdDev", length(of.riseStdDev()));
        putText(to, "how", of.how());
        return to;
    }

    static ObjectNode traverse(Traverse of) {
        ObjectNode to = object().put("name", of.name());
        ArrayNode route = to.putArray("route");
        of.route().forEach(route::add);
        return to.put("method", of.rule().key()).put("adopt", of.adopt());
    }

    ObjectNode adopted(Adopted of) {
        ObjectNode to = object();
        to.put("mark", of.mark());
        coordinates(to, of.position());
        of.stdDev().ifPresent(d -> deviations(to.putObject("stdDev"), d));
        putText(to, "from", of.from());
        of.at().ifPresent(at -> to.put("at", at.toString()));
        putText(to, "by", of.by());
        putText(to, "reason", of.reason());
        return to;
    }

    static ObjectNode decision(Decision of) {
        ObjectNode to = object();
        of.at().ifPresent(at -> to.put("at", at.toString()));
        putText(to, "by", of.by());
        to.put("what", of.what());
        Map<String, Object> on = of.on();
        to.set("on", StrictJson.MAPPER.valueToTree(on));
        putText(to, "reason", of.reason());
        of.before().ifPresent(b -> to.set("before", StrictJson.MAPPER.valueToTree(b)));
        of.after().ifPresent(a -> to.set("after", StrictJson.MAPPER.valueToTree(a)));
        return to;
    }
}
