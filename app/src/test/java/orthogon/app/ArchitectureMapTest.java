package orthogon.app;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The map for newcomers leads to what is there. */
class ArchitectureMapTest {

    private static final Path ROOT = Path.of("..");
    /** A class in code font, with the folder before it or the method behind it. */
    private static final Pattern CLASS = Pattern.compile("`(?:[a-z/]+/)?([A-Z][a-z]\\w*)(?:\\.\\w+(?:\\([^`]*\\))?)?`");
    /** A folder in the list of packages, at the depth that its indent tells. */
    private static final Pattern FOLDER = Pattern.compile("(?m)^ {6,8}([a-z]+(?:, [a-z]+)*)/");

    private static String map;
    private static List<Path> sources;

    @BeforeAll
    static void read() throws IOException {
        map = Files.readString(ROOT.resolve("ARCHITECTURE.md"));
        try (Stream<Path> all = Files.walk(ROOT)) {
            sources = all.filter(p -> p.toString().endsWith(".java") && p.toString().contains("/src/")).toList();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"ARCHITECTURE.md", "CONTRIBUTING.md", "docs/testing.md"})
    void everyClassThatADocumentNamesExists(String document) throws IOException {
        Set<String> there = sources.stream().map(p -> p.getFileName().toString().replace(".java", "")).collect(Collectors.toSet());
        List<String> named = CLASS.matcher(Files.readString(ROOT.resolve(document))).results().map(m -> m.group(1)).distinct().toList();
        assertTrue(!document.startsWith("ARCH") || named.size() > 50, "only " + named.size() + " classes are named");
        assertEquals(List.of(), named.stream().filter(n -> !there.contains(n)).toList());
    }

    @Test
    void everyPackageOfItsListExists() {
        Set<String> there = sources.stream().map(p -> p.getParent().getFileName().toString()).collect(Collectors.toSet());
        List<String> named = FOLDER.matcher(map).results().map(MatchResult::group).map(String::strip)
                .flatMap(f -> Stream.of(f.replace("/", "").split(", "))).toList();
        assertTrue(named.size() > 25, "only " + named.size() + " packages are named");
        assertEquals(List.of(), named.stream().filter(n -> !there.contains(n)).toList());
    }
}
