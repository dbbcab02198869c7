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
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.locate.SingleFace;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;
import markturn.survey.result.Unplaced;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.show.Signs;

/** Lays the page of detail out: what is sighted now, what was sighted last, and what it came to. */
public final class DetailDesk {
    private static final int LINES_SHOWN = 4;

    private final BookedJob book;
    private final SurveyResult result;
    private final Job job;
    private final MeasuredSetup setup;
    private final Choice choice;
    private final Display show;

    public DetailDesk(BookedJob book, String setup, Choice choice) {
        this.book = book;
        this.result = book.result();
        this.job = book.job();
        this.setup = result.measured().setup(setup);
        this.choice = choice;
        this.show = new Display(job.units());
    }

    public DetailPage page() {
        SpecialSights special = new SpecialSights(job);
        List<DetailPage.BookLine> lines = lines();
        return new DetailPage(
                setup,
                codes(),
                poles(),
                live(choice.later() ? Optional.empty() : special.next()),
                lines,
                earlier(lines.size()),
                Sketch.of(result, setup, choice.asTheGroundLies()),
                singleFace(),
                setup.orientation().isPresent(),
                (int) setup.shots().stream()
                        .filter(s -> s.fix().role() == Reading.Role.DETAIL)
                        .count(),
                special.unfinished(),
                waiting());
    }

    private List<String> waiting() {
        return result.measured().unplaced().stream()
                .filter(u -> u.why() == Unplaced.Why.ONE_SETUP && !u.setups().contains(setup.name()))
                .map(Unplaced::mark)
                .toList();
    }

    private List<DetailPage.CodeChoice> codes() {
        Map<String, Long> used = job.marks().stream()
                .filter(m -> !m.code().isEmpty())
                .collect(Collectors.groupingBy(Mark::code, java.util.LinkedHashMap::new, Collectors.counting()));
        List<Code> all = new ArrayList<>(job.codes());
        used.keySet().stream()
                .filter(name -> all.stream().noneMatch(c -> c.name().equals(name)))
                .forEach(name -> all.add(Code.plain(name)));
        if (!choice.code().isEmpty() && all.stream().noneMatch(c -> c.name().equals(choice.code()))) {
            all.add(Code.plain(choice.code()));
        }
        return all.stream()
                .map(c -> new DetailPage.CodeChoice(
                        c.name(),
                        c.words(),
                        Signs.path(c.sign()),
                        c.line(),
                        c.name().equals(choice.code()),
                        used.getOrDefault(c.name(), 0L)))
                .toList();
    }

    private List<DetailPage.Pole> poles() {
        return Choice.reflectors(job).stream()
                .map(name -> new DetailPage.Pole(name, height(name), name.equals(choice.reflector())))
                .toList();
    }

    private String height(String reflector) {
        return Choice.height(job, setup.setup(), reflector, job.code(choice.code()))
                .map(h -> show.length(h.value()))
                .orElse("");
    }

    private DetailPage.Live live(Optional<SpecialSights.Step> step) {
        String name = step.map(SpecialSights.Step::target)
                .or(choice::name)
                .or(() -> choice.built()
                        ? Code.plain("T").nextFree(job)
                        : choice.code().isEmpty()
                                ? Choice.lastDetail(setup.setup()).map(last -> Code.after(job, last.target()))
                                : job.code(choice.code()).nextFree(job))
                .orElse("");
        boolean joins = step.isEmpty() && !choice.built();
        return new DetailPage.Live(
                name,
                step.map(s -> s.of().code()).orElse(choice.code()),
                choice.face(),
                choice.reflector(),
                height(choice.reflector()),
                choice.built(),
                joins ? choice.joining() : Optional.empty(),
                Choice.openLines(job, choice.code()),
                step.map(SpecialSights.Step::words).orElse(""),
                step.map(SpecialSights.Step::angleOnly).orElse(false),
                sentence(name, step, joins));
    }

    private String sentence(String name, Optional<SpecialSights.Step> step, boolean joins) {
        if (step.isPresent()) {
            return step.get().of().name() + ": " + step.get().words();
        }
        if (name.isEmpty()) {
            return choice.code().isEmpty()
                    ? "Choose a code, or type a name."
                    : "The numbers of " + choice.code() + " are used up: type a name, or widen its range.";
        }
        String line = joins
                ? choice.joining().map(DetailDesk::words).orElse("")
                : choice.built() ? ", new control: turn it in the sets before anything is built on it" : "";
        String pole = choice.reflector().equals(Reflector.REFLECTORLESS)
                ? " Without reflector: mind edges and grazing sights."
                : " " + choice.reflector()
                        + (height(choice.reflector()).isEmpty() ? "." : " at " + height(choice.reflector()) + ".");
        String face = choice.face() == Reading.Face.LEFT ? "" : " Face RIGHT.";
        return "Sight " + name + line + "." + pole + face;
    }

    private static String words(Joining joining) {
        return switch (joining.act()) {
            case BEGIN -> ", begins line " + joining.line();
            case GO_ON -> ", on line " + joining.line();
            case CLOSE -> ", closes line " + joining.line();
        };
    }

    private List<DetailPage.BookLine> lines() {
        List<Reading> readings = setup.setup().readings();
        Map<Integer, Shot> shots = setup.shots().stream()
                .collect(Collectors.toMap(s -> s.fix().firstPlace(), Function.identity(), (a, b) -> a));
        List<DetailPage.BookLine> lines = new ArrayList<>();
        for (int place = readings.size() - 1; place >= 0 && (choice.all() || lines.size() < LINES_SHOWN); place--) {
            if (isShot(readings.get(place))) {
                lines.add(0, line(place, readings.get(place), Optional.ofNullable(shots.get(place))));
            }
        }
        return lines;
    }

    private static boolean isShot(Reading reading) {
        return reading.role() == Reading.Role.DETAIL || reading.set().isEmpty();
    }

    /** How many lines of shots the page does not show. */
    private int earlier(int shown) {
        return (int) setup.setup().readings().stream()
                        .filter(DetailDesk::isShot)
                        .count()
                - shown;
    }

    private DetailPage.BookLine line(int place, Reading reading, Optional<Shot> shot) {
        String mark = job.trueName(reading.target());
        Optional<Check> check = reading.stands() && isSecond(place, mark)
                ? result.measured().checks().stream()
                        .filter(c -> c.mark().equals(mark) && c.from().equals(setup.name()))
                        .reduce((earlier, later) -> later)
                : Optional.empty();
        boolean located = job.mark(mark)
                .filter(m -> m.kind() == Mark.Kind.LOCATED && m.given().isEmpty())
                .isPresent();
        return new DetailPage.BookLine(
                book.keyOf(setup.name(), place),
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
                check.isPresent() && located && !isDecided(mark));
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

    private String singleFace() {
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
