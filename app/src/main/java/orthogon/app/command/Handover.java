package orthogon.app.command;

import java.util.ArrayList;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * Hands a command to the server that has the data folder, by a file in it, and the answer back. Who may write to the folder may do so; no
 * port and no password is needed.
 */
public final class Handover {

    /** What a command came to. */
    public record HandoverAnswer(boolean done, String words) {}

    /** One command that waits for the server. */
    public record Request(String id, List<String> words) {}

    private static final String FOLDER = "requests";
    private static final String REQUEST = ".request";
    private static final String ANSWER = ".answer";
    private static final Duration LONGEST = Duration.ofMinutes(30);
    private static final Duration LOOK = Duration.ofMillis(200);

    private final Path folder;

    public Handover(Path data) {
        folder = data.resolve(FOLDER);
    }

    /** Asks the server and waits for its answer. */
    HandoverAnswer ask(List<String> words) throws IOException, InterruptedException {
        Files.createDirectories(folder);
        String id = UUID.randomUUID().toString();
        write(folder.resolve(id + REQUEST), String.join("\n", words));
        Path answer = folder.resolve(id + ANSWER);
        Instant until = Instant.now().plus(LONGEST);
        while (!Files.exists(answer)) {
            if (Instant.now().isAfter(until)) {
                return new HandoverAnswer(false, "The server did not answer in time.");
            }
            Thread.sleep(LOOK);
        }
        List<String> lines = Files.readAllLines(answer);
        Files.delete(answer);
        return new HandoverAnswer(lines.getFirst().equals("done"), String.join("\n", lines.subList(1, lines.size())));
    }

    /** Takes the commands that wait. */
    public List<Request> taken() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        List<Path> files;
        try (Stream<Path> all = Files.list(folder)) {
            files = all.filter(f -> f.toString().endsWith(REQUEST)).sorted().toList();
        }
        List<Request> requests = new ArrayList<>();
        for (Path file : files) {
            requests.add(new Request(file.getFileName().toString().replace(REQUEST, ""), Files.readAllLines(file)));
            Files.delete(file);
        }
        return requests;
    }

    public void answer(Request request, HandoverAnswer answer) throws IOException {
        write(folder.resolve(request.id() + ANSWER), (answer.done() ? "done" : "failed") + "\n" + answer.words());
    }

    private static void write(Path file, String text) throws IOException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        Files.writeString(part, text);
        Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
    }
}
