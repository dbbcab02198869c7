package markturn.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import markturn.survey.job.Adopted;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Code;
import markturn.survey.job.Decision;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.ReferencePair;
import markturn.survey.job.Reflector;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.job.Units;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Single elements of a job file, as the field book keeps them: the same words, the same units, the same reading and writing. */
public final class Pieces {
    private final Units units;
    private final JobNodes nodes;

    public Pieces(Units units) {
        this.units = units;
        this.nodes = new JobNodes(units);
    }

    public ObjectNode write(Instrument of) {
        return nodes.instrument(of);
    }

    public ObjectNode write(Reflector of) {
        return nodes.reflector(of);
    }

    public ObjectNode write(Code of) {
        return nodes.code(of);
    }

    public ObjectNode write(Mark of) {
        return nodes.mark(of);
    }

    public ObjectNode write(Setup of) {
        return nodes.setup(of);
    }

    public ObjectNode write(Reading of) {
        return nodes.reading(of);
    }

    public ObjectNode write(MeasuredHeight of) {
        return nodes.height(of);
    }

    public ObjectNode write(Decision of) {
        return JobNodes.decision(of);
    }

    public ObjectNode write(SatelliteFix of) {
        return nodes.fix(of);
    }

    public ObjectNode write(ReferencePair of) {
        return nodes.reference(of);
    }

    /** The earth, under the key by which a job holds it. */
    public ObjectNode write(Earth of) {
        ObjectNode holder = JsonNodeFactory.instance.objectNode();
        nodes.earth(holder.putObject("earth"), of);
        return holder;
    }

    public SatelliteFix fix(JsonNode node) {
        return read(node, JobElements::fix);
    }

    public ReferencePair reference(JsonNode node) {
        return read(node, JobElements::reference);
    }

    public Earth earth(JsonNode node) {
        return read(node, JobElements::earth);
    }

    public Atmosphere atmosphere(JsonNode node) {
        return read(node, JobElements::atmosphere);
    }

    public ObjectNode write(Atmosphere of) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        JobNodes.atmosphere(to, of);
        return to;
    }

    public ObjectNode write(Traverse of) {
        return JobNodes.traverse(of);
    }

    public ObjectNode write(Adopted of) {
        return nodes.adopted(of);
    }

    public Traverse traverse(JsonNode node) {
        return read(node, JobElements::traverse);
    }

    public Adopted adopted(JsonNode node) {
        return read(node, JobElements::adopted);
    }

    /** What of the marks is left out of a resection, and whether its scale is free. */
    public Setup.ByResection resection(JsonNode node) {
        return read(node, JobElements::byResection);
    }

    /** The same under the keys by which a setup holds it. */
    public ObjectNode write(Setup.ByResection by) {
        ObjectNode to = JsonNodeFactory.instance.objectNode();
        JobNodes.resection(to, by);
        return to;
    }

    public Instrument instrument(JsonNode node) {
        return read(node, JobElements::instrument);
    }

    public Reflector reflector(JsonNode node) {
        return read(node, JobElements::reflector);
    }

    public Code code(JsonNode node) {
        return read(node, JobElements::code);
    }

    public Mark mark(JsonNode node) {
        return read(node, JobElements::mark);
    }

    public Setup setup(JsonNode node) {
        return read(node, JobElements::setup);
    }

    public Reading reading(JsonNode node) {
        return read(node, JobElements::reading);
    }

    public MeasuredHeight height(JsonNode node) {
        return read(node, JobElements::height);
    }

    public Decision decision(JsonNode node) {
        return read(node, JobElements::decision);
    }

    /** What this program wrote reads back without a fault; anything else is damage, and is said. */
    private <T> T read(JsonNode node, Function<Element, T> how) {
        List<Fault> faults = new ArrayList<>();
        T read = how.apply(new Element(node, "$", units, faults));
        if (!faults.isEmpty()) {
            throw new IllegalStateException("damaged entry: " + faults.get(0).line());
        }
        return read;
    }
}
