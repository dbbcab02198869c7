package markturn.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import org.junit.jupiter.api.Test;

/** A job that is computed while it grows and changes is the same as one computed from nothing. Theory: a pure function. */
class ComputationCacheTest {
    private static List<Reading> sight(String target, Role role, double degrees, double slope) {
        double left = Math.toRadians(degrees);
        return Jobs.pair(target, role, 1, AngleUnit.DMS.write(left, 1), AngleUnit.DMS.write(left + Math.PI, 1), slope);
    }

    @Test
    void whateverChangesTheResultIsAsIfComputedAnew() {
        Random random = new Random(11);
        Job job = Jobs.with(Jobs.all(sight("B", Role.BACKSIGHT, 0, 100), sight("T1", Role.FORESIGHT, 80, 90)));
        job = job.plus(Jobs.setup(
                "S2", "T1", "A", Jobs.all(sight("A", Role.BACKSIGHT, 0, 90), sight("T2", Role.FORESIGHT, 120, 70))));
        ComputationCache memory = new ComputationCache();
        List<SurveyResult> all = new ArrayList<>();
        for (int step = 0; step < 1000; step++) {
            int which = random.nextInt(20);
            String name = random.nextBoolean() ? "S1" : "S2";
            double degrees = 360 * random.nextDouble();
            job = switch (which) {
                case 0 ->
                    job.withSetup(
                            name,
                            s -> s.plus(sight("301", Role.DETAIL, degrees, 20).get(0)));
                case 1 ->
                    job.withSetup(
                            name,
                            s -> s.withReadings(s.readings()
                                    .subList(0, Math.max(4, s.readings().size() - 1))));
                case 2 ->
                    job.withMark(
                            "B",
                            m -> Mark.control(
                                    "B",
                                    1100 + degrees / 1000,
                                    5000,
                                    m.given().get().elevation(),
                                    ""));
                case 3 ->
                    job.withSetup(
                            "S1",
                            s -> s.plus(sight("T1", Role.CHECK, degrees, 90).get(0)));
                // Somebody stands on a located point, and the leg is measured from both ends.
                case 7 ->
                    job.withSetup(
                            "S2",
                            s -> s.withStation(random.nextBoolean() ? "T1" : "301")
                                    .withReadings(s.readings().stream()
                                            .filter(r -> !r.target().equals("301"))
                                            .toList()));
                case 5 -> job.plus(Mark.named("N" + step, Mark.Kind.LOCATED));
                // What was sighted by a name that was no mark's becomes another mark's name, or a mark.
                case 6 ->
                    job.mark("301").isPresent()
                            ? job
                            : job.plus(
                                    random.nextBoolean()
                                            ? Mark.named("301", Mark.Kind.LOCATED)
                                            : Mark.named("301", Mark.Kind.NEW).withSameAs(Optional.of("C")));
                case 8 -> job.withReflector("R1", r -> r.centredWithin(0.001 + degrees * 1e-5));
                case 4 -> job.withEarth(job.earth().withScaleFactor(1 + degrees * 1e-7));
                // Of decisions one changes what is measured at a setup, one what is kept of a point, the others only
                // words.
                case 10 -> job.plus(decision(Decision.CORRECT_DRIFT, name));
                case 11 -> job.plus(decision("answer", name));
                case 12 -> job.plus(decision(Decision.ACCEPT, name));
                // A shot to a point of its own, at times with the other face behind it, at times listed first.
                case 13, 14, 15, 16 -> {
                    String point = "P" + step;
                    List<Reading> shot = shot(point, degrees);
                    Job listed = random.nextBoolean() ? job.plus(Mark.named(point, Mark.Kind.LOCATED)) : job;
                    yield listed.withSetup(
                            name, s -> which == 13 ? s.plus(shot.get(0)).plus(shot.get(1)) : s.plus(shot.get(0)));
                }
                // Any line is struck out or restored; a further set is turned, or begun.
                case 17 -> {
                    int place = random.nextInt(2, 30);
                    yield job.withSetup(
                            name,
                            s -> place < s.readings().size()
                                    ? s.withReading(place, r -> r.stands() ? r.struckOut("knocked") : r.restored())
                                    : s);
                }
                case 18 -> {
                    List<Reading> pair = Jobs.pair(
                            "T1",
                            Role.FORESIGHT,
                            2 + step % 3,
                            AngleUnit.DMS.write(Math.toRadians(80), 1),
                            AngleUnit.DMS.write(Math.toRadians(260), 1),
                            90);
                    yield job.withSetup(
                            "S1", s -> s.plus(pair.get(0)).plus(pair.get(1).struckOut("knocked")));
                }
                default ->
                    job.withMark(
                            "C",
                            m -> Mark.control(
                                    "C", 1000, 5200 + degrees, m.given().get().elevation(), ""));
            };
            // Now and then several entries come before the next computation.
            if (random.nextInt(3) == 0) {
                continue;
            }
            SurveyResult grown = Survey.compute(job, memory);
            SurveyResult anew = Survey.compute(job);
            assertThat(grown.measured().marks()).isEqualTo(anew.measured().marks());
            assertThat(grown.measured().checks()).isEqualTo(anew.measured().checks());
            assertThat(grown.judgements()).isEqualTo(anew.judgements());
            assertThat(grown.findings()).isEqualTo(anew.findings());
            assertThat(lines(grown)).isEqualTo(lines(anew));
            all.add(grown);
        }
        assertThat(all.get(0).findings()).isNotEqualTo(all.get(all.size() - 1).findings());
    }

    /** A shot outside the sets, on both faces. */
    private static List<Reading> shot(String target, double degrees) {
        double left = Math.toRadians(degrees);
        double right = left + Math.PI;
        return Jobs.pair(
                target, Role.DETAIL, 0, AngleUnit.DMS.write(left, 1), AngleUnit.DMS.write(right, 1), 20 + degrees / 10);
    }

    /** What the setups show line by line. */
    private static List<List<Object>> lines(SurveyResult result) {
        List<List<Object>> lines = new ArrayList<>();
        result.measured().setups().forEach(setup -> {
            lines.add(List.of(setup.setup(), setup.closingSight(), setup.looks(), setup.backsights()));
            setup.abstracts()
                    .forEach(a ->
                            lines.add(List.of(a.target(), a.directions(), a.residuals(), a.zenith(), a.distances())));
            setup.shots()
                    .forEach(shot -> lines.add(List.of(
                            shot.mark(),
                            shot.fix().firstPlace(),
                            shot.fix().pointings().means().bySet(),
                            shot.direction(),
                            shot.rise(),
                            shot.position())));
            setup.booked().fixes().forEach(fix -> lines.add(List.of(fix.target(), fix.single())));
            setup.booked().onBothFaces().forEach(fix -> lines.add(List.of(fix.target())));
        });
        return lines;
    }

    private static Decision decision(String what, String setup) {
        return new Decision(
                Optional.empty(),
                "Ida",
                what,
                Map.of("setup", setup, "code", "one-set", "target", "T1"),
                "",
                Optional.empty(),
                Optional.empty());
    }

    @Test
    void aDecisionForgetsOnlyWhatItChanges() {
        Job job = Jobs.with(Jobs.all(sight("B", Role.BACKSIGHT, 0, 100), sight("T1", Role.FORESIGHT, 80, 90)));
        job = job.plus(Jobs.setup(
                "S2", "T1", "A", Jobs.all(sight("A", Role.BACKSIGHT, 0, 90), sight("T2", Role.FORESIGHT, 120, 70))));
        ComputationCache memory = new ComputationCache();
        SurveyResult before = Survey.compute(job, memory);
        SurveyResult answered = Survey.compute(job.plus(decision("answer", "S1")), memory);
        for (int setup = 0; setup < 2; setup++) {
            assertThat(answered.measured().setups().get(setup))
                    .isSameAs(before.measured().setups().get(setup));
        }
        SurveyResult corrected = Survey.compute(job.plus(decision(Decision.CORRECT_DRIFT, "S1")), memory);
        assertThat(corrected.measured().setups().get(0))
                .isNotSameAs(before.measured().setups().get(0));
    }

    @Test
    void whatDidNotChangeIsTakenOver() {
        Job job = Jobs.with(Jobs.all(sight("B", Role.BACKSIGHT, 0, 100), sight("T1", Role.FORESIGHT, 80, 90)));
        job = job.plus(Jobs.setup(
                "S2", "T1", "A", Jobs.all(sight("A", Role.BACKSIGHT, 0, 90), sight("T2", Role.FORESIGHT, 120, 70))));
        ComputationCache memory = new ComputationCache();
        SurveyResult before = Survey.compute(job, memory);
        Job longer = job.withSetup(
                "S2", s -> s.plus(sight("301", Role.DETAIL, 10, 20).get(0)));
        SurveyResult after = Survey.compute(longer, memory);
        assertThat(after.measured().setups().get(0))
                .isSameAs(before.measured().setups().get(0));
        assertThat(after.measured().setups().get(1))
                .isNotSameAs(before.measured().setups().get(1));
    }

    @Test
    void aShotToANewPointMeasuresNothingElseAgain() {
        Job job = Jobs.with(Jobs.all(sight("B", Role.BACKSIGHT, 0, 100), sight("T1", Role.FORESIGHT, 80, 90)));
        ComputationCache memory = new ComputationCache();
        var before = Survey.compute(job, memory).measured().setups().get(0);
        Job longer = job.withSetup("S1", s -> s.plus(shot("301", 10).get(0)));
        var after = Survey.compute(longer, memory).measured().setups().get(0);
        assertThat(after.shots()).hasSize(before.shots().size() + 1);
        assertThat(after.backsights()).isSameAs(before.backsights());
        // The other face of the same point is of the fix that is there already.
        var both = Survey.compute(
                        longer.withSetup("S1", s -> s.plus(shot("301", 10).get(1))), memory)
                .measured()
                .setups()
                .get(0);
        assertThat(both.shots()).hasSameSizeAs(after.shots());
        assertThat(both.backsights()).isNotSameAs(before.backsights());
    }

    /** The circle stays on a set whose readings were all struck out: the lists of every target then run to that set. */
    @Test
    void aShotOnTheCircleOfAStruckSetIsAsIfComputedAnew() {
        List<Reading> second = Jobs.pair("T1", Role.FORESIGHT, 2, "170-00-00", "350-00-00", 90).stream()
                .map(r -> r.struckOut("knocked"))
                .toList();
        Job job = Jobs.with(Jobs.all(sight("B", Role.BACKSIGHT, 0, 100), sight("T1", Role.FORESIGHT, 80, 90), second));
        ComputationCache memory = new ComputationCache();
        Survey.compute(job, memory);
        Job longer = job.withSetup("S1", s -> s.plus(shot("301", 10).get(0)));
        assertThat(lines(Survey.compute(longer, memory))).isEqualTo(lines(Survey.compute(longer)));
    }

    /** What was remembered before a computation that was ended is of the marks as they were before it. */
    @Test
    void aComputationThatWasEndedLeavesNothingStale() {
        Job job = Jobs.with(Jobs.all(
                        sight("B", Role.BACKSIGHT, 0, 100),
                        sight("T1", Role.FORESIGHT, 80, 90),
                        sight("X", Role.FORESIGHT, 90, 200)))
                .plus(Mark.named("X", Mark.Kind.NEW));
        ComputationCache memory = new ComputationCache();
        Survey.compute(job, memory);
        Job moved = job.withMark("X", m -> m.withSameAs(Optional.of("C")));
        assertThatThrownBy(() -> Survey.compute(moved, memory, share -> {
                    throw new IllegalStateException("ended");
                }))
                .hasMessage("ended");
        Job longer = moved.plus(Mark.named("N1", Mark.Kind.LOCATED));
        SurveyResult grown = Survey.compute(longer, memory);
        assertThat(grown.measured().marks())
                .isEqualTo(Survey.compute(longer).measured().marks());
        assertThat(grown.measured().checks())
                .isEqualTo(Survey.compute(longer).measured().checks())
                .hasSize(1);
    }
}
