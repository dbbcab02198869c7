package markturn.survey.finding.standing;

import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a reviewer is told at a glance. A stands at 1000, 5000, B 100 m north of it, C 200 m east; p and q are detail, T1 is new control. */
class GlanceTest {
    private static Job job() {
        Setup second = Jobs.setup(
                "S2",
                "C",
                "A",
                List.<Reading>of(
                        reading("A", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 200.0),
                        reading("p", Role.CHECK, 0, Face.LEFT, "0-00-00", "90-00-00", 150.003)));
        return Jobs.with(List.of(
                        reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100.002),
                        reading("T1", Role.FORESIGHT, 1, Face.LEFT, "45-00-00", "90-00-00", 80.0),
                        reading("p", Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50.0),
                        reading("q", Role.DETAIL, 0, Face.LEFT, "80-00-00", "90-00-00", 40.0),
                        reading("D", Role.CHECK, 0, Face.LEFT, "225-00-00", "90-00-00", 142.0)))
                .plus(Mark.named("p", Mark.Kind.LOCATED))
                .plus(Mark.named("q", Mark.Kind.LOCATED))
                .plus(second);
    }

    private static Glance glance(Job job) {
        SurveyResult result = Survey.compute(job);
        return Glance.of(job, result.measured(), result.judgements(), result.findings());
    }

    private static String why(List<Glance.Standing> of, String mark) {
        return of.stream()
                .filter(s -> s.mark().name().equals(mark))
                .map(Glance.Standing::why)
                .findFirst()
                .orElse("");
    }

    @Test
    void whatSomethingIndependentHasTestedIsProved() {
        Glance glance = glance(job());
        assertThat(why(glance.proved(), "p")).isEqualTo("seen from S2 too, 3.0 mm apart, within chance");
        assertThat(why(glance.proved(), "B")).isEqualTo("its distance compared at S1, 2.0 mm off");
        assertThat(why(glance.oneSight(), "q")).isEqualTo("one sight from S1");
        assertThat(why(glance.oneSight(), "T1")).isEqualTo("one sight from S1");
        // D is 141.421 m away and was read 142: control that is contradicted is not proved.
        assertThat(why(glance.untested(), "D")).isEqualTo("seen from S1 it lies 579 mm off, over its limit");
        assertThat(glance.unproved()).containsExactly("S1", "S2");
        assertThat(glance.sentence()).contains("open");
    }

    /** On paper new control is named and located points are counted beyond the first eight. Counting, no source. */
    @ParameterizedTest
    @CsvSource({"1, ''", "8, ''", "9, ''", "10, '2 more located points'", "60, '52 more located points'"})
    void whatRestsOnOneSightIsNamedAsFarAsSomebodyReadsIt(int points, String more) {
        List<Reading> readings = new ArrayList<>(List.of(
                reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100.0),
                reading("T1", Role.FORESIGHT, 1, Face.LEFT, "45-00-00", "90-00-00", 80.0)));
        List<String> names =
                IntStream.rangeClosed(1, points).mapToObj(i -> "p" + i).toList();
        names.forEach(name -> readings.add(reading(name, Role.DETAIL, 0, Face.LEFT, "90-00-00", "90-00-00", 50.0)));
        Job job = Jobs.with(readings);
        for (String name : names) {
            job = job.plus(Mark.named(name, Mark.Kind.LOCATED));
        }
        List<String> told = new ArrayList<>(List.of("T1 (new control)"));
        told.addAll(more.isEmpty() ? names : names.subList(0, 8));
        if (!more.isEmpty()) {
            told.add(more);
        }
        assertThat(glance(job).oneSightBySetup())
                .extracting(Glance.OfOneSetup::words)
                .containsExactly("S1: " + Words.names(told) + ".");
    }

    @Test
    void whatWasAcceptedAgainstALimitStandsWithWhoAndWhy() {
        Job job = job();
        Finding stop = Survey.compute(job).findings().stream()
                .filter(Finding::isOpenStop)
                .filter(f -> f.target().equals("D"))
                .findFirst()
                .orElseThrow();
        Job answered = job.plus(new Decision(
                Optional.empty(),
                "Ida",
                Decision.ANSWER,
                Map.of(
                        "code",
                        stop.code().key(),
                        "setup",
                        stop.setup(),
                        "target",
                        "D",
                        "value",
                        stop.value().getAsDouble()),
                "a fence post was sighted",
                Optional.empty(),
                Optional.empty()));
        assertThat(glance(answered).accepted())
                .anySatisfy(f -> assertThat(f.answer().orElseThrow().reason()).isEqualTo("a fence post was sighted"));
        Job own = answered.plus(new Decision(
                Optional.empty(),
                "Wren",
                Decision.ACCEPT,
                Map.of("setup", "S1"),
                "",
                Optional.empty(),
                Optional.of(Decision.SELF_REVIEWED)));
        assertThat(glance(own).selfReviewed()).hasSize(1);
    }

    @Test
    void whatWasAdoptedSaysByWhom() {
        Job adopted = job().plus(new Adopted(
                "T1",
                new Mark.Coordinates(1056.57, 5056.57, OptionalDouble.of(10)),
                Optional.empty(),
                "Loop",
                Optional.empty(),
                "Ida",
                "closes"));
        assertThat(why(glance(adopted).proved(), "T1")).isEqualTo("adopted from Loop by Ida");
    }

    // A list for comparison gives nothing (the format, 17): the sight from S1 does, and the list tests it.
    @Test
    void aListedPositionThatAgreesProvesAMark() {
        Job listed = job().plus(new SatelliteFix(
                "q",
                new Mark.Coordinates(
                        1000 + 40 * Math.cos(Math.toRadians(80)),
                        5000 + 40 * Math.sin(Math.toRadians(80)),
                        OptionalDouble.of(10)),
                new Mark.Deviations(0.005, 0.005, 0.005),
                SatelliteFix.Use.CHECK,
                Reading.Origin.TYPED,
                "list 2019"));
        assertThat(why(glance(listed).proved(), "q")).isEqualTo("seen from list 2019 too, 0.0 mm apart, within chance");
    }
}
