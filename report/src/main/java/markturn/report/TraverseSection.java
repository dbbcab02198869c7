package markturn.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.finding.words.Words;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.survey.show.Display;

/** Each traverse with its computation, and the whole job in one adjustment. */
final class TraverseSection {
    private final Display show;
    private final Words words;

    private TraverseSection(Reported of) {
        this.show = of.show();
        this.words = of.words();
    }

    static Section of(Reported of) {
        TraverseSection section = new TraverseSection(of);
        List<Block> blocks = new ArrayList<>();
        of.result().measured().traverses().forEach(run -> section.add(run, blocks));
        return Section.of("Traverses", blocks);
    }

    private void add(MeasuredTraverse run, List<Block> blocks) {
        blocks.add(new Block.Heading(
                run.name() + ": " + String.join(", ", run.traverse().route())));
        run.why().ifPresent(why -> blocks.add(Block.words(why)));
        if (run.linear().isPresent()) {
            blocks.add(Block.words(closure(run)));
        } else if (run.why().isEmpty()) {
            blocks.add(Block.words("An open traverse: nothing closes it."));
        }
        blocks.add(computation(run));
    }

    private String closure(MeasuredTraverse run) {
        return "Linear misclosure " + words.difference(run.linear().getAsDouble()) + " in "
                + words.line(run.length().getAsDouble())
                + (run.ratio().isPresent() ? ", 1 : " + show.number(run.ratio().getAsDouble(), 0) : "")
                + " (north " + show.difference(run.northing()) + ", east " + show.difference(run.easting()) + " "
                + show.differenceSign() + ")"
                + (run.angular().isPresent()
                        ? "; angular " + words.small(run.angular().getAsDouble()) + " over " + run.angles() + " angles"
                        : "")
                + (run.elevation().isPresent()
                        ? "; elevation " + show.difference(run.elevation()) + " " + show.differenceSign()
                        : "")
                + ". Adjusted by " + run.traverse().rule().words() + ".";
    }

    private Block computation(MeasuredTraverse run) {
        ReportTable.Draft table = ReportTable.draft("computation")
                .words("From", "To")
                .numbers("Angle", "Correction", "Azimuth", "Length", "Latitude", "Corr.", "Departure", "Corr.")
                .numbers("Northing", "Easting", "Elevation");
        for (int i = 0; i < run.legs().size(); i++) {
            MeasuredTraverse.Leg leg = run.legs().get(i);
            MeasuredTraverse.Correction took = run.correction(i);
            Optional<Position> to =
                    run.stations().size() > i + 1 ? Optional.of(run.stations().get(i + 1)) : Optional.empty();
            table.row(
                    leg.from(),
                    leg.to(),
                    show.angle(leg.angle()),
                    show.small(took.angle()),
                    show.azimuth(leg.azimuth()),
                    show.length(leg.horizontal()),
                    show.length(leg.latitude()),
                    show.difference(took.latitude()),
                    show.length(leg.departure()),
                    show.difference(took.departure()),
                    to.map(p -> show.length(p.northing())).orElse(""),
                    to.map(p -> show.length(p.easting())).orElse(""),
                    to.map(p -> show.length(p.elevation())).orElse(""));
        }
        return table.done();
    }

    static Section network(MeasuredNetwork network, Display show) {
        MeasuredNetwork.Test test = network.test();
        OptionalDouble factor = test.varianceFactor();
        return Section.of(
                "The whole job in one adjustment",
                List.of(
                        Block.words("Redundancy " + test.redundancy()
                                + (factor.isPresent()
                                        ? ", variance factor " + show.number(factor.getAsDouble(), 2) + ", limit "
                                                + show.number(test.limit().getAsDouble(), 2)
                                        : "")
                                + ": the residuals are "
                                + (test.accepted() ? "as large as" : "larger than") + " the instruments say."),
                        Block.quiet(
                                "The worst hidden error of a mark is the farthest that one undetected error could have "
                                        + "moved it in plan (W. Baarda's external reliability). It stands with the coordinates.")));
    }
}
