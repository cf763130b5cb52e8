package orthogon.app.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import orthogon.app.store.WorkspaceStore.CheckResult;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/**
 * A command about the folder of a whole workspace. It works beside a running server, and without one. Exit status 0: done and all is well;
 * 1: something is wrong with the data; 2: it could not be done.
 */
abstract class DataCommand implements Callable<Integer> {

    @Spec
    private CommandSpec spec;

    @Option(names = "--data", paramLabel = "DIR", defaultValue = "data", description = "The folder of the workspace; ./${DEFAULT-VALUE} if it is left out.")
    private Path data;

    @Option(names = "--trail-key", paramLabel = "FILE", defaultValue = "", description = "The key of the trail, where it stands outside the folder.")
    private String trailKey;

    /** Does it, and gives the exit status. */
    abstract int on(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException;

    @Override
    public Integer call() {
        try {
            return on(new DataFolder(data, trailKey));
        } catch (Backup.Failed | DataFolder.Unusable e) {
            err().println(e.getMessage());
            return 2;
        } catch (IOException e) {
            err().println("The folder " + data + " cannot be used: " + e.getMessage() + ".");
            return 2;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return 2;
        }
    }

    PrintWriter out() {
        return spec.commandLine().getOut();
    }

    PrintWriter err() {
        return spec.commandLine().getErr();
    }

    /** Says what was found wrong, a line each. */
    int told(CheckResult found) {
        found.wrong().forEach(err()::println);
        return found.isWell() ? 0 : 1;
    }

    /** Says what a running server answered. */
    int told(Handover.HandoverAnswer answer, int otherwise) {
        (answer.done() ? out() : err()).println(answer.words());
        return answer.done() ? 0 : otherwise;
    }

    static void mustBeThere(DataFolder folder) throws Backup.Failed {
        if (!folder.hasDatabase()) {
            throw new Backup.Failed("There is no workspace in " + folder.path() + ". Name its folder with --data.");
        }
    }
}
