package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree;
import markturn.survey.job.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Logs as earlier versions stored them open for ever. Each was written by the version it is named after, from the demo and from every kind
 * of entry with every optional part; the job file beside it is what that version made of it. Source: those versions themselves.
 */
class FrozenLogTest {
    /** One line of a log, as it is stored. */
    private record Line(long sequence, String key, Instant at, String by, String kind, int revision, Tree payload) {
        static Line of(String text) {
            Tree line = JsonTrees.read(text);
            Tree revision = line.at("revision");
            return new Line(
                    ((Number) line.at("sequence").plain()).longValue(),
                    line.text("key"),
                    Instant.parse(line.text("at")),
                    line.text("by"),
                    line.text("kind"),
                    revision instanceof Tree.Amount amount ? (int) amount.value() : 1,
                    line.at("payload"));
        }

        Entry entry(Units units) {
            return new Entry(sequence, key, at, by, EntryPayload.Kind.read(kind, revision, payload, units));
        }
    }

    /** An entry as a line of a log holds it. */
    static Entry entry(String line, Units units) {
        return Line.of(line).entry(units);
    }

    private static byte[] resource(String name) {
        try (InputStream in = FrozenLogTest.class.getResourceAsStream("frozen/" + name)) {
            return in.readAllBytes();
        } catch (IOException unreadable) {
            throw new AssertionError(unreadable);
        }
    }

    private static List<Line> log(String version) {
        return new String(resource("entries-" + version + ".jsonl"), StandardCharsets.UTF_8)
                .lines()
                .map(Line::of)
                .toList();
    }

    private static BookedJob opened(List<Line> log) {
        Assembly.Replay replay = new Assembly.Replay(Assembly.empty("job", Computing.AT_ONCE));
        replay.addAll(log, Line::entry);
        return replay.done();
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.1", "0.2.0"})
    void aLogOfAnEarlierVersionOpens(String version) {
        BookedJob book = opened(log(version));
        Tree written = new JobWriter(book.job().units()).job(book.job());
        assertThat(JsonTrees.read(JsonTrees.line(written)))
                .isEqualTo(JsonTrees.read(new String(resource("job-" + version + ".json"), StandardCharsets.UTF_8)));
        assertThat(book.result().measured().setups()).isNotEmpty();
    }

    /** A kind that comes with a later version comes into the log of that version. */
    @Test
    void everyKindIsInTheLatestLog() {
        Set<EntryPayload.Kind> there =
                opened(log("0.2.0")).entries().stream().map(Entry::kind).collect(Collectors.toSet());
        assertThat(there).isEqualTo(EnumSet.allOf(EntryPayload.Kind.class));
    }

    /** One by one and all at once make the same book; written and read again it is the same. */
    @Test
    void entryByEntryAndAllAtOnceAreOne() {
        List<Line> log = log("0.1");
        BookedJob atOnce = opened(log);
        BookedJob oneByOne = Assembly.empty("job", Computing.AT_ONCE);
        for (Line line : log) {
            oneByOne = Assembly.with(oneByOne, line.entry(oneByOne.job().units()));
        }
        assertThat(oneByOne.job()).isEqualTo(atOnce.job());
        assertThat(oneByOne.entries()).isEqualTo(atOnce.entries());
        for (Entry entry : atOnce.entries()) {
            Tree written = entry.payload().written(new JobWriter(atOnce.job().units()));
            EntryPayload again = EntryPayload.Kind.read(
                    entry.kind().stored(),
                    entry.kind().revision(),
                    JsonTrees.read(JsonTrees.line(written)),
                    atOnce.job().units());
            assertThat(again).isEqualTo(entry.payload());
        }
    }

    /** Assembly never refuses: whatever of a log is missing, the rest opens. */
    @Test
    void aLogWithHolesOpens() {
        List<Line> log = log("0.1");
        for (int hole = 1; hole < log.size(); hole++) {
            List<Line> others = new ArrayList<>(log);
            others.remove(hole);
            assertThat(opened(others).entries()).hasSize(log.size() - 1);
        }
    }
}
