package orthogon.app.command;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Enumeration;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WorkspaceStore;
import orthogon.app.store.WorkspaceStore.CheckResult;
import org.springframework.util.FileSystemUtils;

/**
 * A whole workspace in one file: the database as it is at one moment, and the key of the trail. It is as confidential as the folder that it
 * is made of. Each is read back and compared before it counts as made.
 */
public final class Backup {

    /** A backup cannot be made or brought back; the message says why and what to do. */
    public static final class Failed extends Exception {

        private static final long serialVersionUID = 1;

        Failed(String why) {
            super(why, null, false, false);
        }
    }

    private static final String ABOUT = "orthogon-backup.txt";
    private static final String DATABASE = "orthogon.mv.db";

    private Backup() {}

    /** Copies the database of a connection that is open into a file. */
    public interface Copying {
        void to(Path zip);
    }

    /**
     * Makes a backup.
     *
     * @param key the file with the key of the trail, wherever it stands
     * @param file that is written; there must be none of that name
     * @param copying copies the database, which others may use meanwhile
     * @return what it holds, in a sentence
     */
    public static String make(Path key, Path file, Copying copying) throws Failed {
        if (Files.exists(file)) {
            throw new Failed("There is a file " + file + " already. Choose another name.");
        }
        Path part = file.resolveSibling(file.getFileName() + ".part");
        Path copied = file.resolveSibling(file.getFileName() + ".database.part");
        try {
            if (file.toAbsolutePath().getParent() != null) {
                Files.createDirectories(file.toAbsolutePath().getParent());
            }
            copying.to(copied.toAbsolutePath());
            pack(copied, key, part);
            CheckResult found = tried(part);
            if (!found.isWell()) {
                throw new Failed("The backup does not hold what it should: " + String.join(" ", found.wrong()));
            }
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
            return found.summary();
        } catch (UnsupportedOperationException e) {
            throw new Failed(e.getMessage());
        } catch (IOException e) {
            throw new Failed("The backup cannot be written to " + file + ": " + why(e));
        } finally {
            remove(part);
            remove(copied);
        }
    }

    private static String why(IOException e) {
        return e instanceof AccessDeniedException
                ? "writing is not allowed there."
                : e instanceof NoSuchFileException ? "there is no such file." : e.getMessage() + ".";
    }

    private static void remove(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // It is told apart by its name, and does no harm.
        }
    }

    private static void pack(Path copied, Path key, Path file) throws IOException {
        try (ZipFile database = new ZipFile(copied.toFile());
                ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry(ABOUT));
            zip.write(("Orthogon backup 1\nmade " + Instant.now().truncatedTo(ChronoUnit.SECONDS) + "\n").getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
            if (Files.exists(key)) {
                zip.putNextEntry(new ZipEntry(TrailKey.FILE));
                Files.copy(key, zip);
                zip.closeEntry();
            }
            Enumeration<? extends ZipEntry> entries = database.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                if (Path.of(entry.getName()).getFileName().toString().equals(DATABASE)) {
                    zip.putNextEntry(new ZipEntry(DATABASE));
                    try (InputStream in = database.getInputStream(entry)) {
                        in.transferTo(zip);
                    }
                    zip.closeEntry();
                }
            }
        }
    }

    /** What a backup holds, brought back into a folder that is thrown away. */
    private static CheckResult tried(Path file) throws IOException, Failed {
        Path folder = Files.createTempDirectory(file.toAbsolutePath().getParent(), ".orthogon-tried");
        try {
            return restore(file, folder);
        } finally {
            FileSystemUtils.deleteRecursively(folder);
        }
    }

    /**
     * Brings a backup back, one of an older version as well, and reads all of it.
     *
     * @param folder that is empty, or is made
     */
    public static CheckResult restore(Path file, Path folder) throws Failed {
        try {
            if (Files.exists(folder)) {
                try (Stream<Path> there = Files.list(folder)) {
                    if (there.findAny().isPresent()) {
                        throw new Failed("The folder " + folder + " is not empty. Choose an empty one, or one that is not there yet.");
                    }
                }
            }
            Files.createDirectories(folder);
            unpack(file, folder);
        } catch (ZipException e) {
            throw new Failed("The file " + file + " is no backup of Orthogon, or it is damaged.");
        } catch (IOException e) {
            throw new Failed("The backup " + file + " cannot be brought back: " + why(e));
        }
        try {
            WorkspaceStore workspace = new DataFolder(folder).open();
            CheckResult found = workspace.check();
            workspace.close();
            return found;
        } catch (DataFolder.Unusable | RuntimeException e) {
            throw new Failed("The database in " + file + " cannot be opened; it is damaged.");
        }
    }

    private static void unpack(Path file, Path folder) throws IOException, Failed {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            if (zip.getEntry(ABOUT) == null || zip.getEntry(DATABASE) == null) {
                throw new Failed("The file " + file + " is no backup of Orthogon.");
            }
            for (String name : new String[]{DATABASE, TrailKey.FILE}) {
                ZipEntry entry = zip.getEntry(name);
                if (entry != null) {
                    try (InputStream in = zip.getInputStream(entry); OutputStream out = Files.newOutputStream(folder.resolve(name))) {
                        in.transferTo(out);
                    }
                }
            }
        }
    }
}
