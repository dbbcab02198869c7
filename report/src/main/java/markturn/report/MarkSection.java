package markturn.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Mark;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;
import markturn.survey.show.Display;

/** The coordinates, and what was adopted. */
final class MarkSection {
    /** So many marks are listed on paper, new control first. */
    private static final int MOST = 5_000;

    private static final int ON_A_PAGE = 50;

    private final Reported of;
    private final Display show;

    private MarkSection(Reported of) {
        this.of = of;
        this.show = of.show();
    }

    static Section of(Reported of) {
        boolean isLong = of.job().setups().size() > Report.SETUPS_TOGETHER;
        return new Section("Coordinates", "", isLong, new MarkSection(of).blocks());
    }

    private List<Block> blocks() {
        List<MeasuredMark> placed = of.result().measured().marks().stream()
                .filter(m -> m.position().isPresent())
                .toList();
        List<MeasuredMark> listed = listed(placed);
        List<Block> blocks = new ArrayList<>();
        if (listed.size() < placed.size()) {
            blocks.add(Block.words(leftToFiles(placed.size() - listed.size())));
        }
        blocks.add(coordinates(listed));
        List<Adopted> adopted = of.job().adopted();
        if (!adopted.isEmpty()) {
            blocks.add(new Block.Heading("Adopted, in order"));
            blocks.add(adopted(adopted));
            of.job().decisions().stream()
                    .filter(d -> d.what().equals(Decision.ADOPT)
                            && !d.concerning(Decision.CLOSED).isEmpty())
                    .forEach(d -> blocks.add(Block.words(closed(d))));
        }
        return blocks;
    }

    /** Every mark, or what others are built on and as many more as people read; the rest stands in the files. */
    private static List<MeasuredMark> listed(List<MeasuredMark> placed) {
        if (placed.size() <= MOST) {
            return placed;
        }
        return Stream.concat(
                        placed.stream().filter(m -> m.mark().kind() == Mark.Kind.NEW),
                        placed.stream().filter(m -> m.mark().kind() != Mark.Kind.NEW))
                .limit(MOST)
                .toList();
    }

    private static String leftToFiles(int count) {
        return "%d more marks stand in the coordinate file that belongs to this report: on paper they would be %d pages that nobody reads, and hide what has to be read."
                .formatted(count, count / ON_A_PAGE + 1);
    }

    private Block coordinates(List<MeasuredMark> marks) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Mark", "Code")
                .numbers("Northing, " + show.lengthSign(), "Easting", "Elevation")
                .numbers("Std dev N, " + show.differenceSign(), "E", "H", "Worst hidden")
                .words("From");
        for (MeasuredMark mark : marks) {
            Position at = mark.position().orElseThrow();
            table.row(
                    mark.name(),
                    mark.mark().code(),
                    show.length(at.northing()),
                    show.length(at.easting()),
                    show.length(at.elevation()),
                    show.rootDeviation(at.plan().nn()),
                    show.rootDeviation(at.plan().ee()),
                    show.rootDeviation(at.elevationVariance()),
                    mark.mark().given().isPresent() ? "" : hidden(mark.name()),
                    from(mark));
        }
        return table.done();
    }

    /** How far a mark may have been shifted by one error that nothing showed; a dash where that is not known. */
    private String hidden(String mark) {
        return Optional.ofNullable(of.adjusted().get(mark))
                .map(a -> a.plan().worst().isPresent() ? show.deviation(a.plan().worst()) : "no limit")
                .orElse("–");
    }

    private static String from(MeasuredMark mark) {
        String source = mark.mark().source();
        return mark.from().orElse(source.isEmpty() ? "given" : "given, " + source)
                + mark.adjustedBy().map(by -> ", adjusted in " + by).orElse("");
    }

    private Block adopted(List<Adopted> adopted) {
        ReportTable.Draft table = ReportTable.draft("")
                .words("Mark")
                .numbers("Northing", "Easting", "Elevation")
                .words("From", "By", "Why");
        adopted.forEach(a -> table.row(
                a.mark(),
                show.length(a.position().northing()),
                show.length(a.position().easting()),
                show.length(a.position().elevation()),
                a.from(),
                a.by() + a.at().map(at -> ", " + show.dayAndTime(at)).orElse(""),
                a.reason()));
        return table.done();
    }

    private String closed(Decision adoption) {
        String traverse = adoption.concerning("traverse");
        return "When " + (traverse.isEmpty() ? "the network" : traverse) + " was adopted"
                + adoption.at().map(at -> " on " + show.dayAndTime(at)).orElse("") + ", it stood: "
                + adoption.concerning(Decision.CLOSED);
    }
}
