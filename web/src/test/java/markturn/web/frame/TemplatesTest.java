package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Templates hold no words of their own making and no arithmetic: finished words come to them. Common practice, no source. */
class TemplatesTest {
    private static final List<Path> TEMPLATES =
            List.of(Path.of("src/main/resources/templates"), Path.of("../report/src/main/resources/markturn/report"));
    private static final int LONGEST_LINE = 140;
    private static final Pattern ATTRIBUTE = Pattern.compile("\\bth:([\\w:-]+)=\"([^\"]*)\"", Pattern.DOTALL);
    /** What a value is looked up by is no sentence. */
    private static final Pattern KEY = Pattern.compile("\\[[^\\]]*]");

    private static final Pattern QUOTED = Pattern.compile("'[^']*'");
    private static final Pattern ARITHMETIC = Pattern.compile("\\$\\{[^}]*\\s[-*/%]\\s[^}]*}");
    private static final Pattern PLURAL = Pattern.compile("== 1 \\?");
    private static final Pattern OPERATORS = Pattern.compile("\\b(and|or)\\b|==|!=|\\s[<>]=?\\s");

    @Test
    void noLineIsLongerThanCanBeRead() throws IOException {
        assertThat(faults((text, attribute) -> "", LONGEST_LINE)).isEmpty();
    }

    @Test
    void noSentenceIsGluedAndNothingIsComputed() throws IOException {
        assertThat(faults(
                        (name, value) -> {
                            String bare = QUOTED.matcher(KEY.matcher(value).replaceAll(""))
                                    .replaceAll("'");
                            boolean glued = List.of("text", "aria-label", "href", "title", "placeholder")
                                            .contains(name)
                                    && (bare.contains("' +") || bare.contains("+ '"));
                            if (glued) {
                                return "glued";
                            }
                            if (ARITHMETIC.matcher(value).find()) {
                                return "arithmetic";
                            }
                            return PLURAL.matcher(value).find() ? "a plural by comparison" : "";
                        },
                        Integer.MAX_VALUE))
                .isEmpty();
    }

    @Test
    void aConditionAsksOneThing() throws IOException {
        assertThat(faults(
                        (name, value) -> {
                            boolean condition = name.equals("if") || name.equals("unless");
                            long operators = OPERATORS
                                    .matcher(QUOTED.matcher(value).replaceAll("'"))
                                    .results()
                                    .count();
                            return condition && operators > 1 ? operators + " operators" : "";
                        },
                        Integer.MAX_VALUE))
                .isEmpty();
    }

    private interface Judge {
        String fault(String attribute, String value);
    }

    private static List<String> faults(Judge judge, int longest) throws IOException {
        List<String> faults = new ArrayList<>();
        for (Path file : templates()) {
            String text = Files.readString(file);
            text.lines().filter(line -> line.length() > longest).forEach(line -> faults.add(file + ": " + line));
            Matcher attributes = ATTRIBUTE.matcher(text);
            while (attributes.find()) {
                String fault = judge.fault(attributes.group(1), attributes.group(2));
                if (!fault.isEmpty()) {
                    faults.add(file + ": " + fault + ": " + attributes.group());
                }
            }
        }
        return faults;
    }

    private static List<Path> templates() throws IOException {
        List<Path> templates = new ArrayList<>();
        for (Path folder : TEMPLATES) {
            try (Stream<Path> files = Files.walk(folder)) {
                List<Path> some =
                        files.filter(f -> f.toString().endsWith(".html")).toList();
                assertThat(some).as(folder.toString()).isNotEmpty();
                templates.addAll(some);
            }
        }
        return templates;
    }
}
