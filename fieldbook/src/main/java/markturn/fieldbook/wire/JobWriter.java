package markturn.fieldbook.wire;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Function;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
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

/** Records to elements of the job file, in the job's units. */
public final class JobWriter {
    /** Fifteen digits survive a decimal number's way into a double, through a unit and back. */
    private static final MathContext EXACT_DIGITS = new MathContext(15);

    private static final int SHORT_PLACES = 4;
    private static final double SHORT = 1e4;
    private static final double LONGEST_SHORT = 1e9;

    private final Units units;

    public JobWriter(Units units) {
        this.units = units;
    }

    private static Fields object() {
        return new Fields();
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

    /** A length (metres) as files of the job have it. */
    public BigDecimal length(double metres) {
        return inUnit(metres, units.length().metres());
    }

    BigDecimal small(double radians) {
        return inUnit(radians, units.angle().small());
    }

    public static BigDecimal plain(double value) {
        return inUnit(value, 1);
    }

    void putLength(Fields to, String key, OptionalDouble metres) {
        metres.ifPresent(m -> to.put(key, length(m)));
    }

    static void putPlain(Fields to, String key, OptionalDouble value) {
        value.ifPresent(v -> to.put(key, plain(v)));
    }

    private static void putText(Fields to, String key, String text) {
        if (!text.isEmpty()) {
            to.put(key, text);
        }
    }

    static <T> Items list(List<T> all, Function<T, Fields> node) {
        Items nodes = new Items();
        all.forEach(each -> nodes.add(node.apply(each)));
        return nodes;
    }

    public Fields job(Job job) {
        Fields to = object();
        to.put("format", "mark-turn-job").put("version", 1).put("name", job.name());
        putText(to, "place", job.place());
        Fields written = to.putFields("units")
                .put("length", units.length().key())
                .put("angle", units.angle().key());
        if (units.bearings() == Units.Bearings.QUADRANT) {
            written.put("bearings", units.bearings().key());
        }
        putText(written, "timeZone", units.timeZone());
        classOfWork(to, job.classOfWork());
        to.put("planOnly", job.planOnly());
        earth(to.putFields("earth"), job.earth());
        to.put("instruments", list(job.instruments(), this::instrument));
        to.put("reflectors", list(job.reflectors(), this::reflector));
        if (!job.codes().isEmpty()) {
            to.put("codes", list(job.codes(), this::code));
        }
        to.put("marks", list(job.marks(), this::mark));
        to.put("setups", list(job.setups(), this::setup));
        to.put("fixes", list(job.fixes(), this::fix));
        if (!job.references().isEmpty()) {
            to.put("references", list(job.references(), this::reference));
        }
        to.put("traverses", list(job.traverses(), JobWriter::traverse));
        if (job.network().run() || job.network().adopt()) {
            to.putFields("network")
                    .put("run", job.network().run())
                    .put("adopt", job.network().adopt());
        }
        to.put("adopted", list(job.adopted(), this::adopted));
        to.put("decisions", list(job.decisions(), JobWriter::decision));
        return to;
    }

    private void classOfWork(Fields to, ClassOfWork work) {
        to.put("classOfWork", work.preset().key());
        if (work.overrides().isEmpty()) {
            return;
        }
        Fields limits = to.putFields("classLimits");
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

    public void earth(Fields to, Earth earth) {
        to.put("radius", length(earth.radius()))
                .put("refraction", plain(earth.refraction()))
                .put("curvature", earth.curvature())
                .put("scaleFactor", plain(earth.scaleFactor()));
        earth.projection()
                .ifPresent(p -> to.putFields("projection")
                        .put("definition", p.definition())
                        .put("meanHeight", length(p.meanHeight())));
    }

    private void notch(Fields to, Optional<Notch> notch) {
        notch.ifPresent(
                n -> to.putFields("notch").put("radius", length(n.radius())).put("belowAxis", length(n.belowAxis())));
    }

    public static void atmosphere(Fields to, Atmosphere air) {
        to.put("temperature", plain(air.temperature()))
                .put("pressure", plain(air.pressure()))
                .put("vapour", plain(air.vapour()));
    }

    public Fields instrument(Instrument of) {
        Fields to = object();
        to.put("name", of.name())
                .put("directionStdDev", small(of.directionStdDev()))
                .put("zenithStdDev", small(of.zenithStdDev()))
                .put("distanceStdDev", length(of.distanceStdDev()))
                .put("distancePpm", plain(of.distancePpm()))
                .put("centringStdDev", length(of.centringStdDev()))
                .put("heightStdDev", length(of.heightStdDev()));
        putPlain(to, "wavelength", of.wavelength());
        atmosphere(to.putFields("reference"), of.reference());
        notch(to, of.notch());
        if (!of.serial().isEmpty()) {
            to.put("serial", of.serial());
        }
        if (!of.remembered().isEmpty()) {
            to.put("remembered", list(of.remembered(), this::remembered));
        }
        return to;
    }

    private Fields remembered(Instrument.Remembered of) {
        return object().put("at", of.at().toString())
                .put("collimation", small(of.collimation()))
                .put("collimationStdDev", small(of.collimationStdDev()))
                .put("index", small(of.index()))
                .put("indexStdDev", small(of.indexStdDev()));
    }

    public Fields reflector(Reflector of) {
        Fields to = object();
        to.put("name", of.name())
                .put("constant", length(of.constant()))
                .put("centringStdDev", length(of.centringStdDev()))
                .put("heightStdDev", length(of.heightStdDev()));
        notch(to, of.notch());
        putLength(to, "belowAntenna", of.belowAntenna());
        return to;
    }

    private void coordinates(Fields to, Mark.Coordinates at) {
        to.put("northing", length(at.northing())).put("easting", length(at.easting()));
        putLength(to, "elevation", at.elevation());
    }

    private void deviations(Fields to, Mark.Deviations of) {
        to.put("northing", length(of.northing()))
                .put("easting", length(of.easting()))
                .put("elevation", length(of.elevation()));
    }

    public Fields mark(Mark of) {
        Fields to = object();
        to.put("name", of.name()).put("kind", JobReader.key(of.kind()));
        of.given().ifPresent(at -> coordinates(to, at));
        of.stdDev().ifPresent(d -> deviations(to.putFields("stdDev"), d));
        putText(to, "source", of.source());
        of.found().ifPresent(f -> to.put("found", f.key()));
        putText(to, "code", of.code());
        of.sameAs().ifPresent(s -> to.put("sameAs", s));
        of.joining()
                .ifPresent(j -> to.putFields("line")
                        .put("number", j.line())
                        .put("act", j.act().key()));
        of.by().ifPresent(by -> construction(to.putFields("by"), by));
        return to;
    }

    private static void construction(Fields to, Construction by) {
        if (by instanceof Construction.Round round) {
            to.putFields("round")
                    .put("leftEdge", round.leftEdge())
                    .put("rightEdge", round.rightEdge())
                    .put("front", round.front());
        } else if (by instanceof Construction.Above above) {
            to.put("above", above.base());
        } else {
            Items corner = to.putItems("corner");
            by.bases().forEach(corner::add);
        }
    }

    public Fields code(Code of) {
        Fields to = object();
        to.put("name", of.name());
        putText(to, "words", of.words());
        of.numbers()
                .ifPresent(n -> to.putFields("numbers").put("first", n.first()).put("last", n.last()));
        putLength(to, "targetHeight", of.targetHeight());
        return to.put("line", of.line())
                .put("sign", JobReader.key(of.sign()))
                .put("stroke", JobReader.key(of.stroke()));
    }

    public Fields height(MeasuredHeight of) {
        return new SetupWriter(this).height(of);
    }

    public Fields setup(Setup of) {
        return new SetupWriter(this).setup(of);
    }

    public Fields reading(Reading of) {
        return new SetupWriter(this).reading(of);
    }

    public static void resection(Fields to, Setup.ByResection free) {
        SetupWriter.resection(to, free);
    }

    public Fields fix(SatelliteFix of) {
        Fields to = object();
        to.put("mark", of.mark());
        coordinates(to, of.position());
        deviations(to.putFields("stdDev"), of.stdDev());
        of.antennaHeight().ifPresent(h -> to.put("antennaHeight", height(h)));
        putText(to, "source", of.source());
        of.struck().ifPresent(reason -> to.put("struck", reason));
        return to.put("use", JobReader.key(of.use())).put("origin", JobReader.key(of.origin()));
    }

    public Fields reference(ReferencePair of) {
        Fields to = object().put("from", of.one()).put("to", of.other());
        putLength(to, "distance", of.distance());
        to.put("stdDev", length(of.stdDev()));
        putLength(to, "heightDifference", of.rise());
        to.put("heightStdDev", length(of.riseStdDev()));
        putText(to, "how", of.how());
        of.azimuth().ifPresent(a -> to.put("azimuth", a.written()).put("azimuthStdDev", small(of.azimuthStdDev())));
        return to;
    }

    public static Fields traverse(Traverse of) {
        Fields to = object().put("name", of.name());
        Items route = to.putItems("route");
        of.route().forEach(route::add);
        return to.put("method", of.rule().key()).put("adopt", of.adopt());
    }

    public Fields adopted(Adopted of) {
        Fields to = object();
        to.put("mark", of.mark());
        coordinates(to, of.position());
        of.stdDev().ifPresent(d -> deviations(to.putFields("stdDev"), d));
        putText(to, "from", of.from());
        of.at().ifPresent(at -> to.put("at", at.toString()));
        putText(to, "by", of.by());
        putText(to, "reason", of.reason());
        return to;
    }

    public static Fields decision(Decision of) {
        Fields to = object();
        of.at().ifPresent(at -> to.put("at", at.toString()));
        putText(to, "by", of.by());
        to.put("what", of.what());
        Map<String, Object> on = of.on();
        to.put("on", Tree.of(new TreeMap<>(on)));
        putText(to, "reason", of.reason());
        of.before().ifPresent(b -> to.put("before", Tree.of(b)));
        of.after().ifPresent(a -> to.put("after", Tree.of(a)));
        return to;
    }
}
