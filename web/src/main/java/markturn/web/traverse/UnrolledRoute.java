package markturn.web.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.show.Display;

/**
 * The route laid out along a line, leg after leg at their lengths: at stations what the angle was corrected by, at legs how far their two
 * ways lie apart, each against its limit. Drawing units; strokes far beyond the limit are cut.
 *
 * @param angled whether an angle closes, so that there are corrections
 */
public record UnrolledRoute(boolean angled, List<Stop> stops, List<Span> spans, String words) {
    private static final double LEFT = 40;
    private static final double RIGHT = 480;
    /** A stroke as long as this reaches its limit. */
    private static final double LIMIT = 40;
    /** A stroke ends here, however far beyond its limit it is. */
    private static final double LONGEST = 50;
    /** Names and numbers nearer than this would run into each other. */
    private static final double ROOM = 56;

    /** A station: where it stands, and the stroke of its correction; no stroke and no number where nothing was corrected. */
    public record Stop(String name, String x, String stroke, String number) {}

    /** A leg: its middle, and the stroke of what its ways differ by; no stroke where it was measured one way. */
    public record Span(String x, String stroke, String number, boolean out) {}

    /** Empty lists where no angle closes and no leg was measured both ways. */
    static UnrolledRoute of(Job job, Measured measured, MeasuredTraverse run) {
        Display show = new Display(job.units());
        Words words = new Words(job.units());
        double share = run.angles() > 0 ? TraverseLimits.angular(job, run) / run.angles() : 0;
        boolean shown = run.angular().isPresent()
                || run.legs().stream().anyMatch(leg -> leg.bothWays().isPresent());
        if (!shown) {
            return new UnrolledRoute(false, List.of(), List.of(), "");
        }
        double scale = (RIGHT - LEFT) / Math.max(1, run.length().orElse(1));
        List<Stop> stops = new ArrayList<>();
        List<Span> spans = new ArrayList<>();
        double at = LEFT;
        double lastName = -ROOM;
        double lastNumber = -ROOM;
        for (int i = 0; i < run.legs().size(); i++) {
            MeasuredTraverse.Leg leg = run.legs().get(i);
            OptionalDouble corrected = run.correction(i).angle();
            boolean room = at - lastName >= ROOM;
            stops.add(new Stop(
                    room ? leg.from() : "",
                    f(at),
                    stroke(corrected, share),
                    room && corrected.isPresent() ? show.small(corrected) : ""));
            lastName = room ? at : lastName;
            double middle = at + leg.horizontal() * scale / 2;
            double apart = TraverseLimits.bothWays(job, measured, leg);
            boolean out = Math.abs(leg.bothWays().orElse(0)) > apart;
            boolean numbered = leg.bothWays().isPresent() && (out || middle - lastNumber >= ROOM);
            spans.add(new Span(
                    f(middle), stroke(leg.bothWays(), apart), numbered ? show.difference(leg.bothWays()) : "", out));
            lastNumber = numbered ? middle : lastNumber;
            at += leg.horizontal() * scale;
        }
        String end = run.traverse().route().get(run.legs().size());
        stops.add(new Stop(at - lastName >= ROOM ? end : "", f(at), "", ""));
        return new UnrolledRoute(run.angular().isPresent(), stops, spans, said(run, words, share));
    }

    private static String said(MeasuredTraverse run, Words words, double share) {
        String angles = run.angular().isPresent()
                ? "Above, corrections of angles; dashed, an angle's share of the limit, %s. "
                        .formatted(words.small(share))
                : "";
        return angles
                + (angles.isEmpty()
                        ? "Lengths of the legs, back less there; dashed, each leg's limit."
                        : "Below, lengths back less there; dashed, each leg's limit.");
    }

    /** Up where it is positive. */
    private static String stroke(OptionalDouble value, double limit) {
        if (value.isEmpty() || limit == 0) {
            return "";
        }
        double length = Math.min(LONGEST, Math.abs(value.getAsDouble()) / limit * LIMIT);
        return "v" + f(-Math.copySign(length, value.getAsDouble()));
    }

    private static String f(double value) {
        return Words.number(value, 1);
    }
}
