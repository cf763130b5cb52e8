package orthogon.app.command;

import java.io.IOException;
import java.nio.file.Path;
import orthogon.app.store.WorkspaceStore.CheckResult;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Brings a backup back into an empty folder. */
@Command(name = "restore", description = "Bring a backup back into an empty folder.")
final class RestoreCommand extends DataCommand {

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Override
    int on(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        CheckResult found = Backup.restore(file, folder.path());
        out().println("Brought back into " + folder.path() + ". " + found.summary());
        return told(found);
    }
}
