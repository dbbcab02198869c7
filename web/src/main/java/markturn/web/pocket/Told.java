package markturn.web.pocket;

import java.time.Instant;
import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Booker;
import markturn.fieldbook.Entry;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.fieldbook.wire.Tree.Items;
import markturn.tripod.typed.Occasion;

/** What a server tells a device of a job. */
final class Told {
    private Told() {}

    /** Its entries behind a sequence, the last sequence, and what the server's clock says. */
    static Fields of(BookedJob book, long after) {
        Fields told = new Fields()
                .put("upTo", book.revision())
                .put("now", Instant.now().toString());
        Items entries = told.putItems("entries");
        JobWriter writer = new JobWriter(book.job().units());
        List<Entry> all = book.entries();
        all.stream().filter(entry -> entry.sequence() > after).forEach(entry -> entries.add(entry(entry, writer)));
        return told;
    }

    private static Fields entry(Entry entry, JobWriter writer) {
        return new Fields()
                .put("sequence", entry.sequence())
                .put("key", entry.key())
                .put("at", entry.at().toString())
                .put("by", entry.by())
                .put("kind", entry.kind().stored())
                .put("revision", entry.kind().revision())
                .put("payload", entry.payload().written(writer));
    }

    /** Who takes it along, with what device, and what they may book. */
    static Fields carrier(Occasion occasion, Booker booker) {
        return new Fields()
                .put("account", occasion.account())
                .put("by", occasion.by())
                .put("device", occasion.device().orElse(""))
                .put("surveyor", booker.surveyor())
                .put("reviewer", booker.reviewer());
    }
}
