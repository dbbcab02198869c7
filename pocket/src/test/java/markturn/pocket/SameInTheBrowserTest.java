package markturn.pocket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.wire.Tree;
import markturn.formats.JobFile;
import markturn.formats.ResultFile;
import markturn.formats.Version;
import markturn.simulator.AlderWeir;
import markturn.simulator.Campaigns;
import markturn.survey.Survey;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Job;
import markturn.survey.job.Traverse;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The same Java, compiled for a browser, says the same there: numbers to ten digits, words to the letter. Source: the Java itself, on its own machine. */
class SameInTheBrowserTest {
    private static final int JOBS = 300;
    private static final double ALIKE = 1e-9;
    /** A residual is a difference of large numbers: it keeps what a sine of the last digit leaves of it, 1e-7 of a metre or a second. */
    private static final double SMALL = 100;

    private static InTheBrowser browser;

    @BeforeAll
    static void open() throws IOException {
        browser = new InTheBrowser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static Job job(int seed) {
        ClassOfWork.Preset work = ClassOfWork.Preset.values()[seed % ClassOfWork.Preset.values().length];
        var instrument = Campaigns.instrument(1 + seed % 5);
        Traverse.Rule rule = Traverse.Rule.values()[seed % Traverse.Rule.values().length];
        return switch (seed % 4) {
            case 0 ->
                Campaigns.chain(seed, 1 + seed % 6, work, instrument).campaign().job();
            case 1 ->
                Campaigns.free(seed, 2 + seed % 5, work, instrument).campaign().job();
            case 2 ->
                Campaigns.loop(seed, 3 + seed % 4, work, instrument, rule)
                        .campaign()
                        .job();
            default ->
                Campaigns.network(seed, 2 + seed % 2, work, instrument)
                        .campaign()
                        .job();
        };
    }

    @Test
    void threeHundredJobsComeToTheSame() {
        List<Job> jobs = new ArrayList<>(List.of(AlderWeir.job()));
        for (int seed = 1; seed < JOBS; seed++) {
            jobs.add(job(seed));
        }
        int findings = 0;
        for (int i = 0; i < jobs.size(); i++) {
            String file = new String(JobFile.write(jobs.get(i)), StandardCharsets.UTF_8);
            String here = new String(ResultFile.write(Survey.compute(jobs.get(i))), StandardCharsets.UTF_8);
            Tree there = JsonText.read((String) browser.call("compute", file));
            findings += ((Tree.Items) there.at("findings")).size();
            same("job " + i, JsonText.read(here), there);
        }
        assertThat(findings).isGreaterThan(JOBS);
    }

    private static void same(String path, Tree here, Tree there) {
        if (here instanceof Tree.Fields fields) {
            assertThat(there).as(path).isInstanceOf(Tree.Fields.class);
            assertThat(((Tree.Fields) there).all().keySet())
                    .as(path)
                    .isEqualTo(fields.all().keySet());
            fields.all().forEach((key, value) -> same(path + "." + key, value, there.at(key)));
        } else if (here instanceof Tree.Items items) {
            List<Tree> one = list(items);
            List<Tree> other = list((Tree.Items) there);
            assertThat(other).as(path).hasSameSizeAs(one);
            for (int i = 0; i < one.size(); i++) {
                same(path + "[" + i + "]", one.get(i), other.get(i));
            }
        } else if (here instanceof Tree.Amount amount) {
            // A ratio is a length by a misclosure, one to so many: held the other way round, as the residual that it
            // is.
            boolean ratio = path.endsWith(".ratio");
            double value = ratio ? 1 / amount.value() : amount.value();
            double other = ((Tree.Amount) there).value();
            assertThat(ratio ? 1 / other : other)
                    .as(path)
                    .isCloseTo(value, within(ALIKE * Math.max(SMALL, Math.abs(value))));
        } else if (here instanceof Tree.Text text && text.value().matches("\\d+-\\d\\d-\\d\\d\\.\\d{6}")) {
            // An angle is written to a millionth of a second: its last digit may fall either way.
            assertThat(seconds(there)).as(path).isCloseTo(seconds(here), within(2e-6));
        } else {
            assertThat(there).as(path).isEqualTo(here);
        }
    }

    private static double seconds(Tree angle) {
        return AngleUnit.DMS.read(((Tree.Text) angle).value()) / AngleUnit.DMS.small();
    }

    private static List<Tree> list(Tree.Items items) {
        List<Tree> list = new ArrayList<>();
        items.forEach(list::add);
        return list;
    }

    @Test
    void whatIsNoJobFileIsRefusedInTheSameWords() {
        String twice = "{\"format\":\"mark-turn-job\",\"format\":\"mark-turn-job\"}";
        assertThat(browser.fault("compute", twice)).contains("line 1, column").contains("each key once");
        Job job = AlderWeir.job();
        String file = new String(JobFile.write(job), StandardCharsets.UTF_8)
                .replaceFirst("\"station\" : \"[^\"]*\"", "\"station\" : \"NOWHERE\"");
        assertThat(browser.fault("compute", file)).contains("NOWHERE").contains("no mark of that name is listed");
    }

    @Test
    void theProgramIsNamedAsItsFilesNameIt() {
        assertThat(Core.PROGRAM).isEqualTo(Version.program());
    }

    /** A day on the device, act by act: every answer, drawn or refused, is that of the Java on its own machine. */
    @Test
    void everyViewOfADayIsTheSame() {
        Day day = new Day(browser);
        day.open();
        for (String room : List.of("mark", "setup", "setout", "review", "plan", "detail")) {
            day.page(room, "", Map.of());
        }
        day.act(
                "mark",
                "",
                "enter",
                Map.of(
                        "name-0",
                        "C",
                        "northing-0",
                        "1080",
                        "easting-0",
                        "5060",
                        "elevation-0",
                        "11",
                        "source-0",
                        "list"));
        day.act("mark", "", "enter", Map.of("name-0", "c", "northing-0", "1080", "easting-0", "5060"));
        Map<String, String> setup = new LinkedHashMap<>(Map.of(
                "name",
                "S1",
                "method",
                "occupied",
                "station",
                "A",
                "instrument",
                "I1",
                "height",
                "1.500",
                "sets",
                "2",
                "start",
                "small",
                "distances",
                "1"));
        setup.putAll(Map.of("back-0", "B", "back-0-reflector", "Prism", "back-0-height", "1.500"));
        setup.putAll(Map.of(
                "fore-0",
                "T1",
                "fore-0-reflector",
                "Prism",
                "fore-0-height",
                "1.500",
                "school",
                "",
                "heightTo",
                "axis"));
        day.ask("setup", "", "height", setup);
        day.ask("setup", "", "effects", setup);
        day.act("setup", "", "begin", setup);
        day.page("turning", "S1", Map.of());
        // T1 at N 1020.248 E 5077.395 H 12.000 from A (1000, 5000, 10), B due north at 10.5, all heights 1.500: by
        // hand.
        day.book("B", "backsight", "left", 1, "0 00 00", "89 42 50.1", "100.001");
        day.book("T1", "foresight", "left", 1, "75 20 20.2", "88 34 05.6", "80.025");
        day.book("T1", "foresight", "right", 1, "255 20 30.2", "271 25 54.4", "80.025");
        day.book("B", "backsight", "right", 1, "180 00 00", "270 17 09.9", "100.001");
        day.book("B", "backsight", "left", 2, "90 64 00", "89 42 50.1", "100.001");
        day.ask("turning", "S1", "understood", Map.of("circle", "90 64 00", "slope", "80.025"));
        day.act("turning", "S1", "strike", Map.of("line", "key-7", "reason", "typed wrong, telescope untouched"));
        day.act("turning", "S1", "restore", Map.of("line", "key-7"));
        day.act("turning", "S1", "order", Map.of("target", "C", "reflector", "Prism", "height", "1.500"));
        day.act(
                "detail",
                "S1",
                "shot",
                Map.of(
                        "name",
                        "W1",
                        "code",
                        "WALL",
                        "reflector",
                        "Prism",
                        "height",
                        "1.700",
                        "circle",
                        "203 50 55.2",
                        "zenith",
                        "90 51 22.9",
                        "slope",
                        "36.806"));
        for (String room : List.of("turning", "detail", "review")) {
            day.page(room, "S1", Map.of());
        }
        for (String room : List.of("mark", "setup", "review", "plan")) {
            day.page(room, "", Map.of());
        }
        day.page("setout", "", Map.of("point", "T1", "found", "W1"));
        day.page("turning", "S1", Map.of("role", "check", "target", "B", "face", "left"));
        day.page("turning", "S9", Map.of());
        day.act("review", "S1", "accept", Map.of("basis", "nothing"));
        assertThat(day.answered()).isGreaterThan(30);
    }

    /** Four setups turned by the simulated station, with detail from each: the station sees the same on both, and so does every page. */
    @Test
    void aLongSimulatedDayIsTheSame() {
        Day day = new Day(browser);
        day.practise();
        day.ask("setup", "", "weather", Map.of());
        String[][] setups = {
            {"S1", "PILLAR 1", "PILLAR 2", "POND 1"},
            {"S2", "PILLAR 2", "PILLAR 1", "POND 1"},
            {"S3", "PILLAR 3", "PILLAR 1", "POND 2"},
            {"S4", "POND 1", "PILLAR 1", "POND 2"}
        };
        for (String[] setup : setups) {
            day.act("setup", "", "begin", begun(setup));
            day.ask("turning", setup[0], "display", Map.of());
            day.act("turning", setup[0], "measure", Map.of());
            day.act("turning", setup[0], "measure", Map.of("all", "1"));
            for (int shot = 0; shot < 8; shot++) {
                String point = setup[0] + "-" + shot;
                day.act(
                        "detail",
                        setup[0],
                        "measure",
                        Map.of("name", point, "code", "WALL", "reflector", "Pole", "height", "1.700"));
            }
            for (String room : List.of("turning", "detail", "review")) {
                day.page(room, setup[0], Map.of());
            }
            day.act("review", setup[0], "accept", Map.of("basis", "nothing"));
        }
        for (String room : List.of("mark", "setup", "setout", "review", "plan")) {
            day.page(room, "", Map.of());
        }
        assertThat(day.booked()).isGreaterThan(60);
    }

    private static Map<String, String> begun(String[] setup) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", setup[0]);
        typed.put("method", "occupied");
        typed.put("station", setup[1]);
        typed.put("instrument", AlderWeir.blank().instruments().get(0).name());
        typed.put("height", "1.600");
        typed.put("heightTo", "axis");
        typed.put("sets", "2");
        typed.put("start", "small");
        typed.put("distances", "1");
        typed.put("back-0", setup[2]);
        typed.put("fore-0", setup[3]);
        for (String sight : List.of("back-0", "fore-0")) {
            typed.put(sight + "-reflector", "Prism");
            typed.put(sight + "-height", "1.500");
        }
        return typed;
    }
}
