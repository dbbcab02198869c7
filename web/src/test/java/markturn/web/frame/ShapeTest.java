package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Units;
import markturn.tripod.typed.Understood;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a script echoes of a typed number is what the server understands, letter by letter. Second opinion: the server's own reading. */
@ExtendWith(House.class)
class ShapeTest {
    private static final String SIGNS = "0123456789 -.,:°'\"dms+;";
    private static final List<String> PEOPLE_WRITE = List.of(
            "123 04 05.6",
            "123-04-05.6",
            "123°04'05.6\"",
            "1230405.6",
            "0123456",
            "12",
            "12 34",
            "359 59 59.99",
            "360 00 00",
            "360 00 01",
            "123 64 05",
            "12 3 4",
            "12 03 60",
            "12345",
            "400",
            "399.99995",
            "123.",
            "123,5",
            "0",
            "100",
            "100.1",
            "100,123",
            "100.1234",
            "0.000",
            "5 5.001",
            "5' 2 3/8\"",
            "1 2 005",
            "1d 2m 3s",
            "1:2:3.",
            "361",
            "100.50 ");

    @Test
    void whatAScriptEchoesIsWhatTheServerUnderstands(House house) {
        Page page = house.signedIn("wren");
        TypedDay.occupy(page, TypedDay.openJob(page, "Shapes"), "");
        List<String> texts = new ArrayList<>(PEOPLE_WRITE);
        Random random = new Random(20260417);
        for (int i = 0; i < 4000; i++) {
            StringBuilder text = new StringBuilder();
            for (int sign = random.nextInt(11); sign >= 0; sign--) {
                text.append(SIGNS.charAt(random.nextInt(random.nextInt(3) == 0 ? SIGNS.length() : 13)));
            }
            texts.add(text.toString());
        }
        for (AngleUnit unit : AngleUnit.values()) {
            int sound = compare(page, "angle", "circle", unit.key(), texts, new Units(LengthUnit.METRE, unit));
            assertThat(sound).as("texts that a script echoes as " + unit).isGreaterThan(300);
        }
        assertThat(compare(page, "slope", "slope", "m", texts, new Units(LengthUnit.METRE, AngleUnit.DMS)))
                .isGreaterThan(100);
    }

    private static int compare(Page page, String function, String field, String with, List<String> texts, Units units) {
        Object echoes = page.evaluate("""
                async ([name, texts, unit]) => {
                  const live = document.querySelector("script[type=module][src*='/turning/']").src;
                  const shape = await import(live.replace("turning/turning.js", "frame/shape.js"));
                  return texts.map(text => shape[name](text, unit));
                }""", List.of(function, texts, with));
        int sound = 0;
        List<?> each = (List<?>) echoes;
        for (int i = 0; i < texts.size(); i++) {
            if (each.get(i) != null && !texts.get(i).isBlank()) {
                JsonNode understood = new JsonMapper()
                        .readTree(Understood.of(Map.of(field, texts.get(i)), units)
                                .sheet()
                                .json())
                        .path(field);
                assertThat(each.get(i))
                        .as("\"%s\" in %s", texts.get(i), with)
                        .isEqualTo(understood.path("echo").asString());
                sound++;
            }
        }
        return sound;
    }
}
