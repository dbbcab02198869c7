package markturn.tripod.mark;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.tripod.FieldDay;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is typed at the sheet of control marks, from the field to the view. What is asked before an entry: common practice, no source. */
class ControlMarksTest {
    private static Map<String, String> row(String name, String northing, String easting, String elevation) {
        return Map.of(
                "name-0",
                name,
                "northing-0",
                northing,
                "easting-0",
                easting,
                "elevation-0",
                elevation,
                "source-0",
                "list");
    }

    private static Map<String, String> and(Map<String, String> typed, String... more) {
        Map<String, String> all = new TreeMap<>(typed);
        for (int i = 0; i < more.length; i += 2) {
            all.put(more[i], more[i + 1]);
        }
        return all;
    }

    private static Optional<Mark> mark(FieldDay day, String name) {
        return day.book().job().mark(name);
    }

    @Test
    void whatIsMissingOrWrongStandsWithItsField() {
        FieldDay day = new FieldDay();
        day.on("mark", "", "enter", Map.of());
        assertThat(day.faults()).containsOnly(Map.entry("name-0", "Nothing typed: expected at least one mark"));
        day.on("mark", "", "enter", row("C", "10o0", "", "x"));
        assertThat(day.faults()).containsKeys("northing-0", "elevation-0");
        assertThat(day.faults()).containsEntry("easting-0", "Empty: expected an easting");
        day.on("mark", "", "enter", row("B", "1200", "5000", "10"));
        assertThat(day.faults()).containsEntry("name-0", "B is in this job already: a name stands for one mark");
        assertThat(mark(day, "C")).isEmpty();
    }

    @Test
    void aDoubtIsAskedAboutOnceAndThenBelieved() {
        FieldDay day = new FieldDay();
        day.on("mark", "", "enter", row("C", "1100.002", "5000", "10"));
        assertThat(day.faults()).containsOnly(Map.entry("meant-0", "B lies at that very place"));
        day.on("mark", "", "enter", row("C", "1000", "5100", "1000.5"));
        assertThat(day.faults().get("meant-0")).startsWith("It lies 99").endsWith("higher than the others");
        assertThat(mark(day, "C")).isEmpty();
        day.on("mark", "", "enter", and(row("C", "1000", "5100", "1000.5"), "meant-0", "on"));
        assertThat(day.faults()).isEmpty();
        assertThat(mark(day, "C").orElseThrow().given().orElseThrow().easting()).isEqualTo(5100);
    }

    /**
     * B given 50 mm farther east turns everything around A by half a millimetre a metre: T1, 20.248 north and 77.395 east of A, goes 38.7
     * mm south and 10.1 mm east. Source: plane trigonometry.
     */
    @Test
    void whatACorrectionMovesIsSaidBeforeItIsBooked() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        Map<String, String> typed =
                Map.of("mark", "B", "given-northing", "1100", "given-easting", "5000.050", "given-elevation", "10.5");
        day.on("mark", "", "correct", typed);
        assertThat(day.faults())
                .containsEntry("message", "What is given is corrected with a reason: it stays in the record.");
        day.on("mark", "", "correct", and(typed, "reason", "typed wrong"));
        assertThat(day.faults().get("moves"))
                .contains("T1 from N 1020.248  E 5077.395  H 12.000 to N 1020.209  E 5077.405  H 12.000")
                .contains("Nothing is booked yet");
        assertThat(mark(day, "B").orElseThrow().given().orElseThrow().easting()).isEqualTo(5000);
        day.on("mark", "", "correct", and(typed, "reason", "typed wrong", "moves", "on"));
        assertThat(day.faults()).isEmpty();
        assertThat(day.said()).startsWith("B is corrected. ").endsWith("moved.");
        assertThat(mark(day, "B").orElseThrow().given().orElseThrow().easting()).isEqualTo(5000.050);
        assertThat(day.book().job().decisions().get(0).before()).contains("N 1100.000 E 5000.000 H 10.500 (list)");
    }

    @Test
    void whatWasCorrectedByAnotherMeanwhileIsNotCorrectedUnseen() {
        FieldDay day = new FieldDay();
        String shown = String.valueOf(day.book().revision());
        Map<String, String> typed = Map.of(
                "mark",
                "B",
                "given-northing",
                "1100",
                "given-easting",
                "5000",
                "given-elevation",
                "10.6",
                "reason",
                "levelled",
                "moves",
                "on");
        day.on("mark", "", "correct", typed);
        day.on("mark", "", "correct", and(typed, "given-elevation", "10.7", "since", shown));
        assertThat(day.faults().get("message"))
                .startsWith(
                        "B was changed by wren while this page was open: it is now at N 1100.000 E 5000.000 H 10.600");
        assertThat(mark(day, "B").orElseThrow().given().orElseThrow().elevation())
                .hasValue(10.6);
    }

    @Test
    void aMarkIsWithdrawnAndStaysInTheRecord() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        day.on(
                "mark",
                "",
                "correct",
                Map.of("mark", "B", "withdraw", "on", "reason", "the pillar leans", "moves", "on"));
        assertThat(day.faults()).isEmpty();
        assertThat(day.said()).startsWith("B is withdrawn. ");
        assertThat(mark(day, "B").orElseThrow().given()).isEmpty();
        JsonNode rows =
                day.shown("mark", "", Map.of()).get("parts").get("control").get("rows");
        assertThat(rows).hasSize(1);
        assertThat(day.book().job().decisions().get(0).after()).contains("withdrawn");
    }

    @Test
    void anotherNameIsThatOfAMarkWhichHasNoneItself() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        Map<String, String> same = Map.of("mark", "T1", "same", "on", "reason", "one peg, two names", "moves", "on");
        day.on("mark", "", "correct", and(same, "other", "T1"));
        assertThat(day.faults()).containsEntry("other", "Expected the mark that T1 is another name of");
        day.on("mark", "", "correct", and(same, "other", "NOWHERE"));
        assertThat(day.faults()).containsKey("other");
        day.on("mark", "", "enter", row("C", "1020.25", "5077.39", "12"));
        day.on("mark", "", "correct", and(same, "other", "C"));
        assertThat(day.faults()).isEmpty();
        assertThat(day.said()).startsWith("T1 is another name of C. ");
        assertThat(day.book().job().trueName("T1")).isEqualTo("C");
        day.on("mark", "", "correct", and(same, "mark", "C", "other", "A"));
        assertThat(day.faults().get("other")).startsWith("C has other names itself");
    }

    @Test
    void howAMarkWasFoundIsNotedAndSaidWhereAnotherSaidOtherwise() {
        FieldDay day = new FieldDay();
        day.on("mark", "", "found", Map.of("name", "B", "found", "undisturbed", "was", ""));
        assertThat(mark(day, "B").orElseThrow().found()).contains(Mark.Found.UNDISTURBED);
        assertThat(day.said()).isEmpty();
        day.on("mark", "", "found", Map.of("name", "B", "found", "leaning", "was", ""));
        assertThat(day.said())
                .startsWith(
                        "B was noted as undisturbed by somebody else while your page was open; now it is noted as leaning");
        day.on("mark", "", "found", Map.of("name", "NOWHERE", "found", "loose"));
        assertThat(day.faults()).containsEntry("message", "There is no mark NOWHERE");
    }

    @Test
    void aFixNeedsItsPrecisionAndGivesANewMark() {
        FieldDay day = new FieldDay();
        Map<String, String> fix = Map.of("mark", "G1", "fix-northing", "1050", "fix-easting", "5050");
        day.on("mark", "", "fix", fix);
        assertThat(day.faults()).containsOnlyKeys("fix-plan");
        day.on("mark", "", "fix", and(fix, "fix-plan", "0.010", "fix-elevation", "12"));
        assertThat(day.faults()).containsOnlyKeys("fix-level");
        day.on("mark", "", "fix", and(fix, "fix-plan", "0.010", "fix-height", "2.000", "fix-pole", "Prism"));
        assertThat(day.faults())
                .containsEntry("fix-height", "Prism is no combined pole: describe its antenna with the equipment");
        day.on("mark", "", "fix", and(fix, "fix-plan", "0.010", "fix-height", "2.000", "fix-pole", "no such pole"));
        assertThat(day.faults().get("fix-height")).startsWith("no such pole is no combined pole");
        assertThat(day.book().job().fixes()).isEmpty();
        day.on("mark", "", "fix", and(fix, "fix-plan", "0.010", "use", "observation"));
        assertThat(day.faults()).isEmpty();
        assertThat(mark(day, "G1").orElseThrow().kind()).isEqualTo(Mark.Kind.NEW);
        assertThat(day.book().job().fixes().get(0).use()).isEqualTo(SatelliteFix.Use.OBSERVATION);
    }

    @Test
    void aFixIsStruckOutWithAReasonAndMayStandAgain() {
        FieldDay day = new FieldDay();
        day.on(
                "mark",
                "",
                "fix",
                Map.of("mark", "G1", "fix-northing", "1050", "fix-easting", "5050", "fix-plan", "0.01"));
        day.on("mark", "", "fix-strike", Map.of("place", "0"));
        assertThat(day.faults().get("message")).startsWith("A fix is struck out with a reason");
        day.on("mark", "", "fix-strike", Map.of("place", "0", "reason", "under trees"));
        assertThat(day.book().job().fixes().get(0).struck()).contains("under trees");
        day.on("mark", "", "fix-restore", Map.of("place", "0"));
        assertThat(day.book().job().fixes().get(0).struck()).isEmpty();
    }

    /** The tape says 100.010 between marks 100.000 apart by their coordinates, measured 100.000: 10 mm. */
    @Test
    void aTapedDistanceIsHeldAgainstWhatTheSetupMeasured() {
        FieldDay day = new FieldDay();
        day.turnOnA();
        Map<String, String> pair = Map.of("reference-from", "A", "reference-to", "B", "how", "tape");
        day.on("mark", "", "reference", pair);
        assertThat(day.faults())
                .containsOnly(
                        Map.entry("reference-distance", "Expected a distance, a height difference or an azimuth"));
        day.on("mark", "", "reference", and(pair, "reference-distance", "100.010"));
        assertThat(day.faults())
                .containsOnly(Map.entry("reference-stdDev", "Empty: expected how good it is, in millimetres"));
        day.on("mark", "", "reference", and(pair, "reference-azimuth", "0 00 00"));
        assertThat(day.faults())
                .containsOnly(Map.entry("reference-azimuthStdDev", "Empty: expected how good the azimuth is"));
        day.on("mark", "", "reference", and(pair, "reference-distance", "100.010", "reference-stdDev", "1"));
        assertThat(day.faults()).isEmpty();
        JsonNode compared =
                day.shown("mark", "", Map.of()).get("parts").get("compared").get("words");
        assertThat(compared.get(0).asString()).startsWith("S1: ").contains("100.010", "10 mm");
    }
}
