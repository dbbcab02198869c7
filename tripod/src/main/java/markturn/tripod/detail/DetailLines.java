package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.survey.SurveyResult;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.locate.SingleFace;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Address;

/** The shots of a setup as lines: the last ones, what they came to, and what a single face leaves in them. */
final class DetailLines {
    private static final int LINES_SHOWN = 4;

    private final BookedJob book;
    private final SurveyResult result;
    private final Job job;
    private final MeasuredSetup setup;
    private final Display show;

    DetailLines(BookedJob book, MeasuredSetup setup, Display show) {
        this.book = book;
        this.result = book.result();
        this.job = book.job();
        this.setup = setup;
        this.show = show;
    }

    /** @param all every line of the setup, not the last ones only */
    List<DetailLine> shown(boolean all) {
        List<Reading> readings = setup.setup().readings();
        Map<Integer, Shot> shots = setup.shots().stream()
                .collect(Collectors.toMap(s -> s.fix().firstPlace(), Function.identity(), (a, b) -> a));
        List<DetailLine> lines = new ArrayList<>();
        for (int place = readings.size() - 1; place >= 0 && (all || lines.size() < LINES_SHOWN); place--) {
            if (isShot(readings.get(place))) {
                lines.add(0, line(place, readings.get(place), Optional.ofNullable(shots.get(place))));
            }
        }
        return lines;
    }

    private static boolean isShot(Reading reading) {
        return reading.role() == Reading.Role.DETAIL || reading.set().isEmpty();
    }

    /** How many lines of shots are not among those shown. */
    int leftOut(List<DetailLine> shown) {
        return (int) setup.setup().readings().stream()
                        .filter(DetailLines::isShot)
                        .count()
                - shown.size();
    }

    private DetailLine line(int place, Reading reading, Optional<Shot> shot) {
        String mark = job.trueName(reading.target());
        Optional<Check> check = reading.stands() && isSecond(place, mark)
                ? result.measured().checks().stream()
                        .filter(c -> c.mark().equals(mark) && c.from().equals(setup.name()))
                        .reduce((earlier, later) -> later)
                : Optional.empty();
        boolean located = job.mark(mark)
                .filter(m -> m.kind() == Mark.Kind.LOCATED && m.given().isEmpty())
                .isPresent();
        String key = book.keyOf(setup.name(), place);
        return new DetailLine(
                key,
                place,
                reading,
                job.mark(reading.target()).map(Mark::code).orElse(""),
                job.mark(reading.target())
                        .flatMap(Mark::joining)
                        .map(j -> "" + j.line())
                        .orElse(""),
                show.decorated(reading.circle().written()),
                reading.zenith().map(z -> show.decorated(z.written())).orElse(""),
                reading.slope().isPresent() ? show.length(reading.slope()) : "",
                reading.targetHeight().map(h -> show.length(h.value())).orElse(""),
                reading.stands()
                        ? place(shot)
                        : "struck out: " + reading.struck().orElse(""),
                check.map(this::again).orElse(""),
                check.isPresent() && located && !isDecided(mark),
                Address.ofJob(book.jobId()).correct(setup.name(), key));
    }

    /** Whether the mark had a position before this line came. */
    private boolean isSecond(int place, String mark) {
        Optional<MeasuredMark> measured = result.measured().mark(mark);
        boolean fromHere = measured.flatMap(MeasuredMark::from)
                .filter(setup.name()::equals)
                .isPresent();
        return measured.isPresent()
                && (!fromHere
                        || setup.setup().readings().subList(0, place).stream()
                                .anyMatch(r ->
                                        r.stands() && job.trueName(r.target()).equals(mark)));
    }

    private boolean isDecided(String mark) {
        return job.decisions().stream()
                .anyMatch(d -> d.what().equals(markturn.survey.job.Decision.SECOND_SIGHT)
                        && job.trueName(d.concerning("mark")).equals(mark)
                        && d.concerning("setup").equals(setup.name()));
    }

    private String again(Check check) {
        return check.plan().isEmpty()
                ? "second sight, without a position"
                : Sentence.of(
                        "second sight: N %s, E %s, H %s %s",
                        show.difference(check.northingDifference()),
                        show.difference(check.eastingDifference()),
                        show.difference(check.elevationDifference()),
                        show.differenceSign());
    }

    /** Of a sight without a distance: its mark may have a place by others, or wants one more sight. */
    private String placed(String mark) {
        return result.measured().unplaced().stream().anyMatch(u -> u.mark().equals(mark))
                ? "direction only: needs one more sight"
                : result.measured()
                        .mark(mark)
                        .flatMap(MeasuredMark::position)
                        .map(at -> Sentence.of(
                                "N %s  E %s  H %s, intersected",
                                show.length(at.northing()), show.length(at.easting()), show.length(at.elevation())))
                        .orElse("direction only");
    }

    private String place(Optional<Shot> shot) {
        if (shot.isEmpty()) {
            return "with the line before";
        }
        Optional<Position> at = shot.get().position();
        if (at.isEmpty()) {
            return shot.get().horizontal().isEmpty()
                    ? placed(shot.get().mark())
                    : setup.orientation().isEmpty() ? "no place yet: no backsight" : "no place";
        }
        return Sentence.of(
                "N %s  E %s  H %s",
                show.length(at.get().northing()),
                show.length(at.get().easting()),
                show.length(at.get().elevation()));
    }

    /** What collimation and index do to shots of one face. */
    String singleFace() {
        Optional<Shot> last = setup.shots().stream()
                .filter(s ->
                        s.fix().role() == Reading.Role.DETAIL && s.horizontal().isPresent())
                .reduce((earlier, later) -> later);
        Optional<SingleFace> errors = SingleFace.last(result.measured().setups());
        if (errors.isEmpty()) {
            return "One face each: no pair of faces stands in this job, so what collimation does to these shots is not known.";
        }
        Words words = new Words(job.units());
        String known = Sentence.of(
                "One face each: the collimation of %s and the index of %s last seen at %s",
                words.small(errors.get().collimation()),
                words.small(errors.get().index()),
                errors.get().from());
        if (last.isEmpty()) {
            return known + " stay in these shots.";
        }
        double distance = last.get().horizontal().getAsDouble();
        double zenith = setup.sets(last.get().fix().target())
                .map(SetAbstract::zenith)
                .filter(java.util.OptionalDouble::isPresent)
                .map(java.util.OptionalDouble::getAsDouble)
                .orElse(Math.PI / 2);
        return known
                + Sentence.of(
                        " could move %s by %s across and %s in height. Nothing is taken off.",
                        last.get().fix().target(),
                        words.difference(errors.get().across(distance, zenith)),
                        words.difference(errors.get().up(distance, zenith)));
    }
}
