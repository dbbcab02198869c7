package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.show.Display;
import markturn.tripod.view.Address;
import markturn.tripod.view.SeverityShown;

/** The lines of a setup as they are shown: of a long one the last, whole sets, and whatever is out of its limit. */
final class BookLines {
    /** A setup with more lines than this shows its last ones, unless all are asked for. */
    private static final int LONG = 120;

    private static final int OF_LONG_SHOWN = 40;

    private final BookedJob book;
    private final Setup setup;
    private final Display show;
    private final int from;
    private final Margin margin;
    private final Address at;
    private final boolean unproved;

    /**
     * @param unproved whether nothing of this setup has been compared yet
     * @param whole whether all lines of a long setup are shown
     */
    BookLines(BookedJob book, Setup setup, MeasuredSetup measured, Display show, boolean unproved, boolean whole) {
        this.book = book;
        this.setup = setup;
        this.show = show;
        this.from = whole || setup.readings().size() <= LONG ? 0 : begins();
        this.margin = new Margin(book.result(), measured, show, from);
        this.at = Address.ofJob(book.jobId());
        this.unproved = unproved;
    }

    List<BookLine> shown() {
        List<BookLine> lines = new ArrayList<>();
        for (int place : margin.suspectsBefore(from)) {
            List<SeverityShown> judged = margin.judgements(place);
            if (!judged.isEmpty()) {
                lines.add(line(place, judged));
            }
        }
        for (int place = from; place < setup.readings().size(); place++) {
            lines.add(line(place, margin.judgements(place)));
        }
        return lines;
    }

    private BookLine line(int place, List<SeverityShown> judged) {
        Reading reading = setup.readings().get(place);
        String key = book.keyOf(setup.name(), place);
        return new BookLine(
                key,
                place,
                section(reading),
                reading,
                show.decorated(reading.circle().written()),
                reading.zenith().map(z -> show.decorated(z.written())).orElse(""),
                reading.slope().isPresent() ? show.length(reading.slope()) : "",
                NotedAnew.phrases(book.job(), setup, margin, place),
                judged,
                unproved,
                at.correct(setup.name(), key));
    }

    /** The first of the late lines of a long setup; where its set begins a little before, that, so that no set is cut. */
    private int begins() {
        List<Reading> readings = setup.readings();
        int first = Math.max(0, readings.size() - OF_LONG_SHOWN);
        int begins = first;
        while (begins > 0 && section(readings.get(begins - 1)).equals(section(readings.get(first)))) {
            begins--;
        }
        return first - begins < OF_LONG_SHOWN ? begins : first;
    }

    private String section(Reading reading) {
        boolean closing = reading.role() == Reading.Role.CHECK
                && setup.orientation().sights().contains(reading.target());
        if (closing) {
            return "Closing sight";
        }
        if (reading.set().isPresent()) {
            return "Set " + reading.set().getAsInt();
        }
        return switch (reading.role()) {
            case DETAIL -> "Detail";
            case CHECK -> "Checks";
            default -> "Set 1";
        };
    }
}
