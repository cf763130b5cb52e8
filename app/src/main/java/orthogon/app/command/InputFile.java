package orthogon.app.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.document.UnusableFile;

/**
 * A file that a command reads.
 *
 * @param name as it was typed
 */
record InputFile(String name) {

    Questionnaire questionnaire() throws UnusableFile {
        return DocumentReader.read(text());
    }

    String text() throws UnusableFile {
        try {
            return new String(Files.readAllBytes(Path.of(name)), StandardCharsets.UTF_8);
        } catch (IOException | InvalidPathException e) {
            throw new UnusableFile(List.of(new UnusableFile.FileFault("", "cannot be read; is the name right?")));
        }
    }

    /** Says what is wrong with the file, a line for each fault. */
    void report(UnusableFile unusable, PrintWriter to) {
        unusable.faults().forEach(fault -> to.println(name + " " + fault));
    }
}
