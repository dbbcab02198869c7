package markturn.web.point;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.standing.CheckTable;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Shot;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class PointController {
    private static final int ROWS_A_PAGE = 500;

    private final FieldBook fieldBook;

    PointController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** A mark in the list of coordinates. */
    public record Row(
            MeasuredMark mark,
            Optional<Shot> shot,
            List<CheckTable.Row> checks,
            boolean unproved,
            String worst,
            String missing) {
        /** Whether it stands as it was given: neither carried nor adjusted here. */
        public boolean isHeld() {
            return mark.from().isEmpty()
                    && mark.adjustedBy().isEmpty()
                    && mark.position().isPresent();
        }
    }

    /** A shot with the setup it was taken from. */
    public record Taken(MeasuredSetup setup, Shot shot) {}

    /** The list, {@value #ROWS_A_PAGE} of each kind to a page; {@code find} keeps the names and codes that hold it. */
    @GetMapping("/job/{id}/point")
    String list(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "1") String page,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.COORDINATES);
        int number = page.matches("[1-9]\\d{0,5}") ? Integer.parseInt(page) : 1;
        Map<Mark.Kind, List<MeasuredMark>> kinds = book.result().measured().marks().stream()
                .filter(m -> m.name().contains(find.strip()) || m.mark().code().contains(find.strip()))
                .collect(Collectors.groupingBy(m -> m.mark().kind()));
        PointRows rows = new PointRows(book);
        model.addAttribute("newControl", rows(rows, kinds.get(Mark.Kind.NEW), number));
        model.addAttribute("located", rows(rows, kinds.get(Mark.Kind.LOCATED), number));
        model.addAttribute("control", rows(rows, kinds.get(Mark.Kind.CONTROL), number));
        int longest = kinds.values().stream().mapToInt(List::size).max().orElse(0);
        model.addAttribute("pages", (longest + ROWS_A_PAGE - 1) / ROWS_A_PAGE);
        model.addAttribute("page", number);
        model.addAttribute("pageBefore", number - 1);
        model.addAttribute("pageAfter", number + 1);
        model.addAttribute("finding", longest > ROWS_A_PAGE || !find.isEmpty());
        model.addAttribute("find", find);
        return "point/list";
    }

    private static List<Row> rows(PointRows rows, List<MeasuredMark> marks, int page) {
        return marks == null
                ? List.of()
                : marks.stream()
                        .skip((page - 1L) * ROWS_A_PAGE)
                        .limit(ROWS_A_PAGE)
                        .map(rows::row)
                        .toList();
    }

    /** Where its coordinates come from; empty where it has none. */
    private static String origin(MeasuredMark mark) {
        String adopted =
                mark.adjustedBy().map(run -> "Adopted from " + run + ".").orElse("");
        String carried =
                mark.from().map(setup -> "Carried from " + setup + ". ").orElse("");
        boolean given = mark.position().isPresent() && mark.from().isEmpty() && adopted.isEmpty();
        return carried + adopted + (given ? "Given: " + mark.mark().source() + "." : "");
    }

    @GetMapping("/job/{id}/point/{name}")
    String one(@PathVariable String id, @PathVariable String name, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        MeasuredMark mark = book.result().measured().mark(name).orElseThrow(NotHere::new);
        JobPage.frame(model, book, WorkStep.COORDINATES);
        PointRows rows = new PointRows(book);
        model.addAttribute("row", rows.row(mark));
        model.addAttribute("origin", origin(mark));
        model.addAttribute("taken", rows.taken(mark));
        model.addAttribute(
                "orients",
                book.job().setups().stream()
                        .filter(s -> s.orientation().sights().stream()
                                .map(book.job()::trueName)
                                .anyMatch(mark.name()::equals))
                        .map(Setup::name)
                        .toList());
        model.addAttribute(
                "occupied",
                book.job().setups().stream()
                        .filter(s -> book.job().trueName(s.station()).equals(mark.name()))
                        .map(Setup::name)
                        .toList());
        model.addAttribute("checks", rows.checks(mark));
        model.addAttribute(
                "history",
                book.job().adopted().stream()
                        .filter(a -> book.job().trueName(a.mark()).equals(mark.name()))
                        .toList());
        model.addAttribute(
                "findings",
                book.result().findings().stream()
                        .filter(f -> f.target().equals(name))
                        .toList());
        return "point/mark";
    }
}
