package markturn.formats;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Network;
import markturn.survey.job.Units;
import tools.jackson.databind.JsonNode;

/** The job file: a whole job as JSON. It is held against the published schema first, then against what a schema cannot see. */
public final class JobFile {
    public static final int LARGEST_FILE = StrictJson.LARGEST_FILE;

    private static final class SchemaHolder {
        static final SchemaCheck SCHEMA = new SchemaCheck("job-file.schema.json");
    }

    private JobFile() {}

    /**
     * Reads a job file.
     *
     * @throws FaultyFile with every fault found, each with path, value and what was expected
     */
    public static Job read(byte[] file) throws FaultyFile {
        return read(file, true);
    }

    /**
     * Reads a job file that was taken in once: whatever is asked of files since then, it opens.
     *
     * @throws FaultyFile where it is no job file at all
     */
    public static Job readStored(byte[] file) throws FaultyFile {
        return read(file, false);
    }

    private static Job read(byte[] file, boolean admitting) throws FaultyFile {
        JsonNode document = StrictJson.parse(file, admitting);
        if (!document.isObject()) {
            throw new FaultyFile(
                    List.of(new Fault("$", "", "expected a job file: an object with \"format\": \"mark-turn-job\"")));
        }
        List<Fault> faults = new ArrayList<>(SchemaHolder.SCHEMA.check(document));
        if (admitting) {
            TextCheck.check(document, "$", faults);
        }
        if (!faults.isEmpty()) {
            throw new FaultyFile(faults);
        }
        Job job = job(document, faults);
        if (faults.isEmpty()) {
            JobNames.check(job, faults);
        }
        if (!faults.isEmpty()) {
            throw new FaultyFile(faults);
        }
        return job;
    }

    private static Job job(JsonNode document, List<Fault> faults) {
        JsonNode units = document.get("units");
        Units inForce = new Units(
                LengthUnit.of(units.get("length").asString()).orElseThrow(),
                AngleUnit.of(units.get("angle").asString()).orElseThrow(),
                units.path("bearings").asString("").equals(Units.Bearings.QUADRANT.key())
                        ? Units.Bearings.QUADRANT
                        : Units.Bearings.AZIMUTH);
        Element root = new Element(document, "$", inForce, faults);
        return new Job(
                root.text("name"),
                root.text("place"),
                inForce,
                JobElements.classOfWork(root),
                root.flag("planOnly", false),
                JobElements.earth(root),
                root.list("instruments").stream().map(JobElements::instrument).toList(),
                root.list("reflectors").stream().map(JobElements::reflector).toList(),
                root.list("codes").stream().map(JobElements::code).toList(),
                root.list("marks").stream().map(JobElements::mark).toList(),
                root.list("setups").stream().map(JobElements::setup).toList(),
                root.list("fixes").stream().map(JobElements::fix).toList(),
                root.list("references").stream().map(JobElements::reference).toList(),
                root.list("traverses").stream().map(JobElements::traverse).toList(),
                new Network(
                        root.at("network").flag("run", false),
                        root.at("network").flag("adopt", false)),
                root.list("adopted").stream().map(JobElements::adopted).toList(),
                root.list("decisions").stream().map(JobElements::decision).toList());
    }

    /** Writes a job so that {@link #read} gives it back. */
    public static byte[] write(Job job) {
        return StrictJson.MAPPER.writeValueAsBytes(new JobNodes(job.units()).job(job));
    }
}
