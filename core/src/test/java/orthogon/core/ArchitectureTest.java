package orthogon.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;

@AnalyzeClasses(packages = "orthogon.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreRestsOnTheJdkAntlrIcuAndTheAutomatonLibraryAlone = ArchRuleDefinition.classes().should()
            .onlyDependOnClassesThat().resideInAnyPackage("orthogon.core..", "java..", "org.antlr..", "com.ibm.icu..");

    @ArchTest
    static final ArchRule noCycles = slices().matching("orthogon.core.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule theInterviewKnowsNothingOfTheProof = noClasses().that().resideInAPackage("..interview..").should()
            .dependOnClassesThat().resideInAPackage("..proof..");

    @ArchTest
    static final ArchRule onlyTheReplayOfWitnessesKnowsTheInterview = noClasses().that().resideInAnyPackage("..proof.fault..",
            "..proof.space..", "..proof.diagram..", "..proof.flow..").should().dependOnClassesThat().resideInAPackage("..interview..");
}
