package orthogon.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
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

    @ArchTest
    static void noTwoClassesShareAName(com.tngtech.archunit.core.domain.JavaClasses ignored) {
        Map<String, Set<String>> byName = new TreeMap<>();
        new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests())
                .withImportOption(location -> !location.contains("-tests.jar")).importPackages("orthogon").stream()
                .filter(c -> !c.getSimpleName().isEmpty() && !c.getName().contains(".grammar.")
                        && !c.getSimpleName().equals("package-info"))
                .forEach(c -> byName.computeIfAbsent(c.getSimpleName(), n -> new TreeSet<>()).add(c.getName()));
        byName.values().removeIf(classes -> classes.size() == 1);
        assertEquals(Map.of(), byName);
    }
}
