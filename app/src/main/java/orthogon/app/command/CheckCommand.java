package orthogon.app.command;

import java.io.IOException;
import java.util.List;
import orthogon.app.store.WorkspaceStore;
import orthogon.app.store.WorkspaceStore.Found;
import picocli.CommandLine.Command;

/** Reads everything that is kept, and compares every digest. */
@Command(name = "check", description = "Read everything that is kept, and compare every digest.")
final class CheckCommand extends DataCommand {

    @Override
    int on(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        mustBeThere(folder);
        if (!folder.tryTake()) {
            return told(new Handover(folder.path()).ask(List.of("check")), 1);
        }
        WorkspaceStore workspace = folder.open();
        try {
            Found found = workspace.check();
            out().println(found.summary());
            return told(found);
        } finally {
            workspace.close();
        }
    }
}
