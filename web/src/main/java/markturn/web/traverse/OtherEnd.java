package markturn.web.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.Note;
import markturn.fieldbook.NoteCorrected;
import markturn.fieldbook.TraverseRouted;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.web.fieldbook.Shown;

/**
 * A figure that would close on another known mark than the one booked: its last sight is noted anew as one to that mark, and the route
 * ends there. Nothing that was read changes.
 *
 * @param setup the setup that closed the figure: the last on the station before its end
 * @param lines keys of the standing lines that were booked to the end
 */
record OtherEnd(BookedJob book, Traverse traverse, String setup, List<String> lines) {
    /** Nothing computed is asked for: whoever books it asks under the lock. */
    static OtherEnd of(BookedJob book, Traverse traverse) {
        Job job = book.job();
        List<String> route = traverse.route();
        String before = job.trueName(route.get(route.size() - 2));
        String end = job.trueName(route.get(route.size() - 1));
        List<String> lines = new ArrayList<>();
        String closing = "";
        for (Setup setup : job.setups()) {
            List<String> here = IntStream.range(0, setup.readings().size())
                    .filter(i -> setup.readings().get(i).stands())
                    .filter(i -> job.trueName(setup.readings().get(i).target()).equals(end))
                    .mapToObj(i -> book.keyOf(setup.name(), i))
                    .toList();
            if (job.trueName(setup.station()).equals(before) && !here.isEmpty()) {
                closing = setup.name();
                lines = here;
            }
        }
        return new OtherEnd(book, traverse, closing, lines);
    }

    /** Tells what would be noted from anything else that might be: what is booked is what was shown. */
    String shown(String mark) {
        return Shown.of(mark + lines + traverse);
    }

    /** What books it: the lines noted anew, then the route. */
    List<EntryPayload> payloads(String mark, String by, String reason) {
        List<String> route = new ArrayList<>(traverse.route());
        route.set(route.size() - 1, mark);
        return List.of(
                new NoteCorrected(new Note.SightTarget(lines, mark), by, reason),
                new TraverseRouted(new Traverse(traverse.name(), route, traverse.rule(), traverse.adopt())));
    }
}
