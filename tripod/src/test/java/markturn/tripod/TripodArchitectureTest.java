package markturn.tripod;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The acts at the instrument run in two places: they lean on the computation, the field book and the language alone, and knows no clock, thread, file or reflection. */
@AnalyzeClasses(packages = "markturn.tripod", importOptions = ImportOption.DoNotIncludeTests.class)
class TripodArchitectureTest {
    @ArchTest
    static final ArchRule LEANS_ON_THE_BOOK_AND_THE_LANGUAGE = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "markturn.tripod..",
                    "markturn.fieldbook..",
                    "markturn.survey..",
                    "java.lang",
                    "java.lang.invoke",
                    "java.lang.runtime",
                    "java.math",
                    "java.nio.charset",
                    "java.time..",
                    "java.util",
                    "java.util.function",
                    "java.util.regex",
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
            slices().matching("markturn.tripod.(*)..").should().beFreeOfCycles();
}
