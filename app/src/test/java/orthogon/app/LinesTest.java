package orthogon.app;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Templates, styles and scripts are read as code is. */
class LinesTest {

    private static final int LONGEST = 140;
    private static final Path RESOURCES = Path.of("src/main/resources");
    private static final String PAGES_OF_FORMATS = "../../../../formats/src/main/resources/orthogon/formats/page";

    @Test
    void noLineOfATemplateAStyleOrAScriptIsTooLong() throws IOException {
        List<String> tooLong = new ArrayList<>();
        List<Path> files;
        try (Stream<Path> all = Stream.of("templates", "static/app", PAGES_OF_FORMATS).flatMap(LinesTest::below)) {
            files = all.filter(f -> f.toString().matches(".*\\.(html|css|js)")).toList();
        }
        for (Path file : files) {
            List<String> lines = Files.readAllLines(file);
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).length() > LONGEST) {
                    tooLong.add(RESOURCES.relativize(file) + ":" + (i + 1));
                }
            }
        }
        assertEquals(List.of(), tooLong);
    }

    private static Stream<Path> below(String folder) {
        try {
            return Files.walk(RESOURCES.resolve(folder));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
