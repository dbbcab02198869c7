package markturn.web.job;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.web.CommandLine;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Jobs that miss what most jobs have: every page, every file and every line of the command answers, and none of them shows a number or a
 * word that is none. Common practice, no source.
 */
@ExtendWith(House.class)
class OddJobsTest {
    private static final Pattern NO_WORD = Pattern.compile("NaN|Infinity|Optional[\\[.]|\\bnull\\b|\\$\\{|markturn\\.");
    private static final List<String> PAGES = List.of(
            "",
            "/mark",
            "/equipment",
            "/setup",
            "/practice",
            "/review",
            "/review/glance",
            "/review/correct",
            "/detail",
            "/code",
            "/traverse",
            "/network",
            "/point",
            "/point/checks",
            "/plan",
            "/setout",
            "/intake",
            "/deliver",
            "/deliver/report",
            "/deliver/csv",
            "/deliver/geojson",
            "/deliver/landxml",
            "/deliver/dxf",
            "/deliver/result-file",
            "/deliver/job-file");

    /** One sign-in for all of them. */
    private static Page visitor;

    @TempDir
    private Path folder;

    private static String job(String units, String more, String marks, String setups) {
        return """
                {"format": "mark-turn-job", "version": 1, "name": "odd", "units": %s %s,
                 "instruments": [{"name": "I", "directionStdDev": 2, "zenithStdDev": 2, "distanceStdDev": 0.002, "distancePpm": 2}],
                 "reflectors": [{"name": "R"}], "marks": [%s], "setups": [%s]}""".formatted(units, more, marks, setups);
    }

    private static String setup(String name, String station, String orientation, String... readings) {
        boolean free = orientation.isEmpty();
        return "{\"name\": \"%s\", \"station\": \"%s\", \"method\": \"%s\", \"instrument\": \"I\"%s, \"readings\": [%s]}"
                .formatted(
                        name,
                        station,
                        free ? "resection" : "occupied",
                        free ? "" : ", \"instrumentHeight\": {\"value\": 1.5}, \"orientation\": " + orientation,
                        String.join(",", readings));
    }

    private static String reading(String target, String role, String circle, String rest) {
        return "{\"target\": \"%s\", \"role\": \"%s\", \"face\": \"left\", \"circle\": \"%s\"%s}"
                .formatted(target, role, circle, rest);
    }

    private static final String FULL =
            ", \"set\": 1, \"zenith\": \"90-00-00\", \"slope\": 100.0, \"reflector\": \"R\", \"targetHeight\": {\"value\": 1.5}";
    private static final String METRES = "{\"length\": \"m\", \"angle\": \"dms\"}";
    private static final String A =
            "{\"name\": \"A\", \"kind\": \"control\", \"northing\": 0, \"easting\": 0, \"elevation\": 0}";
    private static final String B =
            "{\"name\": \"B\", \"kind\": \"control\", \"northing\": 100, \"easting\": 0, \"elevation\": 0}";
    private static final String T = "{\"name\": \"T\", \"kind\": \"new\"}";
    private static final String BY_B = "{\"sights\": [\"B\"]}";

    static Stream<Arguments> odd() {
        return Stream.of(
                Arguments.of("nothing at all", job(METRES, "", "", "")),
                Arguments.of("one mark", job(METRES, "", A, "")),
                Arguments.of("a setup that read nothing", job(METRES, "", A + "," + B, setup("S", "A", BY_B))),
                Arguments.of(
                        "a setup that cannot be oriented",
                        job(
                                METRES,
                                "",
                                A + "," + T,
                                setup("S", "A", "{\"sights\": [\"T\"]}", reading("T", "backsight", "0-00-00", FULL)))),
                Arguments.of(
                        "a station nobody knows",
                        job(
                                METRES,
                                "",
                                A + "," + B + "," + T,
                                setup("S", "T", BY_B, reading("B", "backsight", "0-00-00", FULL)))),
                Arguments.of(
                        "angles alone",
                        job(
                                METRES,
                                "",
                                A + "," + B + "," + T,
                                setup(
                                        "S",
                                        "A",
                                        BY_B,
                                        reading("B", "backsight", "0-00-00", ", \"set\": 1"),
                                        reading("T", "foresight", "90-00-00", ", \"set\": 1")))),
                Arguments.of(
                        "a free station on one mark",
                        job(
                                METRES,
                                "",
                                A + ",{\"name\": \"F\", \"kind\": \"new\"}",
                                setup("S", "F", "", reading("A", "backsight", "0-00-00", FULL)))),
                Arguments.of(
                        "a free station nobody listed, on two marks",
                        job(
                                METRES,
                                "",
                                A + "," + B,
                                setup(
                                        "S",
                                        "F",
                                        "",
                                        reading("A", "backsight", "0-00-00", FULL),
                                        reading("B", "backsight", "60-00-00", FULL)))),
                Arguments.of(
                        "everything struck out",
                        job(
                                METRES,
                                "",
                                A + "," + B + "," + T,
                                setup(
                                        "S",
                                        "A",
                                        BY_B,
                                        reading("B", "backsight", "0-00-00", FULL + ", \"struck\": \"bump\""),
                                        reading("T", "foresight", "90-00-00", FULL + ", \"struck\": \"bump\"")))),
                Arguments.of(
                        "plan only, in gon and feet, names that need care",
                        job(
                                "{\"length\": \"ft\", \"angle\": \"gon\"}",
                                ", \"planOnly\": true",
                                A.replace("\"A\"", "\"A/1 & <2>\"") + "," + B,
                                setup("S 1+2", "A/1 & <2>", BY_B, reading("B", "backsight", "0.0000", "")))),
                Arguments.of(
                        "marks on one spot",
                        job(
                                METRES,
                                "",
                                A + "," + A.replace("\"A\"", "\"B\"") + "," + T,
                                setup(
                                        "S",
                                        "A",
                                        BY_B,
                                        reading("B", "backsight", "0-00-00", FULL),
                                        reading("T", "foresight", "90-00-00", FULL)))),
                Arguments.of(
                        "a route that leads nowhere, and a fix far away",
                        job(
                                        METRES,
                                        "",
                                        A + "," + B + "," + T,
                                        setup("S", "A", BY_B, reading("B", "backsight", "0-00-00", FULL)))
                                .replaceFirst(
                                        "\"setups\"",
                                        "\"traverses\": [{\"name\": \"N\", \"route\": [\"A\", \"T\", \"B\"], \"method\": \"compass\"}], \"fixes\": [{\"mark\": \"T\", \"northing\": 9e6, \"easting\": -9e6, \"stdDev\": {\"northing\": 0.01, \"easting\": 0.01, \"elevation\": 0}, \"use\": \"observation\"}], \"setups\"")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("odd")
    void everyPageAnswersAndShowsNothingThatIsNone(String name, String file, House house) throws FaultyFile {
        Job job = JobFile.read(file.getBytes(StandardCharsets.UTF_8));
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        visitor = visitor == null ? house.signedIn("wren") : visitor;
        List<String> paths = new ArrayList<>(PAGES);
        for (Setup setup : job.setups()) {
            String coded = java.net.URLEncoder.encode(setup.name(), StandardCharsets.UTF_8)
                    .replace("+", "%20");
            paths.addAll(
                    List.of("/turning/" + coded, "/review/" + coded, "/detail/" + coded, "/setout?setup=" + coded));
        }
        for (Mark mark : job.marks()) {
            if (!mark.name().contains("/")) {
                paths.add("/point/" + mark.name());
            }
        }
        List<String> wrong = new ArrayList<>();
        for (String path : paths) {
            APIResponse answer = visitor.request().get("/job/" + id + path);
            // A random token may spell anything.
            String text = answer.text().replaceAll("(content|value)=\"[\\w-]{60,}\"", "");
            Matcher none = NO_WORD.matcher(path.startsWith("/deliver/") && path.endsWith("-file") ? "" : text);
            if (answer.status() != 200) {
                wrong.add(path + " answers " + answer.status());
            } else if (none.find()) {
                wrong.add(path + ": "
                        + text.substring(Math.max(0, none.start() - 60), Math.min(text.length(), none.end() + 40)));
            }
        }
        assertThat(wrong).as(name).isEmpty();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("odd")
    void theCommandLineComputesAndConvertsIt(String name, String file, House house) throws Exception {
        Path from = folder.resolve("job.json");
        Files.writeString(from, file);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream err = new ByteArrayOutputStream();
        assertThat(CommandLine.compute(
                        new String[] {from.toString()}, new PrintStream(out, true), new PrintStream(err, true)))
                .as(err.toString(StandardCharsets.UTF_8))
                .isZero();
        assertThat(out.toString(StandardCharsets.UTF_8)).doesNotContain("NaN", "Infinity");
        for (String format : List.of("csv", "geojson", "landxml", "dxf", "pdf")) {
            Path to = folder.resolve("out." + format);
            String[] arguments = {from.toString(), "--to", format, "--output", to.toString()};
            assertThat(CommandLine.convert(arguments, new PrintStream(err, true)))
                    .as(name + " to " + format)
                    .isZero();
            if (!format.equals("pdf")) {
                assertThat(Files.readString(to))
                        .as(name + " as " + format)
                        .doesNotContain("NaN", "Infinity", "Optional");
            }
        }
    }
}
