package markturn.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import markturn.fieldbook.wire.Fault;
import markturn.fieldbook.wire.JobNames;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree;
import markturn.survey.job.Job;
import tools.jackson.databind.JsonNode;

/** The job file: a whole job as JSON. It is held against the published schema first, then against what a schema cannot see. */
public final class JobFile {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "job-file",
            "job.json",
            "application/json",
            "Job file",
            "JSON: everything that was booked, struck-out lines legible, and every decision. It brings the whole job back.",
            (result, scale) -> Optional.of(write(result.job())));

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
        // The first file of a run waits for the schema; it is laid out while the file is parsed.
        CompletableFuture<SchemaCheck> schema = CompletableFuture.supplyAsync(() -> SchemaHolder.SCHEMA);
        JsonNode document = StrictJson.parse(file);
        if (!document.isObject()) {
            throw new FaultyFile(
                    List.of(new Fault("$", "", "expected a job file: an object with \"format\": \"mark-turn-job\"")));
        }
        List<Fault> faults = new ArrayList<>(schema.join().check(document));
        TextCheck.check(document, "$", faults);
        if (!faults.isEmpty()) {
            throw new FaultyFile(faults);
        }
        Tree tree = JsonTrees.tree(document);
        resolveProjection(tree, faults);
        return read(tree, faults);
    }

    private static Job read(Tree document, List<Fault> faults) throws FaultyFile {
        Job job = JobReader.job(document, faults);
        if (faults.isEmpty()) {
            JobNames.check(job, faults);
        }
        if (!faults.isEmpty()) {
            throw new FaultyFile(faults);
        }
        return job;
    }

    /** A projection by its name or code is written out, or is a fault. */
    private static void resolveProjection(Tree document, List<Fault> faults) {
        if (document.at("earth").at("projection") instanceof Tree.Fields projection) {
            String typed = projection.text("definition");
            Optional<String> definition = ProjectionNames.definition(typed);
            definition.ifPresent(written -> projection.put("definition", written));
            if (definition.isEmpty()) {
                faults.add(new Fault(
                        "$.earth.projection.definition", '"' + typed + '"', "expected " + ProjectionNames.EXPECTED));
            }
        }
    }

    /** Writes a job so that {@link #read} gives it back. */
    public static byte[] write(Job job) {
        return JsonTrees.file(new JobWriter(job.units()).job(job).put("x-program", Version.program()));
    }
}
