package markturn.survey;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The rooms of the computation and which may lean on which. */
@AnalyzeClasses(packages = "markturn.survey", importOptions = ImportOption.DoNotIncludeTests.class)
class SurveyArchitectureTest {
    @ArchTest
    static final ArchRule ROOMS_LEAN_DOWNWARDS = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("angle")
            .definedBy("..angle..")
            .layer("adjust")
            .definedBy("..adjust..")
            .layer("job")
            .definedBy("..job..")
            .layer("reduce")
            .definedBy("..reduce..")
            .layer("propagate")
            .definedBy("..propagate..")
            .layer("result")
            .definedBy("..result..")
            .layer("locate")
            .definedBy("..locate..")
            .layer("station")
            .definedBy("..station..")
            .layer("traverse")
            .definedBy("..traverse..")
            .layer("network")
            .definedBy("..network..")
            .layer("turning")
            .definedBy("..turning..")
            .layer("transform")
            .definedBy("..transform..")
            .layer("finding")
            .definedBy("..finding..")
            .layer("survey")
            .definedBy("markturn.survey")
            .whereLayer("survey")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("finding")
            .mayOnlyBeAccessedByLayers("survey")
            .whereLayer("traverse")
            .mayOnlyBeAccessedByLayers("survey")
            .whereLayer("network")
            .mayOnlyBeAccessedByLayers("traverse", "survey")
            .whereLayer("turning")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("transform")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("station")
            .mayOnlyBeAccessedByLayers("survey")
            .whereLayer("adjust")
            .mayOnlyBeAccessedByLayers("locate", "station", "network", "survey")
            .whereLayer("locate")
            .mayOnlyBeAccessedByLayers("station", "survey")
            .whereLayer("propagate")
            .mayOnlyBeAccessedByLayers("result", "locate", "station", "network", "survey")
            .whereLayer("result")
            .mayOnlyBeAccessedByLayers("locate", "station", "traverse", "network", "turning", "finding", "survey")
            .whereLayer("job")
            .mayOnlyBeAccessedByLayers(
                    "reduce",
                    "result",
                    "locate",
                    "station",
                    "traverse",
                    "network",
                    "turning",
                    "transform",
                    "finding",
                    "survey");

    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("markturn.survey.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule PURE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "java.nio.file..", "java.net..");
}
