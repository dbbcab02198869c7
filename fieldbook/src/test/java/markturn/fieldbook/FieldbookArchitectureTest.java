package markturn.fieldbook;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The field book runs in two places: it leans on the computation and the language alone, and knows no clock, thread, file or reflection. */
@AnalyzeClasses(packages = "markturn.fieldbook", importOptions = ImportOption.DoNotIncludeTests.class)
class FieldbookArchitectureTest {
    @ArchTest
    static final ArchRule LEANS_ON_SURVEY_AND_THE_LANGUAGE = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "markturn.fieldbook..",
                    "markturn.survey..",
                    "java.lang",
                    "java.lang.invoke",
                    "java.lang.runtime",
                    "java.math",
                    "java.time..",
                    "java.util",
                    "java.util.function",
                    "java.util.stream");

    @ArchTest
    static final ArchRule KNOWS_NO_CLOCK = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime");

    @ArchTest
    static final ArchRule FORMATS_NOTHING = noClasses()
            .should()
            .callMethod(String.class, "format", String.class, Object[].class)
            .orShould()
            .callMethod(String.class, "formatted", Object[].class);

    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("markturn.fieldbook.(*)..").should().beFreeOfCycles();
}
