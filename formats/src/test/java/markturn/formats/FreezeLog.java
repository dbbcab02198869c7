package markturn.formats;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;

/** Writes a log of the present version for {@link FrozenLogTest}, from the one before; entries of new kinds are then added by hand. */
final class FreezeLog {
    private FreezeLog() {}

    /** @param args the version before, the present version, and the folder of the logs */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[2]);
        Assembly.Replay replay = new Assembly.Replay(Assembly.empty("job", Computing.AT_ONCE));
        List<String> lines = new ArrayList<>();
        for (String line : Files.readAllLines(folder.resolve("entries-" + args[0] + ".jsonl"))) {
            Entry entry = FrozenLogTest.entry(line, replay.units());
            replay.add(entry);
            Tree written = entry.payload().written(new JobWriter(replay.units()));
            lines.add(JsonTrees.line(new Fields()
                    .put("sequence", entry.sequence())
                    .put("key", entry.key())
                    .put("at", entry.at().toString())
                    .put("by", entry.by())
                    .put("kind", entry.kind().stored())
                    .put("revision", entry.kind().revision())
                    .put("payload", written)));
        }
        Files.write(folder.resolve("entries-" + args[1] + ".jsonl"), lines, StandardCharsets.UTF_8);
        Files.write(
                folder.resolve("job-" + args[1] + ".json"),
                JsonTrees.file(new JobWriter(replay.units()).job(replay.done().job())));
    }
}
