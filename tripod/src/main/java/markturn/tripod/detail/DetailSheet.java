package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Unplaced;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.survey.show.Signs;
import markturn.tripod.view.Address;
import markturn.tripod.view.ChoiceShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;
import markturn.tripod.view.Spoken;
import markturn.tripod.view.View;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;

/** The sheet of detail: codes and poles to choose from, the shot in hand, the last shots in ink, the sketch. */
public final class DetailSheet {
    private final BookedJob book;
    private final Job job;
    private final MeasuredSetup setup;
    private final Choice choice;
    private final Display show;
    private final Address at;

    /** Of a setup in that book, as something was chosen. */
    public DetailSheet(BookedJob book, String setup, Choice choice) {
        this.book = book;
        this.job = book.job();
        this.setup = book.result().measured().setup(setup);
        this.choice = choice;
        this.show = new Display(job.units());
        this.at = Address.ofJob(book.jobId());
    }

    /** What it shows. */
    public View view() {
        SpecialSights special = new SpecialSights(job);
        List<Unfinished> unfinished = special.unfinished();
        DetailLines lines = new DetailLines(book, setup, show);
        List<DetailLine> shown = lines.shown(choice.all());
        LineInHand live = live(choice.later() ? Optional.empty() : special.next());
        return View.of(book.revision())
                .always("strip", strip())
                .always("notices", notices())
                .always("earlier", earlier(lines.leftOut(shown), shown))
                .always("codes", codes(live))
                .always("live", live)
                .with("singleFace", () -> Sheet.empty().with("words", lines.singleFace()))
                .with("sketch", Sketch.of(book.result(), setup, choice.asTheGroundLies()))
                .always("turned", turned())
                .with("acts", acts())
                .with("last", last(shown))
                .always("special", special(live, unfinished))
                .withPlaces("way", WorkProgress.through(book).at(WorkStep.DETAIL))
                .withLines(shown);
    }

    private Shown strip() {
        String name = setup.name();
        long located = setup.shots().stream()
                .filter(s -> s.fix().role() == Reading.Role.DETAIL)
                .count();
        return () -> Sheet.empty()
                .with("setup", name)
                .with("station", setup.setup().station())
                .with("located", Sentence.count(located, "shot", "shots") + " from here")
                .with("state", book.unproved().contains(name) ? "unproved" : "accepted")
                .with("correct", at.correct(name))
                .with("turning", at.turning(name));
    }

    private Shown notices() {
        return () -> setup.orientation().isPresent()
                ? Sheet.empty()
                : Sheet.empty().with("unoriented", at.turning(setup.name()));
    }

    private static Shown earlier(int leftOut, List<DetailLine> shown) {
        return () -> Sheet.empty()
                .with("from", shown.isEmpty() ? 0 : shown.get(0).at())
                .with("words", leftOut == 0 ? "" : Sentence.count(leftOut, "earlier line", "earlier lines"));
    }

    private record CodeShown(Code code, boolean chosen, long points) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty()
                    .with("value", code.name())
                    .with("words", code.words())
                    .with("path", Signs.path(code.sign()))
                    .with("pressed", String.valueOf(chosen))
                    .with("points", points);
        }
    }

    private Shown codes(LineInHand live) {
        Map<String, Long> used = job.marks().stream()
                .filter(m -> !m.code().isEmpty())
                .collect(Collectors.toMap(Mark::code, mark -> 1L, (a, b) -> a + b, LinkedHashMap::new));
        List<Code> all = new ArrayList<>(job.codes());
        used.keySet().stream()
                .filter(name -> all.stream().noneMatch(c -> c.name().equals(name)))
                .forEach(name -> all.add(Code.plain(name)));
        String chosen = choice.code();
        if (!chosen.isEmpty() && all.stream().noneMatch(c -> c.name().equals(chosen))) {
            all.add(Code.plain(chosen));
        }
        return () -> Sheet.empty()
                .with(
                        "rows",
                        all.stream()
                                .map(c -> new CodeShown(c, c.name().equals(chosen), used.getOrDefault(c.name(), 0L)))
                                .toList());
    }

    private List<ChoiceShown> poles() {
        return Choice.reflectors(job).stream().map(this::pole).toList();
    }

    private ChoiceShown pole(String name) {
        String called = name.equals(Reflector.REFLECTORLESS) ? "without reflector" : name;
        String height = height(name);
        return new ChoiceShown(
                name, height.isEmpty() ? called : called + " " + height, name.equals(choice.reflector()));
    }

    private String height(String reflector) {
        return Choice.height(job, setup.setup(), reflector, job.code(choice.code()))
                .map(h -> show.length(h.value()))
                .orElse("");
    }

    private LineInHand live(Optional<SpecialSights.Step> step) {
        String name = step.map(SpecialSights.Step::target)
                .or(choice::name)
                .or(() -> choice.built()
                        ? Code.plain("T").nextFree(job)
                        : choice.code().isEmpty()
                                ? Choice.lastDetail(setup.setup()).map(last -> Code.after(job, last.target()))
                                : job.code(choice.code()).nextFree(job))
                .orElse("");
        boolean joins = step.isEmpty() && !choice.built();
        return new LineInHand(
                name,
                height(choice.reflector()),
                joins ? choice.joining() : Optional.empty(),
                Choice.openLines(job, choice.code()),
                step.map(SpecialSights.Step::words).orElse(""),
                step.map(SpecialSights.Step::angleOnly).orElse(false),
                sentence(name, step, joins),
                step.map(s -> s.of().code()).orElse(choice.code()),
                choice,
                poles(),
                waiting());
    }

    /** Marks that another setup sighted and that one more sight would place. */
    private List<String> waiting() {
        return book.result().measured().unplaced().stream()
                .filter(u -> u.why() == Unplaced.Why.ONE_SETUP && !u.setups().contains(setup.name()))
                .map(Unplaced::mark)
                .toList();
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
                ? choice.joining().map(Choice::words).orElse("")
                : choice.built() ? ", new control: turn it in the sets before anything is built on it" : "";
        String height = height(choice.reflector());
        String pole = choice.reflector().equals(Reflector.REFLECTORLESS)
                ? " Without reflector: mind edges and grazing sights."
                : " " + choice.reflector() + (height.isEmpty() ? "." : " at " + height + ".");
        String face = choice.face() == Reading.Face.LEFT ? "" : " Face RIGHT.";
        return "Sight " + name + line + "." + pole + face;
    }

    private Shown turned() {
        boolean ground = choice.asTheGroundLies();
        return () -> Sheet.empty()
                .with(
                        "rows",
                        List.of(
                                new ChoiceShown("north", "north up", !ground),
                                new ChoiceShown("ground", "as you look", ground)));
    }

    private Shown acts() {
        boolean practice = book.practice().isPresent();
        return () -> Sheet.empty().with("station", practice).with("book", practice ? "quiet-act" : "act");
    }

    private static Shown last(List<DetailLine> shown) {
        if (shown.isEmpty() || !shown.get(shown.size() - 1).reading().stands()) {
            return Sheet::empty;
        }
        DetailLine line = shown.get(shown.size() - 1);
        return () -> Sheet.empty()
                .with("line", line.key())
                .with("words", "Strike " + line.reading().target())
                .with("spoken", Spoken.line(line.reading(), line.circle(), line.zenith(), line.slope()));
    }

    /** A special sight of which something is still to be sighted. */
    record Unfinished(String name, String what, int left) implements Shown {
        @Override
        public Sheet sheet() {
            return Sheet.empty().with("words", name + ", " + what + ": " + left + " left to sight");
        }
    }

    private Shown special(LineInHand live, List<Unfinished> unfinished) {
        return () -> Sheet.empty()
                .with("name", live.step().isEmpty() ? live.name() : "")
                .with("code", live.code())
                .with("reflector", choice.reflector())
                .with("unfinished", unfinished)
                .with("takeUp", choice.later() && !unfinished.isEmpty())
                .with("setOut", at.setOut(setup.name()))
                .with("checks", at.job() + "/point/checks");
    }
}
