package orthogon.app.command;

import java.io.IOException;
import java.util.List;
import orthogon.app.store.WorkspaceStore;
import orthogon.app.store.WorkspaceStore.CheckResult;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Reads everything that is kept, and compares every digest. */
@Command(name = "check", description = "Read everything that is kept, and compare every digest.")
final class CheckCommand extends DataCommand {

    @Option(names = "--database", paramLabel = "ADDRESS", defaultValue = "", description = "The address of the database, as jdbc:postgresql://..., where it does not stand in the folder. Its password is that of the environment variable ORTHOGON_DATABASEPASSWORD.")
    private String database;

    @Option(names = "--database-user", paramLabel = "NAME", defaultValue = "orthogon", description = "Who may use that database; ${DEFAULT-VALUE} if it is left out.")
    private String user;

    @Override
    int on(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        if (database.isEmpty()) {
            mustBeThere(folder);
        }
        if (!folder.tryTake()) {
            return told(new Handover(folder.path()).ask(List.of("check")), 1);
        }
        WorkspaceStore workspace = database.isEmpty()
                ? folder.open()
                : folder.open(database, user, System.getenv().getOrDefault("ORTHOGON_DATABASEPASSWORD", ""));
        try {
            CheckResult found = workspace.check();
            out().println(found.summary());
            return told(found);
        } finally {
            workspace.close();
        }
    }
}
