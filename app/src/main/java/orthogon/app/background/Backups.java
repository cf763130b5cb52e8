package orthogon.app.background;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import orthogon.app.command.Backup;
import orthogon.app.command.Handover;
import orthogon.app.store.TrailKey;
import orthogon.app.store.WorkspaceStore;
import orthogon.app.store.WorkspaceStore.CheckResult;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Makes backups while the server runs: by schedule, and when the command asks for one. */
@Component
class Backups {

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final String PREFIX = "orthogon-";
    private static final String SUFFIX = ".zip";
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

    private final WorkspaceStore workspace;
    private final Path trailKey;
    private final Handover handover;
    private final String folder;
    private final Duration every;
    private final int kept;
    private LocalDateTime next = LocalDateTime.MIN;

    /**
     * @param folder where those by schedule go; empty for none
     * @param kept how many of those are kept
     */
    Backups(WorkspaceStore workspace, @Value("${orthogon.data:./data}") Path data, @Value("${orthogon.trail-key:}") String trailKey,
            @Value("${orthogon.backup.folder:}") String folder, @Value("${orthogon.backup.every:PT24H}") Duration every,
            @Value("${orthogon.backup.keep:7}") int kept) {
        this.workspace = workspace;
        this.trailKey = TrailKey.file(data, trailKey);
        this.handover = new Handover(data.toAbsolutePath().normalize());
        this.folder = folder;
        this.every = every;
        this.kept = kept;
    }

    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.SECONDS)
    void answer() throws IOException {
        for (Handover.Request request : handover.taken()) {
            handover.answer(request, answered(request.words()));
        }
    }

    private Handover.HandoverAnswer answered(List<String> words) {
        try {
            if (words.getFirst().equals("backup")) {
                return new Handover.HandoverAnswer(true, Backup.make(trailKey, Path.of(words.get(1)), workspace::copyTo));
            }
            CheckResult found = workspace.check();
            return new Handover.HandoverAnswer(found.isWell(), String.join("\n",
                    Stream.concat(Stream.of(found.summary()), found.wrong().stream()).toList()));
        } catch (Backup.Failed e) {
            return new Handover.HandoverAnswer(false, e.getMessage());
        } catch (RuntimeException e) {
            LOG.warn("A command could not be done: {}", e.getClass().getSimpleName());
            return new Handover.HandoverAnswer(false, "The server could not do it. See its log.");
        }
    }

    /** Looks often and makes one when it is time, so that a server that was off for a while makes one soon. */
    @Scheduled(initialDelay = 2, fixedDelay = 5, timeUnit = TimeUnit.MINUTES)
    void bySchedule() throws IOException {
        if (folder.isBlank() || LocalDateTime.now().isBefore(next)) {
            return;
        }
        next = LocalDateTime.now().plus(every);
        Path to = Path.of(folder);
        try {
            LOG.info("Backup made. {}",
                    Backup.make(trailKey, to.resolve(PREFIX + NAME.format(LocalDateTime.now()) + SUFFIX), workspace::copyTo));
            forgetOld(to);
        } catch (Backup.Failed e) {
            LOG.error("No backup was made. {}", e.getMessage());
        }
    }

    private void forgetOld(Path to) throws IOException {
        List<Path> old;
        try (Stream<Path> all = Files.list(to)) {
            old = all.filter(f -> f.getFileName().toString().matches(PREFIX + "[0-9-]+" + SUFFIX.replace(".", "\\.")))
                    .sorted(Comparator.reverseOrder()).skip(kept).toList();
        }
        for (Path file : old) {
            Files.delete(file);
        }
    }
}
