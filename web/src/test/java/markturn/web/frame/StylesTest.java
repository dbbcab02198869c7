package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Styles that a stranger can find their way in: one rule a line, each selector once, none without a user. Common practice, no source. */
class StylesTest {
    private static final Path STYLES = Path.of("src/main/resources/static/css");
    private static final List<Path> USERS = List.of(
            Path.of("src/main/resources/templates"),
            Path.of("src/main/resources/static/js"),
            Path.of("src/main/java"),
            Path.of("../tripod/src/main/java"));
    private static final Pattern NAME = Pattern.compile("[.#](-?[A-Za-z_][\\w-]*)");

    /** A rule, with the condition it stands under. */
    private record Rule(Path file, String condition, String selector) {}

    @Test
    void eachSelectorStandsOnceAndEachRuleOnItsLine() throws IOException {
        List<String> again = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Rule rule : rules()) {
            if (!seen.add(rule.condition() + rule.selector())) {
                again.add(rule.file() + ": " + rule.condition() + " " + rule.selector());
            }
        }
        assertThat(again).isEmpty();
    }

    @Test
    void noRuleIsWithoutAUser() throws IOException {
        StringBuilder users = new StringBuilder();
        for (Path place : USERS) {
            try (Stream<Path> files = Files.walk(place)) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    users.append(Files.readString(file));
                }
            }
        }
        Set<String> words = new HashSet<>();
        Matcher word = Pattern.compile("-?[A-Za-z_][\\w-]*").matcher(users);
        while (word.find()) {
            words.add(word.group());
        }
        List<String> without = new ArrayList<>();
        for (Rule rule : rules()) {
            Matcher name = NAME.matcher(rule.selector());
            while (name.find()) {
                if (!isUsed(name.group(1), words)) {
                    without.add(rule.file() + ": " + rule.selector());
                }
            }
        }
        assertThat(without).isEmpty();
    }

    /** Whether somebody says the name, or puts it together of a beginning that ends in a dash and a word. */
    private static boolean isUsed(String name, Set<String> words) {
        int dash = name.indexOf('-', 1);
        return words.contains(name)
                || dash > 0 && words.contains(name.substring(0, dash + 1)) && words.contains(name.substring(dash + 1));
    }

    private static List<Rule> rules() throws IOException {
        List<Rule> rules = new ArrayList<>();
        try (Stream<Path> files = Files.list(STYLES)) {
            for (Path file :
                    files.filter(f -> !f.endsWith("fonts.css")).sorted().toList()) {
                String condition = "";
                for (String line : Files.readAllLines(file)) {
                    String text = line.strip();
                    if (text.isEmpty() || text.startsWith("/*")) {
                        continue;
                    } else if (text.startsWith("@media")) {
                        condition = text;
                    } else if (text.equals("}")) {
                        condition = "";
                    } else {
                        assertThat(text).as("one rule on a line of %s", file).matches("[^{}]+ \\{ [^{}]* }");
                        rules.add(new Rule(
                                file,
                                condition,
                                text.substring(0, text.indexOf('{')).strip()));
                    }
                }
            }
        }
        // What a class of the library says is no rule of the house: a new one is worth a look at what stands already.
        assertThat(rules).hasSizeBetween(300, 420);
        return rules;
    }
}
