package markturn.fieldbook.wire;

import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** Writes what is booked at an instrument: setups, readings, heights. */
final class SetupWriter {
    private final JobWriter writer;

    SetupWriter(JobWriter writer) {
        this.writer = writer;
    }

    Fields height(MeasuredHeight of) {
        Fields to = new Fields().put("value", writer.length(of.value())).put("to", JobReader.key(of.to()));
        writer.putLength(to, "again", of.again());
        return to;
    }

    Fields setup(Setup of) {
        Fields to = new Fields();
        to.put("name", of.name())
                .put("station", of.station())
                .put("method", JobReader.key(of.method()))
                .put("instrument", of.instrument());
        of.instrumentHeight().ifPresent(h -> to.put("instrumentHeight", height(h)));
        of.tilt()
                .ifPresent(t -> to.putFields("tilt")
                        .put("along", writer.small(t.along()))
                        .put("across", writer.small(t.across()))
                        .put("compensated", t.compensated()));
        of.atmosphere().ifPresent(a -> JobWriter.atmosphere(to.putFields("atmosphere"), a));
        if (of.orientation() instanceof Setup.ByResection free) {
            resection(to, free);
        } else {
            orientation(to.putFields("orientation"), of);
            leaveOut(to, of.orientation());
        }
        writer.putLength(to, "plummet", of.settingUp().plummet());
        writer.putLength(to, "centringStdDev", of.settingUp().centringStdDev());
        of.settingUp().at().ifPresent(at -> to.put("at", at.toString()));
        to.put("readings", JobWriter.list(of.readings(), this::reading));
        return to;
    }

    static void resection(Fields to, Setup.ByResection free) {
        leaveOut(to, free);
        if (free.solveScale()) {
            to.put("solveScale", true);
        }
    }

    private static void leaveOut(Fields to, Setup.Orientation by) {
        if (!by.leaveOut().isEmpty()) {
            Items leaveOut = to.putItems("leaveOut");
            for (Setup.LeftOut left : by.leaveOut()) {
                if (left.only().isEmpty()) {
                    leaveOut.add(left.target());
                } else {
                    leaveOut.add(new Fields()
                            .put("target", left.target())
                            .put("only", JobReader.key(left.only().get())));
                }
            }
        }
    }

    private void orientation(Fields orientation, Setup of) {
        if (of.orientation() instanceof Setup.ByAzimuth given) {
            orientation.put("azimuth", given.azimuth().written()).put("sight", given.sight());
        } else if (of.orientation() instanceof Setup.ByFeature feature) {
            orientation
                    .putFields("feature")
                    .put("northing", writer.length(feature.northing()))
                    .put("easting", writer.length(feature.easting()))
                    .put("stdDev", writer.length(feature.stdDev()));
            orientation.put("sight", feature.sight());
        } else {
            Items sights = orientation.putItems("sights");
            of.orientation().sights().forEach(sights::add);
        }
    }

    Fields reading(Reading of) {
        Fields to = new Fields();
        to.put("target", of.target()).put("role", JobReader.key(of.role()));
        of.set().ifPresent(s -> to.put("set", s));
        to.put("face", JobReader.key(of.face())).put("circle", of.circle().written());
        of.zenith().ifPresent(z -> to.put("zenith", z.written()));
        writer.putLength(to, "slope", of.slope());
        if (!of.slopes().isEmpty()) {
            Items slopes = to.putItems("slopes");
            of.slopes().forEach(s -> slopes.add(writer.length(s)));
        }
        to.put("reflector", of.reflector());
        of.targetHeight().ifPresent(h -> to.put("targetHeight", height(h)));
        of.at().ifPresent(at -> to.put("at", at.toString()));
        to.put("origin", JobReader.key(of.origin()));
        of.applied().ifPresent(a -> {
            Fields applied = to.putFields("applied");
            writer.putLength(applied, "constant", a.constant());
            JobWriter.putPlain(applied, "ppm", a.ppm());
        });
        of.offset()
                .ifPresent(o -> to.putFields("offset")
                        .put("along", writer.length(o.along()))
                        .put("across", writer.length(o.across()))
                        .put("up", writer.length(o.up())));
        writer.putLength(to, "centringStdDev", of.centringStdDev());
        of.struck().ifPresent(reason -> to.put("struck", reason));
        return to;
    }
}
