package orthogon.app.command;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WorkspaceStore;
import org.flywaydb.core.api.FlywayException;
import org.springframework.dao.DataAccessException;

/** The folder in which all of a workspace is kept. One program at a time has it. */
public final class DataFolder {

    /** The folder cannot be used; the message says why and what to do. */
    public static final class Unusable extends Exception {

        private static final long serialVersionUID = 1;

        Unusable(String why) {
            super(why, null, false, false);
        }
    }

    private static final String LOCK = "orthogon.lock";
    /** Files that are locked. One that nothing refers to is closed before long, and its lock is gone. */
    private static final List<RandomAccessFile> HELD = new CopyOnWriteArrayList<>();
    private static final String DATABASE = "orthogon";

    private final Path folder;
    private final Path trailKey;

    public DataFolder(Path folder) {
        this(folder, "");
    }

    /** @param trailKey the file with the key of the trail; empty where it stands in the folder */
    DataFolder(Path folder, String trailKey) {
        this.folder = folder.toAbsolutePath().normalize();
        this.trailKey = TrailKey.file(this.folder, trailKey);
    }

    public Path path() {
        return folder;
    }

    Path trailKey() {
        return trailKey;
    }

    /** Where the database is, for the driver. */
    public String url() {
        return "jdbc:h2:file:" + folder.resolve(DATABASE) + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE;MAX_MEMORY_ROWS=300000";
    }

    /**
     * Opens the database.
     *
     * @throws Unusable where it is damaged, or another program has it
     */
    WorkspaceStore open() throws Unusable {
        try {
            return WorkspaceStore.open(url(), trailKey);
        } catch (FlywayException | DataAccessException e) {
            throw new Unusable("The database in " + folder + " cannot be opened. It is damaged, or another program uses it.");
        }
    }

    /**
     * Opens a database of this workspace that does not stand in the folder.
     *
     * @throws Unusable where it cannot be reached, or is not of this version
     */
    WorkspaceStore open(String address, String user, String password) throws Unusable {
        try {
            return WorkspaceStore.open(address, user, password, trailKey);
        } catch (FlywayException | DataAccessException e) {
            throw new Unusable(unreached(address));
        }
    }

    static String unreached(String address) {
        return "The database at " + address + " cannot be opened. Look whether it runs, and who may use it.";
    }

    public boolean hasDatabase() {
        return Files.exists(folder.resolve(DATABASE + ".mv.db"));
    }

    /**
     * Takes the folder for this program, until it ends.
     *
     * @throws Unusable where it cannot be made or written to, or another program has it
     */
    public void take() throws Unusable {
        if (!tryTake()) {
            throw new Unusable("Another Orthogon uses the folder " + folder + ". Stop it, or choose another folder with --orthogon.data.");
        }
    }

    /** Whether it could be taken; false where another program has it. */
    public boolean tryTake() throws Unusable {
        try {
            Files.createDirectories(folder);
            RandomAccessFile file = new RandomAccessFile(folder.resolve(LOCK).toFile(), "rw");
            Optional<FileLock> lock = Optional.ofNullable(file.getChannel().tryLock());
            if (lock.isPresent()) {
                HELD.add(file);
            } else {
                file.close();
            }
            return lock.isPresent();
        } catch (OverlappingFileLockException e) {
            return true;
        } catch (AccessDeniedException e) {
            throw new Unusable(cannotWrite());
        } catch (FileSystemException e) {
            throw new Unusable("The folder " + folder + " cannot be used: " + e.getReason() + ". Choose another with --orthogon.data.");
        } catch (IOException e) {
            throw new Unusable(cannotWrite());
        }
    }

    private String cannotWrite() {
        return "Orthogon may not write to the folder " + folder + ". Allow it, or choose another folder with --orthogon.data.";
    }
}
