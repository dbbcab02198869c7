package markturn.web.point;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.result.MeasuredMark;
import markturn.web.point.PointController.Row;
import markturn.web.point.PointController.Taken;

/** The rows of the list of coordinates. Shots, checks and findings are gone through once, not for each of a thousand marks. */
final class PointRows {
    private final Set<String> unproved;
    private final Map<String, List<Taken>> taken;
    private final Map<String, List<CheckTable.Row>> checks;
    private final Map<String, String> worst = new HashMap<>();
    /** By mark: whether any of the readings that were booked to it stands. */
    private final Map<String, Boolean> stands = new HashMap<>();

    PointRows(BookedJob book) {
        this.unproved = book.unproved();
        this.taken = book.result().measured().setups().stream()
                .flatMap(setup -> setup.shots().stream().map(shot -> new Taken(setup, shot)))
                .collect(Collectors.groupingBy(t -> t.shot().mark()));
        this.checks = CheckTable.of(
                        book.job(), book.result().measured(), book.result().judgements())
                .stream()
                .collect(Collectors.groupingBy(row -> row.check().mark()));
        book.result().findings().stream()
                .filter(f -> f.code() == FindingCode.SECOND_FIX)
                .forEach(f -> worst.putIfAbsent(
                        f.target(),
                        f.severity() == Finding.Severity.STOP && f.answer().isEmpty() ? "stop" : "warn"));
        book.job().setups().stream()
                .flatMap(s -> s.readings().stream())
                .forEach(r -> stands.merge(book.job().trueName(r.target()), r.stands(), Boolean::logicalOr));
    }

    /** The shots to a mark, each with its setup, in the order of the work. */
    List<Taken> taken(MeasuredMark mark) {
        return taken.getOrDefault(mark.name(), List.of());
    }

    /** The checks of a mark, each with the verdict that every page shows. */
    List<CheckTable.Row> checks(MeasuredMark mark) {
        return checks.getOrDefault(mark.name(), List.of());
    }

    Row row(MeasuredMark mark) {
        return new Row(
                mark,
                taken(mark).stream().findFirst().map(Taken::shot),
                checks(mark),
                mark.from().filter(unproved::contains).isPresent(),
                worst.getOrDefault(mark.name(), ""),
                missing(mark));
    }

    /** Why it has no position: nothing reached it yet, or everything that did is struck out. */
    private String missing(MeasuredMark mark) {
        if (mark.position().isPresent()) {
            return "";
        }
        return stands.getOrDefault(mark.name(), true) ? "no position yet" : "struck out";
    }
}
