package markturn.tripod.detail;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.Refused;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.station.Sight;
import markturn.tripod.station.Station;
import markturn.tripod.station.Stations;
import markturn.tripod.typed.Form;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;

/** The shot in hand, as the station at the setup shows it. */
final class MeasuredShot {
    private final BookedJob book;
    private final String setup;
    private final Occasion occasion;

    MeasuredShot(BookedJob book, String setup, Occasion occasion) {
        this.book = book;
        this.setup = setup;
        this.occasion = occasion;
    }

    Outcome outcome(Map<String, String> typed) {
        if (book.holds(typed.getOrDefault("key", ""))) {
            return Outcome.done();
        }
        Optional<Station> station = occasion.stations().of(book);
        if (station.isEmpty()) {
            return Outcome.message(Stations.MISSING);
        }
        Form form = new Form(typed, book.job().units());
        String target = form.name("name", "the name of the point");
        Choice choice = Choice.of(typed, book.job(), in(book));
        Optional<MeasuredHeight> height = form.height("height", true, "the height of the target over its mark");
        Optional<Reading.Offset> offset = DetailEntries.offset(form);
        boolean bare = choice.reflector().equals(Reflector.REFLECTORLESS);
        if (height.isEmpty() && !bare && !book.job().planOnly()) {
            form.fault("height", "Empty: expected the height of the target over its mark");
        }
        if (!form.isSound()) {
            return new Outcome.Faults(form.faults());
        }
        DetailEntries entries = new DetailEntries(book, in(book), occasion);
        BookedJob withMark = entries.unknown(choice, target)
                .map(mark -> Admission.preview(book, occasion.account(), occasion.now(), new MarkAdded(mark)))
                .orElse(book);
        Sight sight =
                new Sight(target, choice.role(), 0, choice.face(), choice.reflector(), height, OptionalDouble.empty());
        try {
            Reading seen = station.get().sight(withMark, in(withMark), sight, false, occasion.now());
            Reading turned = "1".equals(typed.get("angleOnly")) ? seen.withSlope(OptionalDouble.empty()) : seen;
            return entries.booked(choice, offset.map(turned::withOffset).orElse(turned));
        } catch (Refused refused) {
            return Outcome.message(refused.getMessage());
        }
    }

    private Setup in(BookedJob now) {
        return now.job().setup(setup).orElseThrow();
    }
}
