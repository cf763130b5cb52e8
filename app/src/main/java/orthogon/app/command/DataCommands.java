package orthogon.app.command;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import orthogon.app.store.WorkspaceStore;
import orthogon.app.store.WorkspaceStore.Found;

/** The commands about a whole data folder: backup, restore, check. They work beside a running server, and without one. */
final class DataCommands {

    private final PrintStream out;
    private final PrintStream err;

    DataCommands(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** Exit status 0: done and all is well; 1: something is wrong with the data; 2: it could not be done. */
    int run(String command, List<String> files, Path data, String trailKey) {
        try {
            DataFolder folder = new DataFolder(data, trailKey);
            return switch (command) {
                case "restore" -> restored(Backup.restore(Path.of(files.getFirst()), folder.path()), folder);
                case "backup" -> backup(folder, Path.of(files.getFirst()).toAbsolutePath());
                default -> check(folder);
            };
        } catch (Backup.Failed | DataFolder.Unusable e) {
            err.println(e.getMessage());
            return 2;
        } catch (IOException e) {
            err.println("The folder " + data + " cannot be used: " + e.getMessage() + ".");
            return 2;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return 2;
        }
    }

    private int restored(Found found, DataFolder folder) {
        out.println("Brought back into " + folder.path() + ". " + found.summary());
        found.wrong().forEach(err::println);
        return found.isWell() ? 0 : 1;
    }

    private static void mustBeThere(DataFolder folder) throws Backup.Failed {
        if (!folder.hasDatabase()) {
            throw new Backup.Failed("There is no workspace in " + folder.path() + ". Name its folder with --data.");
        }
    }

    private int backup(DataFolder folder, Path file) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        mustBeThere(folder);
        if (!folder.tryTake()) {
            return answered(new Handover(folder.path()).ask(List.of("backup", file.toString())), 2);
        }
        WorkspaceStore workspace = folder.open();
        try {
            out.println(Backup.make(folder.trailKey(), file, workspace::copyTo));
            return 0;
        } finally {
            workspace.close();
        }
    }

    private int check(DataFolder folder) throws Backup.Failed, DataFolder.Unusable, IOException, InterruptedException {
        mustBeThere(folder);
        if (!folder.tryTake()) {
            return answered(new Handover(folder.path()).ask(List.of("check")), 1);
        }
        WorkspaceStore workspace = folder.open();
        try {
            Found found = workspace.check();
            out.println(found.summary());
            found.wrong().forEach(err::println);
            return found.isWell() ? 0 : 1;
        } finally {
            workspace.close();
        }
    }

    private int answered(Handover.Answer answer, int otherwise) {
        (answer.done() ? out : err).println(answer.words());
        return answer.done() ? 0 : otherwise;
    }
}
