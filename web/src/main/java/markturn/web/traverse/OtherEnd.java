package markturn.web.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import markturn.formats.Pieces;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.result.MeasuredTraverse;
import markturn.web.fieldbook.Act;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.frame.Payload;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A figure that would close on another known mark than the one booked: its last sight is noted anew as one to that mark, and the route
 * ends there. Nothing that was read changes.
 *
 * @param setup the setup that closed the figure: the last on the station before its end
 * @param lines keys of the standing lines that were booked to the end
 */
record OtherEnd(Book book, MeasuredTraverse run, String setup, List<String> lines) {
    static OtherEnd of(Book book, MeasuredTraverse run) {
        Job job = book.job();
        List<String> route = run.traverse().route();
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
        return new OtherEnd(book, run, closing, lines);
    }

    /** What books it: the lines noted anew, then the route. */
    List<Act> acts(String mark, String by, String reason) {
        ObjectNode noted = Payload.renote("target", by, reason).put("after", mark);
        ArrayNode keys = noted.putArray("lines");
        lines.forEach(keys::add);
        Traverse before = run.traverse();
        List<String> route = new ArrayList<>(before.route());
        route.set(route.size() - 1, mark);
        Traverse after = new Traverse(before.name(), route, before.rule(), before.adopt());
        return List.of(
                new Act(EntryKind.RENOTE, noted),
                new Act(EntryKind.TRAVERSE, new Pieces(book.job().units()).write(after)));
    }
}
