package markturn.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import markturn.survey.Survey;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.SatelliteFix;
import markturn.survey.result.Check;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Codes, lines, constructions and listed positions in the job file: there, back, and refused where they cannot be. */
class DetailFileTest {
    private static final String FILE = """
            {"format": "mark-turn-job", "version": 1, "units": {"length": "ft", "angle": "dms"},
             "codes": [{"name": "WALL", "words": "foot of a wall", "numbers": {"first": 300, "last": 399}, "targetHeight": 5.5,
                        "line": true, "sign": "bar", "stroke": "dotted"}, {"name": "TREE"}],
             "marks": [{"name": "A", "northing": 0, "easting": 0},
                       {"name": "300", "kind": "located", "code": "WALL", "line": {"number": 2, "act": "begin"}},
                       {"name": "301", "kind": "located", "code": "WALL", "line": {"act": "close"}},
                       {"name": "t", "kind": "located", "by": {"round": {"leftEdge": "300", "rightEdge": "301", "front": "302"}}},
                       {"name": "302", "kind": "located"}, {"name": "303", "kind": "located"},
                       {"name": "c", "kind": "located", "by": {"corner": ["300", "301", "302", "303"]}},
                       {"name": "w", "kind": "located", "by": {"above": "302"}}],
             "setups": [],
             "fixes": [{"mark": "A", "northing": 0.1, "easting": 0, "stdDev": {"northing": 0.01, "easting": 0.01}, "source": "list 2019"},
                       {"mark": "A", "northing": 5, "easting": 5, "stdDev": {"northing": 0.01, "easting": 0.01}, "struck": "wrong pole"}]}""";

    private static Job read(String text) throws FaultyFile {
        return JobFile.read(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void detailIsReadInTheUnitsOfTheJob() throws FaultyFile {
        Job job = read(FILE);
        Code wall = job.code("WALL");
        assertThat(wall.targetHeight().getAsDouble()).isCloseTo(5.5 * 0.3048, within(1e-12));
        assertThat(wall.numbers()).contains(new Code.Numbers(300, 399));
        assertThat(wall.sign()).isEqualTo(Code.Sign.BAR);
        assertThat(wall.stroke()).isEqualTo(Code.Stroke.DOTTED);
        assertThat(job.code("TREE")).isEqualTo(Code.plain("TREE"));
        // What the list does not hold is a plain point: a code can simply be used.
        assertThat(job.code("NEVER")).isEqualTo(Code.plain("NEVER"));
        assertThat(job.mark("300").orElseThrow().joining()).contains(new Joining(2, Joining.Act.BEGIN));
        assertThat(job.mark("301").orElseThrow().joining()).contains(new Joining(1, Joining.Act.CLOSE));
        assertThat(job.mark("t").orElseThrow().by()).contains(new Construction.Round("300", "301", "302"));
        assertThat(job.mark("w").orElseThrow().by()).contains(new Construction.Above("302"));
        SatelliteFix fix = job.fixes().get(0);
        assertThat(fix.source()).isEqualTo("list 2019");
        assertThat(fix.stands()).isTrue();
        assertThat(job.fixes().get(1).struck()).contains("wrong pole");
        Check check = Survey.compute(job).measured().checks().get(0);
        assertThat(check.from()).isEqualTo("list 2019");
        assertThat(check.northingDifference().getAsDouble()).isCloseTo(0.03048, within(1e-12));
    }

    @Test
    void whatIsWrittenIsReadBackTheSame() throws FaultyFile {
        Job job = read(FILE);
        Job back = JobFile.read(JobFile.write(job));
        assertThat(back.codes()).isEqualTo(job.codes());
        assertThat(back.marks()).isEqualTo(job.marks());
        assertThat(back.fixes()).isEqualTo(job.fixes());
        assertThat(JobFile.write(back)).isEqualTo(JobFile.write(job));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"sign\": \"bar\"|\"sign\": \"blue\"|$.codes[0].sign",
                "\"first\": 300|\"first\": 400|$.codes[0].numbers",
                "\"first\": 300|\"first\": 0|$.codes[0].numbers.first",
                "\"name\": \"TREE\"|\"name\": \"WALL\"|$.codes[1].name",
                "\"act\": \"begin\"|\"act\": \"break\"|$.marks[1].line.act",
                "{\"above\": \"302\"}|{\"above\": \"999\"}|$.marks[7].by: 999",
                "{\"above\": \"302\"}|{\"above\": \"w\"}|rest on itself",
                "{\"above\": \"302\"}|{\"above\": \"c\"}|is placed by a construction itself",
                "{\"above\": \"302\"}|{}|expected one of round",
                "\"300\", \"301\", \"302\", \"303\"]|\"300\", \"301\", \"302\"]|$.marks[6].by.corner",
                "\"front\": \"302\"|\"back\": \"302\"|$.marks[3].by.round"
            })
    void whatCannotBeIsNamed(String from, String to, String expected) {
        assertThat(FILE).contains(from);
        assertThatThrownBy(() -> read(FILE.replace(from, to)))
                .isInstanceOf(FaultyFile.class)
                .hasMessageContaining(expected);
    }
}
