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

    /** A rule looks at one thing: what it shares with the rules of another room lies beneath them both. */
    @ArchTest
    static final ArchRule ROOMS_OF_RULES_LEAN_DOWNWARDS = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("words")
            .definedBy("..finding.words..")
            .layer("judgement")
            .definedBy("..finding.judgement..")
            .layer("base")
            .definedBy("..finding.base..")
            .layer("rooms")
            .definedBy(
                    "..finding.setup..",
                    "..finding.sets..",
                    "..finding.backsight..",
                    "..finding.resection..",
                    "..finding.figure..",
                    "..finding.coordinates..")
            .layer("standing")
            .definedBy("..finding.standing..")
            .layer("finding")
            .definedBy("markturn.survey.finding")
            .whereLayer("finding")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("standing")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("rooms")
            .mayOnlyBeAccessedByLayers("finding")
            .whereLayer("base")
            .mayOnlyBeAccessedByLayers("rooms", "standing", "finding")
            .whereLayer("judgement")
            .mayOnlyBeAccessedByLayers("base", "rooms", "standing", "finding");

    @ArchTest
    static final ArchRule ROOMS_OF_RULES_DO_NOT_KNOW_EACH_OTHER = slices().matching("markturn.survey.finding.(*)..")
            .should()
            .notDependOnEachOther()
            .ignoreDependency(
                    com.tngtech.archunit.base.DescribedPredicate.alwaysTrue(),
                    com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage(
                            "..finding.words..", "..finding.judgement..", "..finding.base.."));

    @ArchTest
    static final ArchRule PURE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "jakarta..", "java.sql..", "java.nio.file..", "java.net..");
}
