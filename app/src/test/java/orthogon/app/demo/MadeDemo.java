package orthogon.app.demo;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import orthogon.app.Orthogon;
import org.springframework.boot.SpringApplication;
import org.springframework.util.FileSystemUtils;

/** The demo data, made once for all processes of a run: filling a folder takes much longer than copying it. */
public final class MadeDemo {

    private static Path made;

    private MadeDemo() {}

    /** A data folder of its own with the demo data. */
    public static synchronized Path copy() throws IOException {
        if (made == null) {
            made = made();
        }
        Path copy = Files.createTempDirectory("orthogon");
        FileSystemUtils.copyRecursively(made, copy);
        return copy;
    }

    /** Made by whichever process asks first. */
    private static Path made() throws IOException {
        String shared = System.getProperty("orthogon.made-demo");
        Path folder = shared == null ? Files.createTempDirectory("orthogon-demo") : Files.createDirectories(Path.of(shared));
        try (FileChannel lock = FileChannel.open(folder.resolveSibling(folder.getFileName() + ".lock"), StandardOpenOption.CREATE,
                StandardOpenOption.WRITE); FileLock _ = lock.lock()) {
            Path data = folder.resolve("made");
            if (!Files.exists(data)) {
                Path making = folder.resolve("making");
                FileSystemUtils.deleteRecursively(making);
                SpringApplication.run(Orthogon.class, "--orthogon.port=0", "--orthogon.data=" + making, "--orthogon.demo=true").close();
                Files.move(making, data);
            }
            return data;
        }
    }
}
