package markturn.fieldbook;

import java.util.Optional;
import java.util.Set;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.LastOne;
import markturn.fieldbook.wire.SetupReader;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * One reading.
 *
 * @param device that booked it, known by a cookie of its own; it holds the pen of the setup from then on
 */
public record ReadingBooked(String setup, Reading reading, Optional<String> device) implements EntryPayload {
    private static final LastOne<Optional<String>> DEVICES = new LastOne<>(Optional.empty());

    static ReadingBooked read(Element of, int revision) {
        return new ReadingBooked(
                of.name("setup"), SetupReader.reading(of.at("reading")), DEVICES.of(of.optionalName("device")));
    }

    @Override
    public Kind kind() {
        return Kind.READING;
    }

    @Override
    public void require(BookedJob book) {
        Job job = book.job();
        Setup at = Known.setup(job, setup);
        Known.mark(job, reading.target(), "target");
        if (job.trueName(reading.target()).equals(job.trueName(at.station()))) {
            throw new Refused("target", "The instrument stands on " + reading.target() + ": sight another mark");
        }
        Known.reflector(job, reading.reflector(), "reflector");
    }

    @Override
    public void apply(BookDraft draft, Entry entry) {
        draft.readings(setup).ifPresent(readings -> {
            draft.place(entry.key(), new ReadingPlace(setup, readings.size()));
            readings.add(reading);
            draft.state().observed(setup, entry.by());
            device.ifPresent(name -> draft.state().pen(setup, new Pen(name, entry.by())));
        });
    }

    @Override
    public Fields written(JobWriter to) {
        Fields fields = new Fields().put("setup", setup);
        fields.put("reading", to.reading(reading));
        device.ifPresent(name -> fields.put("device", name));
        return fields;
    }

    @Override
    public Set<String> writesAt(BookedJob book) {
        return Set.of(setup);
    }
}
