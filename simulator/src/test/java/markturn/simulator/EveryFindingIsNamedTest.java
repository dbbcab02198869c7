package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.FindingCode;
import org.junit.jupiter.api.Test;

/** Every finding has a test that names it, in one of the modules: a code that is added without one fails here. */
class EveryFindingIsNamedTest {
    @Test
    void byItsKeyOrItsConstant() throws IOException {
        List<String> tests;
        try (Stream<Path> files = Files.walk(Path.of(".."), 12)) {
            tests = files.filter(file -> file.toString().contains("src/test/java")
                            && file.toString().endsWith("Test.java"))
                    .map(EveryFindingIsNamedTest::text)
                    .toList();
        }
        assertThat(tests).hasSizeGreaterThan(100);
        assertThat(FindingCode.values())
                .allSatisfy(code -> assertThat(tests)
                        .as(code.key())
                        .anyMatch(test -> test.contains('"' + code.key() + '"')
                                || test.matches("(?s).*FindingCode\\." + code.name() + "\\b.*")));
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
