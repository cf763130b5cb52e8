package orthogon.app.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import orthogon.app.store.WorkspaceStore;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Copies a whole workspace into a file, also while it is served. */
@Command(name = "backup", description = "Copy a whole workspace into a file, also while it is served.")
final class BackupCommand extends DataCommand {

    @Parameters(paramLabel = "FILE")
    private Path file;

    @Override
    int on(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        mustBeThere(folder);
        Path target = file.toAbsolutePath();
        if (!folder.tryTake()) {
            return told(new Handover(folder.path()).ask(List.of("backup", target.toString())), 2);
        }
        WorkspaceStore workspace = folder.open();
        try {
            out().println(Backup.make(folder.trailKey(), target, workspace::copyTo));
            return 0;
        } finally {
            workspace.close();
        }
    }
}
