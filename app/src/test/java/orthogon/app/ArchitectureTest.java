package orthogon.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.springframework.jdbc.core.simple.JdbcClient;

@AnalyzeClasses(packages = {"orthogon.app", "orthogon.formats"}, importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final String[] SHEETS = {"..app.desk..", "..app.compose..", "..app.rules..", "..app.prove..", "..app.rehearse..",
            "..app.release..", "..app.languages..", "..app.map..", "..app.responses..", "..app.respond.."};

    @ArchTest
    static final ArchRule sqlStandsInStoresOnly = noClasses().that().haveSimpleNameNotEndingWith("Store").should()
            .dependOnClassesThat().areAssignableTo(JdbcClient.class);

    @ArchTest
    static final ArchRule formatsKnowNothingOfTheApplication = noClasses().that().resideInAPackage("orthogon.formats..").should()
            .dependOnClassesThat().resideInAPackage("orthogon.app..");

    @ArchTest
    static final ArchRule noCycles = slices().matching("orthogon.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static void noSheetImportsAnother(com.tngtech.archunit.core.domain.JavaClasses classes) {
        for (String sheet : SHEETS) {
            String[] others = java.util.Arrays.stream(SHEETS).filter(s -> !s.equals(sheet)).toArray(String[]::new);
            noClasses().that().resideInAPackage(sheet).should().dependOnClassesThat().resideInAnyPackage(others).check(classes);
        }
    }
}
