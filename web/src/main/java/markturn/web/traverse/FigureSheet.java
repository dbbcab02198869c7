package markturn.web.traverse;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.figure.Suspects;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Traverse;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import markturn.web.fieldbook.StandingAdoption;

/** A traverse as its page shows it: verdict, misclosures, drawings, computation, suspects, other ends, the rules compared. */
public record FigureSheet(
        MeasuredTraverse run,
        String verdict,
        List<Row> rows,
        FigureDrawing drawing,
        UnrolledRoute unrolled,
        List<LegRow> legs,
        List<Suspects.SuspectWords> suspects,
        String suspected,
        List<Suspects.Elsewhere> elsewhere,
        Optional<Suspects.Elsewhere> endElsewhere,
        String closingSetup,
        String choice,
        List<RuleRow> rulesCompared,
        Optional<StandingAdoption> adoption) {
    /** A misclosure that shows as nothing, metres. */
    private static final double NOTHING = 5e-5;

    /** One misclosure: its value, what chance predicts (95 %), its limit, and the word for it. */
    public record Row(String what, String value, String predicted, String limit, String word, boolean out) {}

    /** A station by every rule, in the order of the rules shown, and how far apart the rules put it, metres. */
    public record RuleRow(String station, List<Position> places, double apart) {}

    /** A leg as a surveyor writes it: what it took, and the station it leads to. */
    public record LegRow(MeasuredTraverse.Leg leg, MeasuredTraverse.Correction took, Optional<Position> to) {}

    static FigureSheet of(BookedJob book, MeasuredTraverse run) {
        Job job = book.job();
        Words words = new Words(job.units());
        Measured measured = book.result().measured();
        boolean out = TraverseLimits.isOut(job, run);
        List<Suspects.SuspectWords> suspects = out ? Suspects.explained(job, measured, run) : List.of();
        return new FigureSheet(
                run,
                verdict(job, run, words),
                rows(job, run, words),
                run.stations().isEmpty() ? null : FigureDrawing.of(job, run, suspects),
                UnrolledRoute.of(job, measured, run),
                legs(run),
                suspects,
                suspected(suspects),
                out ? Suspects.elsewhere(job, measured, run) : List.of(),
                out ? Suspects.endElsewhere(job, measured, run) : Optional.empty(),
                OtherEnd.of(book, run.traverse()).setup(),
                run.rules().size() < 2
                        ? ""
                        : "The choice of rule changes nothing above %s here."
                                .formatted(words.difference(run.largestDifference())),
                rulesCompared(run),
                StandingAdoption.of(job, run.name(), stations(job, run)));
    }

    private static Map<String, Position> stations(Job job, MeasuredTraverse run) {
        Map<String, Position> stations = new HashMap<>();
        for (int i = 0; i < run.stations().size(); i++) {
            stations.put(
                    job.trueName(run.traverse().route().get(i)), run.stations().get(i));
        }
        return stations;
    }

    /** How a run closes, as whoever adopts it sees it. */
    static String closed(Job job, MeasuredTraverse run) {
        Words words = new Words(job.units());
        return verdict(job, run, words)
                + (run.angular().isPresent()
                        ? " Angles close by %s over %d angles."
                                .formatted(words.small(run.angular().getAsDouble()), run.angles())
                        : " No angle closes.");
    }

    /** The largest difference first. */
    private static List<RuleRow> rulesCompared(MeasuredTraverse run) {
        List<RuleRow> rows = new ArrayList<>();
        for (int i = 1; i < run.traverse().route().size() - 1; i++) {
            int station = i;
            List<Position> places = Arrays.stream(Traverse.Rule.values())
                    .filter(run.rules()::containsKey)
                    .map(rule -> run.rules().get(rule).get(station))
                    .toList();
            rows.add(new RuleRow(run.traverse().route().get(i), places, run.apart(i)));
        }
        return rows;
    }

    /** What the suspects are worth, in a sentence. */
    private static String suspected(List<Suspects.SuspectWords> suspects) {
        if (suspects.isEmpty()) {
            return "";
        }
        if (!suspects.get(0).enough()) {
            return "None of these alone explains it: two things are wrong, or a sight went to another mark.";
        }
        return suspects.size() == 1
                ? "One thing wrong would explain it. Observing that again decides it."
                : "Any one of these would explain it, and this figure cannot tell them apart: observe each again, the first one first.";
    }

    private static List<LegRow> legs(MeasuredTraverse run) {
        List<LegRow> rows = new ArrayList<>();
        for (int i = 0; i < run.legs().size(); i++) {
            rows.add(new LegRow(
                    run.legs().get(i),
                    run.correction(i),
                    run.stations().stream().skip(i + 1L).findFirst()));
        }
        return rows;
    }

    private static String verdict(Job job, MeasuredTraverse run, Words words) {
        if (run.why().isPresent()) {
            return "Cannot be carried: " + run.why().get() + ".";
        }
        if (run.northing().isEmpty()) {
            return "Open: %s, %s long; nothing checks its end."
                    .formatted(
                            run.legs().size() + " legs", words.line(run.length().getAsDouble()));
        }
        String ratio = run.ratio().isPresent() && run.ratio().getAsDouble() < 1e6
                ? " (1:%s)".formatted(Words.number(run.ratio().getAsDouble(), 0))
                : "";
        return "Closes by %s in %s%s; limit %s, predicted %s.%s"
                .formatted(
                        words.difference(run.linear().getAsDouble()),
                        words.line(run.length().getAsDouble()),
                        ratio,
                        words.difference(TraverseLimits.linear(job, run)),
                        words.difference(run.predicted().linear95()),
                        run.loop()
                                ? " A loop from one mark cannot see a wrong scale or starting azimuth: sight a second control mark."
                                : "");
    }

    private static List<Row> rows(Job job, MeasuredTraverse run, Words words) {
        List<Row> rows = new ArrayList<>();
        if (run.northing().isEmpty()) {
            return rows;
        }
        if (run.angular().isPresent()) {
            double value = run.angular().getAsDouble();
            double limit = TraverseLimits.angular(job, run);
            rows.add(new Row(
                    "angles",
                    (value < 0 ? "-" : "+") + words.size(value),
                    words.small(run.predicted().angular95()),
                    words.small(limit),
                    word(value, run.predicted().angular95(), limit),
                    Math.abs(value) > limit));
        }
        double linear = TraverseLimits.linear(job, run);
        place("north", run.northing(), run.predicted().northing95(), linear, words, rows);
        place("east", run.easting(), run.predicted().easting95(), linear, words, rows);
        place("length of the gap", run.linear(), run.predicted().linear95(), linear, words, rows);
        if (run.elevation().isPresent()) {
            place(
                    "elevation",
                    run.elevation(),
                    run.predicted().elevation95(),
                    TraverseLimits.elevation(job, run),
                    words,
                    rows);
        }
        return rows;
    }

    private static void place(
            String what, OptionalDouble value, double predicted, double limit, Words words, List<Row> rows) {
        double v = value.getAsDouble();
        rows.add(new Row(
                what,
                sign(v) + words.difference(v),
                words.difference(predicted),
                words.difference(limit),
                word(v, predicted, limit),
                Math.abs(v) > limit));
    }

    /** A length that shows as nothing has no sign worth showing. */
    private static String sign(double value) {
        return Math.abs(value) < NOTHING ? "" : value < 0 ? "-" : "+";
    }

    private static String word(double value, double predicted, double limit) {
        if (Math.abs(value) > limit) {
            return "over its limit";
        }
        return Math.abs(value) > predicted ? "beyond chance, within its limit" : "within chance";
    }
}
