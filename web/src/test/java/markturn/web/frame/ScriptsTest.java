package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.javascript.jscomp.CheckLevel;
import com.google.javascript.jscomp.CommandLineRunner;
import com.google.javascript.jscomp.Compiler;
import com.google.javascript.jscomp.CompilerOptions;
import com.google.javascript.jscomp.DiagnosticGroup;
import com.google.javascript.jscomp.DiagnosticGroups;
import com.google.javascript.jscomp.JSError;
import com.google.javascript.jscomp.SourceFile;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Scripts are looked through by a general-purpose checker: names that are not there, imports that lead nowhere, code that does nothing. */
class ScriptsTest {
    private static final Path SCRIPTS = Path.of("src/main/resources/static/js");
    private static final List<DiagnosticGroup> ASKED = List.of(
            DiagnosticGroups.LINT_CHECKS,
            DiagnosticGroups.UNDEFINED_VARIABLES,
            DiagnosticGroups.UNUSED_LOCAL_VARIABLE,
            DiagnosticGroups.CHECK_USELESS_CODE,
            DiagnosticGroups.SUSPICIOUS_CODE,
            DiagnosticGroups.CONST,
            DiagnosticGroups.ES5_STRICT);

    /** The face of the module that is compiled from Java, and is no script of ours. */
    private static final String CORE = Stream.concat(
                    Stream.of("open", "tell", "isOpen", "close", "page", "answer", "act", "compute"),
                    Stream.of(
                                    "Site",
                                    "Tried",
                                    "Taken",
                                    "Dragged",
                                    "Seen",
                                    "Ground",
                                    "Row",
                                    "Proposed",
                                    "Reasons",
                                    "Matrix",
                                    "Sketched")
                            .map(name -> "plan" + name))
            .map(name -> "/** @return {?} */ export function " + name + "(...given) { return given; }\n")
            .collect(Collectors.joining());

    /** Where questions are asked: with an end; and of the device's worker a part of a page, and a form with what may be a file. */
    private static final Map<String, Long> WITHOUT_AN_END = Map.of("patience.js", 2L, "shell.js", 2L);

    @Test
    void theCheckerFindsNothing() throws IOException {
        assertThat(found(sources(List.of()))).isEmpty();
    }

    /** What the checker says of scripts that are wrong on purpose: it would say it of ours. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "import { nothing } from \"./draw.js\";\nexport const x = nothing;\n",
                "export const x = () => missing;\n",
                "export function x() { const unused = 1; }\n"
            })
    void theCheckerWouldFindIt(String code) throws IOException {
        SourceFile wrong = SourceFile.fromCode(SCRIPTS.resolve("frame/wrong.js").toString(), code);
        assertThat(found(sources(List.of(wrong)))).isNotEmpty();
    }

    @Test
    void eachModuleSaysWhatItIsFor() throws IOException {
        for (Path script : scripts()) {
            assertThat(Files.readAllLines(script).get(0)).as(script.toString()).startsWith("// ");
        }
    }

    /** Over a line that is dead without having been closed a plain question is never answered: each has an end, but a file on its way. */
    @Test
    void nothingIsWaitedForWithoutAnEnd() throws IOException {
        Pattern question = Pattern.compile("\\bfetch\\(");
        for (Path script : scripts()) {
            long asked = question.matcher(Files.readString(script)).results().count();
            assertThat(asked)
                    .as(script.toString())
                    .isEqualTo(WITHOUT_AN_END.getOrDefault(script.getFileName().toString(), 0L));
        }
    }

    private static List<Path> scripts() throws IOException {
        try (Stream<Path> files = Files.walk(SCRIPTS)) {
            return files.filter(f -> f.toString().endsWith(".js")).sorted().toList();
        }
    }

    private static List<SourceFile> sources(List<SourceFile> more) throws IOException {
        List<SourceFile> sources = new ArrayList<>(more);
        sources.add(SourceFile.fromCode(SCRIPTS.resolve("pocket/core.js").toString(), CORE));
        scripts().forEach(script -> sources.add(SourceFile.fromFile(script.toString())));
        return sources;
    }

    private static List<String> found(List<SourceFile> sources) throws IOException {
        CompilerOptions options = new CompilerOptions();
        options.setLanguageIn(CompilerOptions.LanguageMode.UNSTABLE);
        options.setChecksOnly(true);
        options.setCheckSuspiciousCode(true);
        options.setCheckSymbols(true);
        options.setWarningLevel(DiagnosticGroups.CHECK_TYPES, CheckLevel.OFF);
        ASKED.forEach(group -> options.setWarningLevel(group, CheckLevel.WARNING));
        Compiler compiler = new Compiler(new PrintStream(OutputStream.nullOutputStream()));
        compiler.compile(CommandLineRunner.getBuiltinExterns(CompilerOptions.Environment.BROWSER), sources, options);
        return Stream.concat(compiler.getErrors().stream(), compiler.getWarnings().stream())
                .filter(ScriptsTest::isAboutCode)
                .map(JSError::toString)
                .toList();
    }

    /** The house documents its functions in sentences, not in tags; two names of the browser are not in the checker's list. */
    private static boolean isAboutCode(JSError error) {
        String key = error.getType().key;
        boolean known =
                error.getDescription().matches("variable (localStorage|sessionStorage|matchMedia) is undeclared");
        return !known && !key.contains("JSDOC") && !key.contains("WRONG_NUMBER_OF_PARAMS");
    }
}
