package markturn.tripod.mark;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.fieldbook.Admission;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.survey.finding.base.Finding;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Moved;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Occasion;

/** What an entry would move, before it is booked: each mark as it is and as it would be, and the stops. */
final class WhatMoves {
    /** So many marks are named. */
    private static final int MOST = 8;

    private final BookedJob book;
    private final Occasion occasion;
    private final Display show;

    WhatMoves(BookedJob book, Occasion occasion) {
        this.book = book;
        this.occasion = occasion;
        this.show = new Display(book.job().units());
    }

    /** In sentences; empty where nothing moves and no stop comes or goes. */
    Optional<String> words(EntryPayload payload) {
        BookedJob after = Admission.preview(book, occasion.account(), occasion.now(), payload);
        List<Moved> moved =
                Moved.between(book.result().measured(), after.result().measured());
        long stops = stops(book);
        long then = stops(after);
        if (moved.isEmpty() && stops == then) {
            return Optional.empty();
        }
        List<String> marks = new ArrayList<>();
        for (int i = 0; i < Math.min(MOST, moved.size()); i++) {
            String name = moved.get(i).mark();
            marks.add(Sentence.of("%s from %s to %s", name, place(book, name), place(after, name)));
        }
        if (moved.size() > MOST) {
            marks.add(Sentence.of("and %s more", moved.size() - MOST));
        }
        return Optional.of(Sentence.of(
                "%s: %s. Stops open: %s, then %s. Nothing is booked yet: tick to book it.",
                Sentence.count(moved.size(), "mark moves", "marks move"), String.join("; ", marks), stops, then));
    }

    private static long stops(BookedJob of) {
        return of.result().findings().stream().filter(Finding::isOpenStop).count();
    }

    private String place(BookedJob of, String mark) {
        Optional<Position> at = of.result().measured().mark(mark).flatMap(MeasuredMark::position);
        return at.map(p -> show.place(p.northing(), p.easting(), p.elevation())).orElse("no position");
    }
}
