package markturn.survey.locate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.job.Joining;
import markturn.survey.result.CodeLine;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;

/** Points joined to lines by their codes, in the order in which they are listed, which is that of the work. */
public final class CodeLines {
    private final List<Growing> all = new ArrayList<>();
    private final Map<Name, Growing> open = new LinkedHashMap<>();

    private record Name(String code, int number) {}

    private static final class Growing {
        private final Name name;
        private final List<MeasuredMark> points = new ArrayList<>();
        private boolean closed;

        Growing(Name name) {
            this.name = name;
        }

        CodeLine line() {
            return new CodeLine(name.code(), name.number(), points, closed && points.size() > 2);
        }
    }

    private CodeLines() {}

    /** All lines. A point without a position is passed over; one that goes on where nothing was begun begins. */
    public static List<CodeLine> of(Measured measured) {
        CodeLines lines = new CodeLines();
        measured.marks().stream()
                .filter(mark -> mark.position().isPresent())
                .forEach(mark -> mark.mark().joining().ifPresent(how -> lines.join(mark, how)));
        return lines.all.stream().map(Growing::line).toList();
    }

    private void join(MeasuredMark mark, Joining how) {
        Name name = new Name(mark.mark().code(), how.line());
        Growing line = open.get(name);
        if (line == null || how.act() == Joining.Act.BEGIN) {
            line = new Growing(name);
            open.put(name, line);
            all.add(line);
        }
        line.points.add(mark);
        if (how.act() == Joining.Act.CLOSE) {
            line.closed = true;
            open.remove(name);
        }
    }
}
