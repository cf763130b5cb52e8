package orthogon.app.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import orthogon.formats.json.UnusableFile;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** A command that reads files. One that cannot be used is told with its name and all its faults, and gives exit status 2. */
abstract class FileCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;
    /** The file that is read at present. */
    private String reading = "";

    /** Does it, and gives the exit status. */
    abstract int run() throws UnusableFile;

    @Override
    public final Integer call() {
        try {
            return run();
        } catch (UnusableFile e) {
            return told(e);
        }
    }

    /** Says what is wrong with the file that was read last, a line for each fault. */
    final int told(UnusableFile unusable) {
        unusable.faults().forEach(fault -> err().println(reading + " " + fault));
        return 2;
    }

    final Questionnaire questionnaire(String file) throws UnusableFile {
        return DocumentReader.read(text(file));
    }

    final String text(String file) throws UnusableFile {
        reading = file;
        try {
            return new String(Files.readAllBytes(Path.of(file)), StandardCharsets.UTF_8);
        } catch (IOException | InvalidPathException e) {
            throw new UnusableFile(List.of(new UnusableFile.FileFault("", "cannot be read; is the name right?")));
        }
    }

    final PrintWriter out() {
        return spec.commandLine().getOut();
    }

    final PrintWriter err() {
        return spec.commandLine().getErr();
    }
}
